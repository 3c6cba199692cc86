import { Alert } from 'antd';
import type { ReactNode } from 'react';
import styles from './Notice.module.css';

interface Props {
  /** `problem`: it did not work, and what to do; `danger`: somebody could be hurt; `caution`: look twice. */
  readonly kind: 'problem' | 'danger' | 'caution';
  readonly children: ReactNode;
  readonly more?: ReactNode;
}

const TYPES = { problem: 'error', danger: 'error', caution: 'warning' } as const;

/** Says something that must not be missed; read out at once. */
export function Notice({ kind, children, more }: Props) {
  return <Alert type={TYPES[kind]} role="alert" className={styles.notice} title={children} description={more} />;
}
