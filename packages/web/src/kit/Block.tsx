import type { ReactNode } from 'react';
import styles from './Block.module.css';

interface Props {
  readonly title: string;
  /** How many, or what else is said at the end of the title's line. */
  readonly note?: ReactNode;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

/** A part of a page under a ruled title. */
export const Block = ({ title, note, className = '', children }: Props) => (
  <section className={`${styles.block} ${className}`} aria-label={title}>
    <div className={styles.title}>
      <h2>{title}</h2>
      {note !== undefined && <span>{note}</span>}
    </div>
    {children}
  </section>
);
