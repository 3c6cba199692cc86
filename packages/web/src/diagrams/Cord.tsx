import type { CordView, Drawing } from '@zetalysis/core/presentation';
import { Choice } from '../kit/Choice';
import { Bead, type StepAnswer } from './Bead';
import styles from './Cord.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CordView;
  /** The chosen step. */
  readonly at: string;
  readonly attempt: number | undefined;
  /** The clock for watching a try. */
  readonly watch: React.ReactNode;
  readonly onAttempt: (attempt: number | undefined) => void;
  readonly onAnswer: (phase: string, answer: StepAnswer) => void;
  readonly onChoose: (phase: string) => void;
  readonly onEnding: (type: 'outcome' | 'code', id: string) => void;
}

const ANY_TRY = 'any';
const TRIES = [
  { value: ANY_TRY, label: 'Any try' },
  ...[1, 2, 3, 4, 5].map((n) => ({ value: String(n), label: `Try ${n}` })),
];

/** The sequence as a cord that burns from the top: beads proved, the burn front where the run stopped, the rest unlit. */
export function Cord({ drawing, view, at, attempt, watch, onAttempt, onAnswer, onChoose, onEnding }: Props) {
  const frontAt = view.beads.findIndex((b) => b.front);
  return (
    <section className={styles.cord} aria-label="Sequence">
      <div className={styles.head}>
        <h2>Steps</h2>
        {watch}
        <Choice
          label="Which try the answers are about"
          labelHidden
          value={attempt === undefined ? ANY_TRY : String(attempt)}
          options={TRIES}
          onChange={(chosen) => onAttempt(chosen === ANY_TRY ? undefined : Number(chosen))}
        />
      </div>
      <ol className={styles.beads}>
        {drawing.phases.map((phase, i) => (
          <Bead
            key={phase.id}
            phase={phase}
            bead={view.beads[i]!}
            beyond={frontAt >= 0 && i > frontAt}
            chosen={at === phase.id}
            onAnswer={(answer) => onAnswer(phase.id, answer)}
            onChoose={() => onChoose(phase.id)}
          />
        ))}
      </ol>
      <div className={styles.endings}>
        <Choice
          label="How the try ends"
          value={view.ending.outcome}
          placeholder="In the end it…"
          options={drawing.outcomes.map(({ id, title }) => ({ value: id, label: title }))}
          onChange={(id) => onEnding('outcome', id)}
        />
        {drawing.codes.length > 2 && (
          <Choice
            label="Status light"
            value={view.ending.code}
            placeholder="Light shows…"
            options={drawing.codes.map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(id) => onEnding('code', id)}
          />
        )}
      </div>
    </section>
  );
}
