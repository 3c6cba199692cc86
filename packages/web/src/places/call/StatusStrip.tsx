import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import type { ReactNode } from 'react';
import { Button } from '../../kit/Button';
import { outboxWords } from '../../store/outbox-words';
import { useOutboxState } from '../../store/use-outbox';
import { ChangeSetup } from './ChangeSetup';
import { Timers } from './Timers';
import styles from './StatusStrip.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onBody: (body: EventBody) => void;
  readonly onDanger: () => void;
  /** Said instead of gas, power and call, while the page shows a world that is not this one. */
  readonly instead?: ReactNode;
  /** What has to be put back. */
  readonly children: ReactNode;
}

/** Always on screen in a call: gas, power, what is unplugged or bypassed, and whether everything is sent. */
export function StatusStrip({ drawing, view, onBody, onDanger, instead, children }: Props) {
  const { setup } = view;
  const set = (change: Partial<typeof setup>): void => onBody(setupEntry({ ...setup, ...change }));
  const outbox = useOutboxState();
  const { closed } = view;
  return (
    <div className={styles.status} role="region" aria-label="State of the appliance">
      {instead ?? (
        <>
          {drawing.gas && (
            <Toggle
              name="Gas"
              sign={<path d="M1 20h8M23 20h8M6 9h20M16 9v5M9.5 20a6.5 6.5 0 1 0 13 0a6.5 6.5 0 1 0 -13 0" />}
              on={setup.gas}
              words={['on', 'shut']}
              onChange={(gas) => set({ gas })}
              disabled={closed}
            />
          )}
          <Toggle
            name="Power"
            on={setup.power}
            sign={<path d="M8 3h16v26h-16zM16 8v8" />}
            words={['on', 'off']}
            onChange={(power) => set({ power })}
            disabled={closed}
          />
          <Toggle
            name="Call"
            sign={<path d="M16 3.5a12.5 12.5 0 1 0 .01 0M16 3.5v3M28.5 16h-3M3.5 16h3M16 16l6 -6" />}
            on={setup.heatCall}
            words={['calling', 'no call']}
            onChange={(heatCall) => set({ heatCall })}
            disabled={closed}
          />
        </>
      )}
      {children}
      <Timers timers={view.timers} onEnd={(event) => onBody({ type: 'retracted', event })} />
      {!closed && instead === undefined && (
        <span className={styles.change} data-for="steps circuit">
          <ChangeSetup drawing={drawing} setup={setup} onSetup={set} onBody={onBody} />
        </span>
      )}
      {(instead === undefined || outbox.kind !== 'sent') && (
        <span className={styles.sync} data-sync={outbox.kind} role="status">
          {outboxWords(outbox)}
        </span>
      )}
      <Button tone="danger" className={styles.danger!} onClick={onDanger}>
        <svg viewBox="0 0 20 20" aria-hidden="true">
          <path d="M10 2L19 18H1zM10 8v4.5M10 15.4v.1" />
        </svg>
        Danger
      </Button>
    </div>
  );
}

interface ToggleProps {
  readonly name: string;
  /** Handle, rocker or dial. */
  readonly sign: ReactNode;
  readonly on: boolean;
  readonly words: readonly [string, string];
  readonly onChange: (on: boolean) => void;
  readonly disabled: boolean;
}

const Toggle = ({ name, sign, on, words, onChange, disabled }: ToggleProps) => (
  <Button
    tone="bare"
    className={styles.toggle!}
    aria-pressed={on}
    data-off={!on || undefined}
    disabled={disabled}
    onClick={() => onChange(!on)}
  >
    <svg viewBox="0 0 32 32" aria-hidden="true">
      {sign}
    </svg>
    <span>
      {name} <strong>{on ? words[0] : words[1]}</strong>
    </span>
  </Button>
);
