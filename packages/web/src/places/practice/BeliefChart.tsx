import type { LessonView } from '@zetalysis/core/presentation';
import { CordPiece } from '../../diagrams/CordPiece';
import styles from './Lesson.module.css';

interface Props {
  readonly rows: readonly string[];
  /** Parts of the chain, in the order of the circuit. */
  readonly chain: readonly string[];
  readonly moves: LessonView['moves'];
}

const ROW = 64;
const WIDTH = 300;

/** Move by move: the bead, what was done, the shares of what could be believed as bands that flow down, what it told, what was best. */
export function BeliefChart({ rows, chain, moves }: Props) {
  const height = moves.length * ROW;
  const edges = moves.map(({ believed }) =>
    believed.reduce<number[]>((sums, share) => [...sums, sums.at(-1)! + share], [0]),
  );
  const band = (row: number): string => {
    const left = edges.map((e, i) => ({ x: e[row]! * WIDTH, y: i * ROW + ROW / 2 }));
    const right = edges.map((e, i) => ({ x: e[row + 1]! * WIDTH, y: i * ROW + ROW / 2 })).reverse();
    return `M${[...left, ...right].map(({ x, y }) => `${x.toFixed(1)} ${y}`).join('L')}Z`;
  };
  return (
    <>
      <ul className={styles.legend} aria-label="What the bands are">
        {rows.map((title, i) => (
          <li key={title} data-row={i}>
            {title}
          </li>
        ))}
        <li data-chain>chain: {chain.join(' · ')}</li>
      </ul>
      <div className={styles.flow}>
        <svg
          className={styles.bands}
          viewBox={`0 0 ${WIDTH} ${height}`}
          width={WIDTH}
          height={height}
          role="img"
          aria-label={`Belief after each move. ${rows[0]} goes from ${percent(moves[0]?.believed[0])} to ${percent(moves.at(-1)?.believed[0])}.`}
        >
          {rows.map((title, i) => (
            <path key={title} data-row={i} d={band(i)} />
          ))}
        </svg>
        <ol className={styles.list} aria-label="Your moves">
          {moves.map((m) => (
            <li key={m.move} style={{ height: ROW }}>
              <CordPiece state={m.idle ? 'open' : 'lit'} />
              <span className={styles.words}>
                {m.words}
                <small>
                  {Math.floor(m.at / 60_000)} min
                  {m.idle && ', counted for nothing: something had to come first'}
                </small>
              </span>
              <span className={styles.space} />
              <span className={styles.told}>
                <b>
                  {m.bits === undefined ? '' : m.bits.toFixed(1)}
                  {m.perMinute !== undefined && m.test && <small>{m.perMinute.toFixed(1)} a minute</small>}
                </b>
                <span data-other={m.best !== undefined || undefined}>
                  {!m.test || m.bits === undefined
                    ? ''
                    : m.best === undefined
                      ? 'the best there was'
                      : `Best: ${m.best}`}
                </span>
                <ChainLeft left={m.left} />
              </span>
            </li>
          ))}
        </ol>
      </div>
    </>
  );
}

/** The chain as it splits: parts that could still be it are filled. */
const ChainLeft = ({ left }: { readonly left: readonly boolean[] }) => (
  <svg
    className={styles.chain}
    viewBox={`0 0 ${Math.max(1, left.length) * LINK} 12`}
    width={left.length * LINK}
    height={12}
    role="img"
    aria-label={`${left.filter(Boolean).length} of ${left.length} parts of the chain are left`}
  >
    {left.map((still, i) => (
      <rect key={i} x={i * LINK + 1} y={2} width={LINK - 2} height={8} rx={2} data-left={still || undefined} />
    ))}
  </svg>
);

const LINK = 8;

const percent = (share = 0): string => `${Math.round(share * 100)} percent`;
