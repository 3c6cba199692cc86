import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { safetyOf } from '@zetalysis/core/rules';
import { inSeconds } from '@zetalysis/core/units';
import type { LOOSE } from '@zetalysis/core/visit';
import { type EventBody } from '@zetalysis/core/visit';
import { Choice } from '../../kit/Choice';
import { clock } from '../../kit/clock';

interface Props {
  readonly drawing: Drawing;
  readonly setup: CallView['setup'];
  readonly onSetup: (change: Partial<CallView['setup']>) => void;
  readonly onBody: (body: EventBody) => void;
}

/** The menu of what can be done to the appliance for a test, the clocks that can be set, and the stops. */
export function ChangeSetup({ drawing, setup, onSetup, onBody }: Props) {
  const change = (chosen: string): void => {
    const [kind, ...rest] = chosen.split(' ') as [string, ...string[]];
    const id = rest.join(' ');
    if (kind === 'unplug') onSetup({ unplugged: [...setup.unplugged, id] });
    else if (kind === 'bypass') onSetup({ bypassed: [...setup.bypassed, id] });
    else if (kind === 'action') onSetup({ actions: [...setup.actions, id] });
    else if (kind === 'loose') {
      const [loose, ...title] = rest as [(typeof LOOSE)[number], ...string[]];
      onBody({ type: 'temporary', kind: loose, title: title.join(' ') });
    } else if (kind === 'reset') {
      const safety = drawing.meanings.safeties.find((s) => s.id === id)!;
      onBody({ type: 'reset', safety: id, title: safety.title, kind: safety.kind, by: 'customer' });
    } else {
      const wait = drawing.waits.find((w) => w.id === id)!;
      onBody({ type: 'timer', title: wait.title, seconds: Math.round(inSeconds(wait.lasts)) });
    }
  };
  return (
    <Choice
      label="Change the setup"
      labelHidden
      value={undefined}
      placeholder="Unplug, open, bypass, clock…"
      options={groupsOf(drawing, setup).filter(({ options }) => options.length > 0)}
      onChange={change}
    />
  );
}

const LOOSE_OPTIONS = [
  { value: 'loose lead a lead', label: 'A lead lifted on purpose' },
  { value: 'loose part-out a part', label: 'A part out' },
  { value: 'loose joint a gas joint', label: 'A gas joint open' },
  { value: 'loose panel a panel', label: 'A panel off' },
] satisfies { value: `loose ${(typeof LOOSE)[number]} ${string}`; label: string }[];

function groupsOf({ plugs, meanings, parts, actions, waits }: Drawing, setup: CallView['setup']) {
  const listed = (kind: string, things: readonly { readonly id: string; readonly title: string }[]) =>
    things.map(({ id, title }) => ({ value: `${kind} ${id}`, label: title }));
  const not = (done: readonly string[]) => (thing: { readonly id: string }) => !done.includes(thing.id);
  return [
    { label: 'Unplug', options: listed('unplug', plugs.filter(not(setup.unplugged))) },
    {
      label: 'A bypass that is on',
      options: listed(
        'bypass',
        meanings.safeties.filter(({ id }) => parts.some((p) => p.id === id)).filter(not(setup.bypassed)),
      ),
    },
    { label: 'Do for one test', options: listed('action', actions.filter(not(setup.actions))) },
    {
      label: 'Set a clock',
      options: waits.map((w) => ({ value: `wait ${w.id}`, label: `${w.title}: ${clock(w.lasts)}` })),
    },
    { label: 'Open or off for now', options: LOOSE_OPTIONS },
    {
      label: 'The customer has pressed the reset of',
      options: listed(
        'reset',
        meanings.safeties.filter(({ kind }) => safetyOf(kind).reset !== undefined),
      ),
    },
  ];
}
