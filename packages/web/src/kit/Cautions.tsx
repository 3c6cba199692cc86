import type { ReactNode } from 'react';
import styles from './Cautions.module.css';

/** What can hurt somebody here, and what to do instead. */
export const Cautions = ({ children }: { readonly children: ReactNode }) => (
  <ul className={styles.cautions}>{children}</ul>
);
