import type { Verdict } from '@zetalysis/core/bench';
import styles from './VerdictMark.module.css';

interface Props {
  readonly verdict: Verdict;
  readonly small?: boolean;
}

/** Good, marginal, bad or to be repeated: a sign first, a colour last. */
export const VerdictMark = ({ verdict, small = false }: Props) => (
  <svg
    className={styles.mark}
    data-verdict={verdict}
    viewBox="-32 -32 64 64"
    width={small ? 18 : 60}
    height={small ? 18 : 60}
    role="img"
    aria-label={verdict === 'repeat' ? 'repeat it' : verdict}
  >
    {verdict === 'bad' ? (
      <path d="M-13 -30h26l17 17v26l-17 17h-26l-17 -17v-26z" />
    ) : verdict === 'marginal' ? (
      <path d="M0 -30l30 30l-30 30l-30 -30z" />
    ) : (
      <circle r="29" />
    )}
    <path className={styles.sign} d={SIGNS[verdict]} />
  </svg>
);

const SIGNS: Readonly<Record<Verdict, string>> = {
  good: 'M-13 1l9 10l18 -20',
  marginal: 'M0 -14v17M0 12v1',
  bad: 'M-11 -11l22 22M11 -11l-22 22',
  repeat: 'M12 -4a13 13 0 1 0 0 9M13 -15v12h-12',
};
