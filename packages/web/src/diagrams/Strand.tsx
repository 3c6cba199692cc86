import type { HTMLAttributes, ReactNode } from 'react';
import type { BeadState } from './BeadMark';
import { CordPiece } from './CordPiece';
import styles from './Strand.module.css';

/** A list that hangs in the flue at the left of a page: what runs in order, or what burns among many. */
export const Strand = ({ children, ...rest }: HTMLAttributes<HTMLOListElement> & { readonly children: ReactNode }) => (
  <ol className={styles.strand} {...rest}>
    {children}
  </ol>
);

interface RowProps extends HTMLAttributes<HTMLLIElement> {
  readonly state: BeadState;
  readonly missed?: boolean;
  readonly children: ReactNode;
}

/** One row of it, beside its bead. */
export const StrandRow = ({ state, missed = false, className = '', children, ...rest }: RowProps) => (
  <li className={`${styles.row} ${className}`} {...rest}>
    <CordPiece state={state} missed={missed} />
    {children}
  </li>
);
