import type { ReactNode } from 'react';
import { AntTheme } from './AntTheme';
import styles from './Page.module.css';

interface Props {
  readonly title: ReactNode;
  /** What else says which page it is: beside the title. */
  readonly about?: ReactNode;
  /** What is chosen of what the page shows, or looked for in it. */
  readonly tools?: ReactNode;
  /** What can be done on the page as a whole. */
  readonly actions?: ReactNode;
  /** A class of the place, for how it is laid out. */
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

/** A place: its title with what can be done there, and below it what it shows, as wide as the screen, beside the flue. */
export function Page({ title, about, tools, actions, className = '', children }: Props) {
  return (
    <AntTheme>
      <main className={styles.page}>
        <div className={styles.head}>
          <h1>{title}</h1>
          {about !== undefined && <p className={styles.about}>{about}</p>}
          {tools}
          {actions !== undefined && <div className={styles.actions}>{actions}</div>}
        </div>
        <div className={className}>{children}</div>
      </main>
    </AntTheme>
  );
}
