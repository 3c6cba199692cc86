import type { ReactNode } from 'react';
import styles from './Failure.module.css';

interface Props {
  readonly title: string;
  /** What went wrong, as it was said. */
  readonly problem?: string;
  /** What is safe, and what to do. */
  readonly children: ReactNode;
}

/** Stands in place of a page that cannot be shown. */
export function Failure({ title, problem, children }: Props) {
  return (
    <main className={styles.failure} role="alert">
      <h1>{title}</h1>
      {problem !== undefined && <pre>{problem}</pre>}
      {children}
    </main>
  );
}
