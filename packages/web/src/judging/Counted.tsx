import type { ReactNode } from 'react';
import { Field } from '../kit/Field';
import styles from './Counted.module.css';

interface Props {
  /** Which limits held, in words; nothing before something is judged. */
  readonly counted: string | undefined;
  readonly good: string | undefined;
  readonly marginal: string | undefined;
  readonly unit: string;
  readonly typed: Readonly<Record<string, string>>;
  readonly problems: Readonly<Record<string, string>>;
  readonly onType: (id: string, value: string) => void;
  /** What can be kept of it. */
  readonly children?: ReactNode;
}

/** Which limits counted, and the fields for others: plate or sheet, the shop's, a known-good part, its own first value. */
export function Counted({ counted, good, marginal, unit, typed, problems, onType, children }: Props) {
  const field = (id: string, label: string, placeholder: string) => (
    <Field
      label={label}
      placeholder={placeholder}
      value={typed[id] ?? ''}
      problem={problems[id]}
      maxLength={60}
      onChange={(value) => onType(id, value)}
    />
  );
  return (
    <section className={styles.counted} aria-label="Which limits counted">
      <h2>Which limits counted</h2>
      {counted === undefined ? (
        <p className="fine">Nothing is judged yet.</p>
      ) : (
        <p>
          <b>{counted}</b>
          <br />
          good {good}, marginal {marginal}
        </p>
      )}
      <details open={Object.keys(typed).length > 0 || undefined}>
        <summary>Other limits for this one</summary>
        {field('plate', `Plate or maker’s sheet: good from – to${unit}`, '13.5-16.5')}
        {field('source', 'Where it stands, and who read it', 'sheet 12, Imre')}
        {field('shop', `The shop’s: good from – to${unit}`, '14-16')}
        {field('twin', `A known-good one of the same kind reads${unit}`, '15.2')}
        {field('own', `This very part read, when it was good${unit}`, '14.8')}
        {children}
      </details>
    </section>
  );
}
