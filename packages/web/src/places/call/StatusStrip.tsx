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
  readonly onDanger: () => void;
}

/** Always on screen in a call: gas, power, what is unplugged or bypassed, and whether everything is sent. */
export function StatusStrip({ drawing, view, onBody, onDanger }: Props) {
  const { setup } = view;
  const set = (change: Partial<typeof setup>): void => onBody(setupEntry({ ...setup, ...change }));
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
      <Timers timers={view.timers} onEnd={(event) => onBody({ type: 'retracted', event })} />
      {!closed && <ChangeSetup drawing={drawing} setup={setup} onSetup={set} onBody={onBody} />}
      <Button tone="alarm" onClick={onDanger}>
        Danger
      </Button>
      <span className={styles.sync} data-sync={outbox.kind} role="status">
        {outboxWords(outbox)}
      </span>
    </div>
  );
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
