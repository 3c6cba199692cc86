import styles from './MiniCord.module.css';

/** What is said of a step: it came; it is the first that did not; nothing. */
export type MiniStep = 'lit' | 'front' | 'unlit';

interface Props {
  /** One for each step of the sequence, in its order. */
  readonly steps: readonly MiniStep[];
  /** The same in words. */
  readonly words: string;
}

const WIDTH = 150;
const [FROM, TO, MIDDLE] = [10, 140, 12];

/** A whole sequence on one line, in a piece of the flue: how far it came. */
export function MiniCord({ steps, words }: Props) {
  const x = (i: number): number => (steps.length < 2 ? FROM : FROM + ((TO - FROM) * i) / (steps.length - 1));
  const reached = steps.findLastIndex((s) => s !== 'unlit');
  return (
    <span className={styles.pill}>
      <svg viewBox={`0 0 ${WIDTH} 24`} width={WIDTH} height="24" role="img" aria-label={words}>
        <path className={styles.cold} d={`M${x(Math.max(0, reached))} ${MIDDLE}H${TO}`} />
        {reached > 0 && <path className={styles.burnt} d={`M${FROM} ${MIDDLE}H${x(reached)}`} />}
        {steps.map((step, i) =>
          step === 'front' ? (
            <path key={i} className={styles.front} d={`M${x(i)} 2l10 10-10 10-10-10z`} />
          ) : (
            <circle key={i} className={styles[step]!} cx={x(i)} cy={MIDDLE} r={step === 'lit' ? 5.5 : 4.5} />
          ),
        )}
      </svg>
    </span>
  );
}
