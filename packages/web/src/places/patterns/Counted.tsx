import type { ReactNode } from 'react';
import { Button } from '../../kit/Button';
import styles from './Patterns.module.css';
import type { Behind } from './use-patterns';

interface Props {
  readonly behind: Behind;
  readonly onShow: (behind: Behind) => void;
  readonly children: ReactNode;
}

/** A number that leads to the calls it counts. */
export const Counted = ({ behind, onShow, children }: Props) => (
  <Button tone="quiet" className={styles.counted} title={behind.title} onClick={() => onShow(behind)}>
    {children}
  </Button>
);
