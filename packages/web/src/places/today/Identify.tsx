import { IDENTIFY, mayBe, type Identity } from '@zetalysis/core/profile';
import type { ProfileSummary } from '../../api/types';

/** A family, or one variant of it, as something a machine may turn out to be. */
export interface Candidate {
  readonly value: string;
  readonly title: string;
  readonly identity: Identity;
}

export const candidatesOf = (profiles: readonly ProfileSummary[]): Candidate[] =>
  profiles.flatMap((p) => [
    { value: p.id, title: p.title, identity: p.identity },
    ...p.variants.map((v) => ({ value: `${p.id}|${v.id}`, title: `${p.title}: ${v.title}`, identity: v.identity })),
  ]);

interface Props {
  readonly candidates: readonly Candidate[];
  readonly answers: Identity;
  readonly onAnswer: (answers: Identity) => void;
}

/** Questions that anybody can answer in front of the machine; only those that still tell candidates apart are asked. */
export function Identify({ candidates, answers, onAnswer }: Props) {
  const left = candidates.filter((c) => mayBe(c.identity, answers));
  const splits = (id: string): boolean => new Set(left.map((c) => c.identity[id])).size > 1;
  return (
    <fieldset className="identify">
      <legend>What stands there?</legend>
      {IDENTIFY.filter((q) => q.id in answers || splits(q.id)).map((q) => (
        <div key={q.id} className="question">
          <p id={`q-${q.id}`}>{q.ask}</p>
          <div className="choices" role="group" aria-labelledby={`q-${q.id}`}>
            {Object.entries(q.answers).map(([id, title]) => {
              const chosen = answers[q.id] === id;
              const { [q.id]: _old, ...others } = answers;
              return (
                <button
                  key={id}
                  type="button"
                  aria-pressed={chosen}
                  onClick={() => onAnswer(chosen ? others : { ...answers, [q.id]: id })}
                >
                  {title}
                </button>
              );
            })}
          </div>
        </div>
      ))}
      <p role="status" className="fine">
        {left.length === 0
          ? 'No family here answers like that. Take an answer back, or choose by name below.'
          : `${left.length} of ${candidates.length} left.`}
      </p>
    </fieldset>
  );
}
