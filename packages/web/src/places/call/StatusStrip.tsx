import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { outboxWords } from '../../store/outbox-words';
import { useOutbox } from '../../store/use-outbox';
import { ChangeSetup } from './ChangeSetup';
import { Timers } from './Timers';
import styles from './StatusStrip.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onBody: (body: EventBody) => void;
}

/** Always on screen in a call: gas, power, what is unplugged or bypassed, and whether everything is sent. */
export function StatusStrip({ drawing, view, onBody }: Props) {
  const { setup } = view;
  const set = (change: Partial<typeof setup>): void => onBody(setupEntry({ ...setup, ...change }, drawing.safeties));
  const { state: outbox } = useOutbox();
  const { closed } = view;
  return (
    <div className={styles.status} role="region" aria-label="State of the appliance">
      {drawing.gas && (
        <Toggle name="Gas" on={setup.gas} words={['on', 'shut']} onChange={(gas) => set({ gas })} disabled={closed} />
      )}
      <Toggle
        name="Power"
        on={setup.power}
        words={['on', 'off']}
        onChange={(power) => set({ power })}
        disabled={closed}
      />
      <Toggle
        name="Call"
        on={setup.heatCall}
        words={['calling', 'no call']}
        onChange={(heatCall) => set({ heatCall })}
        disabled={closed}
      />
      {standing(drawing, setup).map(({ words, tone, without }) => (
        <Button key={words} tone={tone} disabled={closed} onClick={() => set(without)}>
          {words}
        </Button>
      ))}
      <Timers timers={view.timers} onEnd={(event) => onBody({ type: 'retracted', event })} />
      {!closed && <ChangeSetup drawing={drawing} setup={setup} onSetup={set} onBody={onBody} />}
      <span className={styles.sync} data-sync={outbox.kind} role="status">
        {outboxWords(outbox)}
      </span>
    </div>
  );
}

interface Standing {
  readonly words: string;
  readonly tone: 'warn' | 'alarm';
  /** What changes when it is put back. */
  readonly without: Partial<CallView['setup']>;
}

/** What stands otherwise than usual, each with what puts it back. */
function standing(drawing: Drawing, setup: CallView['setup']): Standing[] {
  const title = (id: string): string =>
    drawing.parts.find((p) => p.id === id)?.title ?? drawing.plugs.find((p) => p.id === id)?.title ?? id;
  const but = (list: readonly string[], id: string): string[] => list.filter((other) => other !== id);
  return [
    ...setup.unplugged.map((id): Standing => ({
      words: `${title(id)} unplugged · put back`,
      tone: 'warn',
      without: { unplugged: but(setup.unplugged, id) },
    })),
    ...setup.bypassed.map((id): Standing => ({
      words: `BYPASS on ${title(id)} · removed`,
      tone: 'alarm',
      without: { bypassed: but(setup.bypassed, id) },
    })),
    ...setup.actions.map((id): Standing => {
      const action = drawing.actions.find((a) => a.id === id);
      return {
        words: `${action?.title ?? id} · over`,
        tone: action?.ledger === true ? 'alarm' : 'warn',
        without: { actions: but(setup.actions, id) },
      };
    }),
  ];
}

interface ToggleProps {
  readonly name: string;
  readonly on: boolean;
  readonly words: readonly [string, string];
  readonly onChange: (on: boolean) => void;
  readonly disabled: boolean;
}

const Toggle = ({ name, on, words, onChange, disabled }: ToggleProps) => (
  <Button className={on ? '' : styles.off!} aria-pressed={on} disabled={disabled} onClick={() => onChange(!on)}>
    <span>
      {name} <strong>{on ? words[0] : words[1]}</strong>
    </span>
  </Button>
);
