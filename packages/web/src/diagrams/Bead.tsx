import type { BeadView, Drawing } from '@zetalysis/core/presentation';
import { formatDuration } from '@zetalysis/core/units';
import { CordPiece } from './CordPiece';
import styles from './Bead.module.css';

const ANSWERS = [
  { id: 'yes', mark: '✓', words: 'seen' },
  { id: 'no', mark: '×', words: 'not seen' },
  { id: 'unclear', mark: '?', words: 'can’t tell' },
] as const;

export type StepAnswer = (typeof ANSWERS)[number]['id'];

interface Props {
  readonly phase: Drawing['phases'][number];
  readonly bead: BeadView;
  /** It stands behind the step at which the run stopped. */
  readonly beyond: boolean;
  readonly chosen: boolean;
  readonly onAnswer: (answer: StepAnswer) => void;
  readonly onChoose: () => void;
}

/** One step of the sequence: whether it came, when, what was measured, and three answers to tap. */
export function Bead({ phase, bead, beyond, chosen, onAnswer, onChoose }: Props) {
  const state = bead.there ? stateThere(bead.there) : stateOf(bead, beyond, phase.unwanted);
  return (
    <li
      className={styles.bead}
      data-phase={phase.id}
      data-state={state.name}
      data-chosen={chosen || undefined}
      data-stale={bead.stale || undefined}
      data-differs={bead.there?.differs || undefined}
    >
      <CordPiece state={state.name} missed={bead.answer === 'no' && !bead.stale && bead.notYet === undefined} />
      <button
        type="button"
        className={styles.head}
        aria-pressed={chosen}
        onClick={onChoose}
        title={`${phase.title}. ${phase.ask}`}
      >
        <span className={styles.title}>{phase.title}</span>
        <span className={styles.note}>
          <span className={styles.state}>
            {state.words}
            {bead.stale && ', before'}
          </span>
          {/* Where it broke off there is no time to hold against it. */}
          {bead.expectedAt !== undefined && (bead.measuredAt !== undefined || !bead.front) && (
            <span>
              {' '}
              · <span className={styles.whole}>{bead.measuredAt ?? `about ${formatDuration(bead.expectedAt)}`}</span>
            </span>
          )}
          {bead.readings.map((reading, n) => (
            <span key={n} className={styles.readings}>
              {' '}
              · <span className={styles.whole}>{reading}</span>
            </span>
          ))}
        </span>
      </button>
      {bead.there ? (
        <There there={bead.there} />
      ) : (
        <span className={styles.answers} role="group" aria-label={phase.ask}>
          {ANSWERS.map((a) => (
            <button
              key={a.id}
              type="button"
              aria-pressed={bead.answer === a.id && !bead.stale}
              aria-label={`${phase.title}: ${a.words}`}
              onClick={() => onAnswer(a.id)}
            >
              {a.mark}
            </button>
          ))}
        </span>
      )}
    </li>
  );
}

/** What it would do in a suspect's world, beside a sound appliance. */
const There = ({ there: { comes, at, differs } }: { there: NonNullable<BeadView['there']> }) => (
  <span className={styles.there}>
    <b aria-hidden="true">{differs ? '≠' : '='}</b>
    {comes ? (at === undefined ? 'comes' : formatDuration(at)) : 'never'}
  </span>
);

interface State {
  readonly name: 'lit' | 'front' | 'unlit' | 'open';
  readonly words: string;
}

function stateThere({ comes, differs }: NonNullable<BeadView['there']>): State {
  const words = comes ? 'would come' : 'would not come';
  return { name: comes ? 'lit' : 'unlit', words: differs ? `≠ ${words}` : words };
}

function stateOf(bead: BeadView, beyond: boolean, unwanted: boolean): State {
  if (bead.notYet !== undefined) return { name: 'open', words: `not yet after ${formatDuration(bead.notYet)}` };
  if (bead.front) return { name: 'front', words: 'broke off here' };
  if (bead.answer === 'yes') return unwanted ? { name: 'front', words: 'happens' } : { name: 'lit', words: 'proved' };
  if (bead.answer === 'no')
    return unwanted ? { name: 'unlit', words: 'does not happen' } : { name: 'unlit', words: 'did not come' };
  if (bead.answer === 'unclear') return { name: 'open', words: 'can’t tell' };
  if (beyond) return { name: 'unlit', words: 'not reached' };
  if (unwanted) return { name: 'open', words: 'should not happen' };
  return { name: 'open', words: 'not asked' };
}
