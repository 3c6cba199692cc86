import type { ReactNode } from 'react';
import styles from './Waiting.module.css';

/** Stands in place of what is still to come, and says what that is. */
export const Waiting = ({ children }: { readonly children: ReactNode }) => (
  <p className={styles.waiting} role="status">
    {children}
  </p>
);
