import type { ReactNode } from 'react';
import styles from './Readout.module.css';

interface Props {
  /** What the display shows. */
  readonly digits: string;
  readonly unit: string;
  /** How one stands with it: a word and a sign, never a colour alone. */
  readonly says?: ReactNode;
  /** Waits for a change; cannot be used; or it stands. */
  readonly state?: 'armed' | 'wrong' | 'stands';
  /** Beside others, and not to be read across a room. */
  readonly small?: boolean;
}

/** What an instrument shows, in figures that are read across a room. */
export const Readout = ({ digits, unit, says, state = 'stands', small = false }: Props) => (
  <div
    className={styles.readout}
    data-state={state}
    data-small={small || undefined}
    data-wide={digits.length > 4 || undefined}
  >
    {says !== undefined && (
      <p className={styles.says} role="status">
        {says}
      </p>
    )}
    <output>{digits}</output>
    <span className={styles.unit}>{unit}</span>
  </div>
);
