import styles from './BeadMark.module.css';

/** Came; broke off here; runs now; must not go on; did not come or is not reached; not asked yet. */
export type BeadState = 'lit' | 'front' | 'clock' | 'stop' | 'unlit' | 'open';

interface Props {
  readonly state: BeadState;
  /** It was answered with no. */
  readonly missed: boolean;
}

/** A bead in the flue: shape and sign first, colour last. */
export function BeadMark({ state, missed }: Props) {
  if (state === 'lit')
    return (
      <svg className={styles.mark} viewBox="-16 -16 32 32" width="30" height="30" aria-hidden="true">
        <circle r="15" className={styles.glow} />
        <circle r="12" className={styles.fire} />
        <path className={styles.tick} d="M-5.5 .5l4 4 7.5 -9" />
      </svg>
    );
  if (state === 'front')
    return (
      <svg className={styles.mark} viewBox="-22 -22 44 44" width="44" height="44" aria-hidden="true">
        <path className={styles.ray} d="M-19 -9l5 3M19 -9l-5 3M-19 9l5 -3M19 9l-5 -3" />
        <path className={styles.heart} d="M0 -17L15 0L0 17L-15 0Z" />
        <path className={styles.cross} d="M-5.5 -5.5l11 11M5.5 -5.5l-11 11" />
      </svg>
    );
  if (state === 'clock')
    return (
      <svg className={styles.mark} viewBox="-20 -20 40 40" width="36" height="36" aria-hidden="true">
        <circle r="16" className={styles.heart} />
        <path className={styles.cross} d="M0 -9v9l6 5" fill="none" />
      </svg>
    );
  if (state === 'stop')
    return (
      <svg className={styles.mark} viewBox="-20 -20 40 40" width="40" height="40" aria-hidden="true">
        <path className={styles.stop} d="M-8 -18h16l10 10v16L8 18H-8L-18 8V-8z" />
        <path className={styles.bar} d="M-10 0h20" />
      </svg>
    );
  return (
    <svg className={styles.mark} viewBox="-13 -13 26 26" width="26" height="26" aria-hidden="true">
      <circle r="10.5" className={styles.ring} data-dashed={!missed || undefined} />
      {missed && <path className={styles.ring} d="M-4 -4l8 8M4 -4l-8 8" />}
    </svg>
  );
}
