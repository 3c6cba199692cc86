import { Children, type ReactNode } from 'react';
import styles from './Choices.module.css';

interface Props {
  readonly label?: string;
  readonly children: ReactNode;
}

/** More than these are written smaller, so that all of them stay in sight. */
const MANY = 4;

/** Buttons side by side, of which one is pressed. */
export const Choices = ({ label, children }: Props) => (
  <div
    className={styles.choices}
    role="group"
    aria-label={label}
    data-many={Children.count(children) > MANY || undefined}
  >
    {children}
  </div>
);
