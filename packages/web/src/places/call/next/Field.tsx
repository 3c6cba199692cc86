import { type AnswerFormView, understood } from '@zetalysis/core/presentation';
import type { Dimension } from '@zetalysis/core/units';
import { Pad, type PadUnit } from '../../../kit/Pad';
import { ReadingField } from '../../../kit/ReadingField';
import { useAppliance } from '../use-appliance';
import styles from './Sheet.module.css';
import type { TypedEntry } from './use-entry';

interface Props {
  readonly entry: TypedEntry;
  /** What is read, for who cannot see what stands above. */
  readonly label: string;
  /** What a bare number answers; nothing where a reading has to name its place. */
  readonly asked?: Pick<Extract<AnswerFormView, { kind: 'reading' }>, 'dimension' | 'unit'> | undefined;
  /** What else may be typed there. */
  readonly other?: string;
}

/** The one field of the page: under what is asked, or under what was tapped, or for whatever names itself. */
export function Field({ entry, label, asked, other = 'Or a range, or another point: 24 MV C' }: Props) {
  const { drawing, units } = useAppliance();
  const dimension = asked?.dimension;
  const millivolts = asked?.unit === 'mV';
  const said = entry.read?.ok ? understood(drawing, entry.read.value.body, { units }) : '';
  return (
    <div className={styles.entry}>
      <ReadingField
        label={label}
        text={entry.text}
        placeholder={
          dimension === undefined
            ? '24 MV C, or tap a point'
            : millivolts
              ? '9.6 or 20-24'
              : (PLACEHOLDER[dimension] ?? '')
        }
        problem={entry.problem}
        field={entry.field}
        main={dimension !== undefined}
        onText={entry.setText}
        onEnter={entry.enter}
      >
        {dimension !== undefined && (
          <Pad
            open={dimension === 'resistance' || dimension === 'voltage'}
            units={millivolts ? MILLIVOLTS : (UNITS[dimension] ?? [])}
            text={entry.text}
            onText={entry.setText}
          />
        )}
      </ReadingField>
      <p className={styles.understood} aria-live="polite" data-main={dimension !== undefined || undefined}>
        {said !== '' ? said : dimension !== undefined && other}
      </p>
    </div>
  );
}

/** The first one is meant where none is typed. */
const UNITS: Partial<Readonly<Record<Dimension, readonly PadUnit[]>>> = {
  // What the meter is set to goes by the point, unless somebody set it otherwise.
  voltage: [{ typed: 'V' }, { typed: 'Vac', title: 'V AC' }, { typed: 'Vdc', title: 'V DC' }, { typed: 'mV' }],
  resistance: [{ typed: 'Ω' }, { typed: 'kΩ' }, { typed: 'MΩ' }],
  current: [{ typed: 'A' }, { typed: 'mA' }, { typed: 'µA' }],
  capacitance: [{ typed: 'µF' }],
  pressure: [{ typed: 'inwc', title: 'in w.c.' }, { typed: 'psi' }],
  temperature: [
    { typed: 'F', title: '°F', written: true },
    { typed: 'C', title: '°C', written: true },
  ],
  time: [{ typed: 's' }, { typed: 'min' }],
};

const MILLIVOLTS: readonly PadUnit[] = [{ typed: 'mV' }, { typed: 'V' }];

const PLACEHOLDER: Partial<Readonly<Record<Dimension, string>>> = {
  voltage: '24.6 or 15-18',
  resistance: '15.4  ·  1.85k  ·  OL',
  pressure: '0.6 inwc',
  current: '4.2 A  ·  3.2uA',
  capacitance: '4.8',
  time: '4.5 s',
};
