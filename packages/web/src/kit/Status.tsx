import { Tag } from 'antd';
import type { ReactNode } from 'react';
import styles from './Status.module.css';

interface Props {
  /** `good`: settled; `alarm`: look at once; `plain`: so it is. */
  readonly tone?: 'plain' | 'good' | 'alarm';
  readonly children: ReactNode;
}

/** How something stands, in a word or two; framed, so that it is not told by colour alone. */
export const Status = ({ tone = 'plain', children }: Props) => (
  <Tag className={`${styles.status} ${styles[tone]}`}>{children}</Tag>
);
