import type { ReactNode } from 'react';
import { AntTheme } from './AntTheme';
import styles from './Page.module.css';

interface Props {
  readonly title: ReactNode;
  /** What can be done on the page as a whole. */
  readonly actions?: ReactNode;
  /** A class of the place, for how it is laid out. */
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

/** A place with a title, what can be done there, and what it shows. */
export function Page({ title, actions, className, children }: Props) {
  return (
    <AntTheme>
      <main className={`${styles.page} ${className ?? ''}`}>
        <div className={styles.head}>
          <h1>{title}</h1>
          {actions}
        </div>
        {children}
      </main>
    </AntTheme>
  );
}
