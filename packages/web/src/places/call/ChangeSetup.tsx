import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { inSeconds } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import { Choice } from '../../kit/Choice';
import { clock } from './clock';

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
    else if (kind === 'danger') onBody({ type: 'danger', danger: id as 'gas' | 'co' | 'fire' });
    else {
      const wait = drawing.waits.find((w) => w.id === id)!;
      onBody({ type: 'timer', title: wait.title, seconds: Math.round(inSeconds(wait.lasts)) });
    }
  };
  return (
    <Choice
      label="Change the setup"
      labelHidden
      value={undefined}
      placeholder="Unplug, reset, clock, danger…"
      options={groupsOf(drawing, setup).filter(({ options }) => options.length > 0)}
      onChange={change}
    />
  );
}

const DANGERS = [
  { value: 'danger gas', label: 'Strong smell of gas' },
  { value: 'danger co', label: 'CO alarm or high CO' },
  { value: 'danger fire', label: 'Fire or scorching' },
];

function groupsOf({ plugs, parts, actions, waits }: Drawing, setup: CallView['setup']) {
  const listed = (kind: string, things: readonly { readonly id: string; readonly title: string }[]) =>
    things.map(({ id, title }) => ({ value: `${kind} ${id}`, label: title }));
  const not = (done: readonly string[]) => (thing: { readonly id: string }) => !done.includes(thing.id);
  return [
    { label: 'Unplug', options: listed('unplug', plugs.filter(not(setup.unplugged))) },
    {
      label: 'Bypass for one watched test',
      options: listed('bypass', parts.filter((p) => p.bypassable).filter(not(setup.bypassed))),
    },
    { label: 'Do for one test', options: listed('action', actions.filter(not(setup.actions))) },
    {
      label: 'Set a clock',
      options: waits.map((w) => ({ value: `wait ${w.id}`, label: `${w.title}: ${clock(w.lasts)}` })),
    },
    { label: 'Danger: stop everything', options: DANGERS },
  ];
}
