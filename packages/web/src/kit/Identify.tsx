import { IDENTIFY, type Identity, mayBe } from '@zetalysis/core/profile';
import type { Appliance } from '../../api/appliances';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import styles from './Identify.module.css';

interface Props {
  readonly candidates: readonly Appliance[];
  readonly answers: Identity;
  readonly onAnswer: (answers: Identity) => void;
}

/** Questions that anybody can answer in front of the machine; only those that still tell candidates apart are asked. */
export function Identify({ candidates, answers, onAnswer }: Props) {
  const left = candidates.filter((c) => mayBe(c.identity, answers));
  const splits = (id: string): boolean => new Set(left.map((c) => c.identity[id])).size > 1;
  return (
    <fieldset className={styles.identify}>
      <legend className={styles.legend}>What stands there?</legend>
      {IDENTIFY.filter((q) => q.id in answers || splits(q.id)).map((q) => (
        <div key={q.id}>
          <p>{q.ask}</p>
          <Choices label={q.ask}>
            {Object.entries(q.answers).map(([id, title]) => {
              const chosen = answers[q.id] === id;
              const { [q.id]: _old, ...others } = answers;
              return (
                <Button
                  key={id}
                  tone={chosen ? 'warn' : 'plain'}
                  aria-pressed={chosen}
                  onClick={() => onAnswer(chosen ? others : { ...answers, [q.id]: id })}
                >
                  {title}
                </Button>
              );
            })}
          </Choices>
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
