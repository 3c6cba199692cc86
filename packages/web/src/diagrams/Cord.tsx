import type { BeadView, CordView, Drawing } from '@zetalysis/core/presentation';
import { formatQuantity, inSeconds } from '@zetalysis/core/units';

const ANSWERS = [
  { id: 'yes', mark: '✓', words: 'seen' },
  { id: 'no', mark: '✗', words: 'not seen' },
  { id: 'unclear', mark: '?', words: 'can’t tell' },
] as const;

interface Props {
  readonly drawing: Drawing;
  readonly view: CordView;
  /** The chosen step. */
  readonly at: string;
  readonly attempt: number | undefined;
  /** The clock for watching a try. */
  readonly watch: React.ReactNode;
  readonly onAttempt: (attempt: number | undefined) => void;
  readonly onAnswer: (phase: string, answer: 'yes' | 'no' | 'unclear') => void;
  readonly onChoose: (phase: string) => void;
  readonly onEnding: (type: 'outcome' | 'code', id: string) => void;
}

/** The sequence as a cord that burns from the top: beads proved, the burn front where the run stopped, the rest unlit. */
export function Cord({ drawing, view, at, attempt, watch, onAttempt, onAnswer, onChoose, onEnding }: Props) {
  const frontAt = view.beads.findIndex((b) => b.front);
  return (
    <section className="cord" aria-label="Sequence">
      <div className="cord-head">
        <h2>Sequence</h2>
        <select
          value={attempt ?? ''}
          aria-label="Which try the answers are about"
          onChange={(e) => onAttempt(e.target.value === '' ? undefined : Number(e.target.value))}
        >
          <option value="">Any try</option>
          {[1, 2, 3, 4, 5].map((n) => (
            <option key={n} value={n}>
              Try {n}
            </option>
          ))}
        </select>
      </div>
      {watch}
      <ol>
        {drawing.phases.map((phase, i) => {
          const bead = view.beads[i]!;
          const state = bead.there ? stateThere(bead.there) : stateOf(bead, i, frontAt, phase.unwanted);
          return (
            <li
              key={phase.id}
              className={`bead ${state.name}${at === phase.id ? ' chosen' : ''}`}
              data-phase={phase.id}
            >
              <button
                type="button"
                className="bead-head"
                aria-pressed={at === phase.id}
                onClick={() => onChoose(phase.id)}
                title={phase.ask}
              >
                <span className="bead-mark" aria-hidden="true" />
                <span className="bead-title">
                  {phase.title}
                  <span className="bead-note">
                    <span className="bead-state">{state.words}</span>
                    {bead.expectedAt !== undefined && (
                      <span className="bead-time">
                        {' '}
                        ·{' '}
                        <span className="whole">
                          {bead.measuredAt ?? `about ${formatQuantity(Math.round(inSeconds(bead.expectedAt)), 'time')}`}
                        </span>
                      </span>
                    )}
                    {bead.readings.map((reading, n) => (
                      <span key={n} className="bead-readings">
                        {' '}
                        · <span className="whole">{reading}</span>
                      </span>
                    ))}
                  </span>
                </span>
              </button>
              <span className="bead-answers" role="group" aria-label={phase.ask}>
                {ANSWERS.map((a) => (
                  <button
                    key={a.id}
                    type="button"
                    aria-pressed={bead.answer === a.id}
                    aria-label={`${phase.title}: ${a.words}`}
                    onClick={() => onAnswer(phase.id, a.id)}
                  >
                    {a.mark}
                  </button>
                ))}
              </span>
            </li>
          );
        })}
      </ol>
      <div className="endings">
        <label>
          In the end it
          <select
            value={view.ending.outcome ?? ''}
            onChange={(e) => onEnding('outcome', e.target.value)}
            aria-label="How the try ends"
          >
            <option value="" disabled>
              …
            </option>
            {drawing.outcomes.map((o) => (
              <option key={o.id} value={o.id}>
                {o.title}
              </option>
            ))}
          </select>
        </label>
        {drawing.codes.length > 2 && (
          <label>
            Light shows
            <select
              value={view.ending.code ?? ''}
              onChange={(e) => onEnding('code', e.target.value)}
              aria-label="Status light"
            >
              <option value="" disabled>
                …
              </option>
              {drawing.codes.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.title}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
    </section>
  );
}

function stateThere({ comes, differs }: NonNullable<BeadView['there']>): { name: string; words: string } {
  const words = comes ? 'would come' : 'would not come';
  return { name: comes ? 'lit' : 'unlit', words: differs ? `≠ ${words}` : words };
}

function stateOf(bead: BeadView, index: number, frontAt: number, unwanted: boolean): { name: string; words: string } {
  if (bead.front) return { name: 'front', words: 'broke off here' };
  if (bead.answer === 'yes') return unwanted ? { name: 'front', words: 'happens' } : { name: 'lit', words: 'proved' };
  if (bead.answer === 'no')
    return unwanted ? { name: 'unlit', words: 'does not happen' } : { name: 'unlit', words: 'did not come' };
  if (bead.answer === 'unclear') return { name: 'open', words: 'can’t tell' };
  if (frontAt >= 0 && index > frontAt) return { name: 'unlit', words: 'unlit' };
  if (unwanted) return { name: 'open', words: 'should not happen' };
  return { name: 'open', words: 'not asked' };
}
