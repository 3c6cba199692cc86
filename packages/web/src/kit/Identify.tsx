import { IDENTIFY, type Identity, mayBe } from '@zetalysis/core/profile';
import styles from './Identify.module.css';
import { Words } from './Words';

interface Props {
  readonly candidates: readonly { readonly identity: Identity }[];
  readonly answers: Identity;
  readonly onAnswer: (answers: Identity) => void;
}

/** Questions that anybody can answer in front of the machine; only those that still tell candidates apart are asked. */
export function Identify({ candidates, answers, onAnswer }: Props) {
  const left = candidates.filter((c) => mayBe(c.identity, answers));
  const splits = (id: string): boolean => new Set(left.map((c) => c.identity[id])).size > 1;
  const answer = (question: string, id: string): void => {
    const { [question]: old, ...others } = answers;
    onAnswer(old === id ? others : { ...answers, [question]: id });
  };
  return (
    <div className={styles.identify}>
      {IDENTIFY.filter((q) => q.id in answers || splits(q.id)).map((q) => (
        <div key={q.id}>
          <p>{q.ask}</p>
          <Words
            label={q.ask}
            value={answers[q.id]}
            options={Object.entries(q.answers).map(([id, title]) => ({ id, title }))}
            onChange={(id) => answer(q.id, id)}
          />
        </div>
      ))}
      <p role="status" className="fine">
        {left.length === 0
          ? 'No family here answers like that. Take an answer back.'
          : `${left.length} of ${candidates.length} left.`}
      </p>
    </div>
  );
}
