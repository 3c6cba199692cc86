import type { InputRef } from 'antd';
import type { RefObject } from 'react';
import type { Drawing } from '@zetalysis/core/presentation';
import { type EventBody, parseEntryLine } from '@zetalysis/core/visit';
import type { Wires } from '@zetalysis/contract';
import { withNetNames } from '../../diagrams/wire-names';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { ReadingField } from '../../kit/ReadingField';
import styles from './EntryLine.module.css';
import { useReading } from './use-reading';

interface Props {
  readonly drawing: Drawing;
  /** Names this machine has for its points: they may be typed as well. */
  readonly wires: Wires;
  readonly at: string;
  readonly phaseTitle: string;
  /** What tapping on the ladder has put together so far. */
  readonly probes: string;
  readonly field: RefObject<InputRef | null>;
  readonly onBody: (body: EventBody) => void;
  readonly onClear: () => void;
}

/** A line such as `15.4V MV C`: value, red probe, black probe. Tapping the ladder fills in the probes. */
export function EntryLine({ drawing, wires, at, phaseTitle, probes, field, onBody, onClear }: Props) {
  const reading = useReading(
    (text) => parseEntryLine(drawing.words, `${withNetNames(text, wires, drawing.words.nets)} ${probes}`, at),
    (body) => {
      onClear();
      onBody(body);
    },
    field,
  );
  const pick = (chosen: string): void => {
    const [kind, subject, answer] = chosen.split(' ') as [string, string, string | undefined];
    if (kind === 'look') return onBody({ type: 'look', look: subject, answer: answer! });
    reading.setText(`${subject} `);
    field.current?.focus();
  };
  return (
    <div className={styles.entry}>
      <ReadingField
        label={`Reading ${probes} at the step ${phaseTitle}`}
        lead={probes === '' ? 'Reading' : <strong>{probes}</strong>}
        text={reading.text}
        placeholder={probes === '' ? '15.4V MV C   or tap a point' : 'value'}
        problem={reading.problem}
        field={field}
        onText={reading.setText}
        onEnter={reading.enter}
      >
        <Choice
          label="Look or measure"
          labelHidden
          value={undefined}
          placeholder="Look, measure…"
          options={[
            {
              label: 'Measure',
              options: drawing.gauges.map((g) => ({ value: `gauge ${g.id}`, label: g.title })),
            },
            ...drawing.looks.map((l) => ({
              label: l.ask,
              options: l.answers.map((a) => ({ value: `look ${l.id} ${a.id}`, label: a.title })),
            })),
          ]}
          onChange={pick}
        />
        {probes !== '' && (
          <Button tone="quiet" onClick={onClear}>
            clear
          </Button>
        )}
      </ReadingField>
    </div>
  );
}
