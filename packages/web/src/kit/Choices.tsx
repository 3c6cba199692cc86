import type { ReactNode } from 'react';
import styles from './Choices.module.css';

/** Buttons side by side, of which one is pressed. */
export const Choices = ({ label, children }: { readonly label?: string; readonly children: ReactNode }) => (
  <div className={styles.choices} role="group" aria-label={label}>
    {children}
  </div>
);
