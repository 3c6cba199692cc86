import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import styles from './StandardDialog.module.css';
import type { TestingStandard } from '@zetalysis/core/standards';

interface Props {
  readonly standard: TestingStandard;
  readonly onChange: (change: Partial<TestingStandard>) => void;
  readonly onClose: () => void;
}

/** Where practitioners differ: limits, the way of probing that comes first, and the order of tests. */
export default function StandardDialog({ standard, onChange, onClose }: Props) {
  const choice = <K extends keyof TestingStandard>(
    key: K,
    label: string,
    options: readonly (readonly [TestingStandard[K], string])[],
  ) => (
    <Choice
      label={label}
      value={String(standard[key])}
      options={options.map(([value, words]) => ({ value: String(value), label: words }))}
      onChange={(chosen) =>
        onChange({ [key]: options.find(([v]) => String(v) === chosen)![0] } as Partial<TestingStandard>)
      }
    />
  );
  return (
    <Dialog title="How you work" close="Done" onClose={onClose}>
      <div className={styles.standard}>
        {choice('order', 'Order of tests', [
          ['best-first', 'Best test first'],
          ['terminal-by-terminal', 'Terminal by terminal, from source to load'],
        ])}
        {choice('probing', 'Looking for an open device', [
          ['to-common', 'Volts to common, hop along'],
          ['across', 'Volts across each device'],
          ['dead-ohms', 'Power off, ohms'],
          ['bypass', 'Momentary bypass, one at a time'],
        ])}
        {choice('contactOhms', 'A closed contact, isolated', [
          [1, 'At most 1 Ω'],
          [0.1, 'At most 0.1 Ω'],
        ])}
        {choice('thermocoupleVolts', 'Thermocouple minimum, open circuit', [
          [0.017, '17 mV'],
          [0.02, '20 mV'],
          [0.025, '25 mV'],
        ])}
        {choice('sparkGap', 'A spark gap is accepted', [
          [0.003175, 'At 1/8 in only'],
          [0.0047625, 'Up to 3/16 in'],
        ])}
        {choice('windingShare', 'A winding is good within', [
          [0.1, '± 10 % of its book value'],
          [0.2, '± 20 % of its book value'],
        ])}
        <p className="fine">Kept on this device. None of it changes what the appliance does.</p>
      </div>
    </Dialog>
  );
}
