import type { ReactNode } from 'react';
import styles from './Target.module.css';

interface Props {
  /** What it is and how it stands, for who cannot see the drawing. */
  readonly label: string;
  readonly pressed?: boolean;
  /** The middle of what is tapped. */
  readonly x: number;
  readonly y: number;
  readonly className?: string | undefined;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

/** Something in a drawing that can be tapped, or reached with Tab and pressed with Enter; as large as a thumb. */
export function Target({ label, pressed, x, y, className, onClick, children, ...data }: Props) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={pressed}
      className={`${styles.target} ${className ?? ''}`}
      onClick={onClick}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        onClick();
      }}
      {...data}
    >
      <title>{label}</title>
      <rect className={styles.thumb} x={x - 22} y={y - 22} width="44" height="44" />
      {children}
    </g>
  );
}
