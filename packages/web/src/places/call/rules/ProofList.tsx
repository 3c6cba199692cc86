import { type ReactNode, useState } from 'react';
import { can, isDone, isDotted, lineProblem, openLines, type ProofLine, proofListsFor } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Field } from '../../../kit/Field';
import styles from './ProofList.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly onBody: (body: EventBody) => void;
  /** What can be done instead. */
  readonly children?: ReactNode;
}

/** The proof of a repair, line by line: what fits the family and what was touched. Each open line can be tapped to do it. */
export function ProofList({ onBody, children }: Props) {
  const { followed } = useRules();
  const { c, claims } = followed;
  const [at, setAt] = useState<string>();
  const lists = proofListsFor(c.family, c.touched);
  const all = lists.flatMap(({ lines }) => lines);
  const open = openLines(followed);
  const now = open.find(({ id }) => id === at) ?? open.find(({ by }) => by === undefined);
  const waits = (id: string): boolean => claims.some(({ what }) => what.type === 'proof-line' && what.line === id);
  return (
    <section className={styles.proof} aria-label="Proof of the repair" data-proof>
      <h2>
        {open.length === 0 ? 'Repair proved' : 'Repair proved when all stand'}{' '}
        <span className="fine">
          {all.length - open.length} of {all.length}
        </span>
      </h2>
      {now && <Line key={now.id} line={now} onBody={onBody} />}
      {open.length === 0 && <p>Every line is done. Record the break, then close: repair proved.</p>}
      {lists.map(({ id, title, lines }) => (
        <div key={id} role="group" aria-label={title}>
          <h3>{title}</h3>
          <ul>
            {lines.map((line) => {
              const done = isDone(line, followed);
              const said = followed.proof.get(line.id);
              return (
                <li key={line.id} data-done={done}>
                  <button
                    type="button"
                    disabled={done || line.by !== undefined}
                    aria-current={line.id === now?.id ? 'step' : undefined}
                    onClick={() => setAt(line.id)}
                  >
                    <span aria-hidden>{done ? (said?.answer === 'does-not-apply' ? '–' : '✓') : '○'}</span> {line.do}
                    {line.dot && ' ●'}
                    <span className="fine">
                      {' '}
                      {said?.value !== undefined ? `${said.value} ${line.number?.unit ?? ''}` : line.limit}
                      {waits(line.id) && ' · waits for a countersignature'}
                      {said?.answer === 'does-not-apply' && ' · does not apply'}
                    </span>
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
      ))}
      {children}
    </section>
  );
}

/** The line to do now, with its field where it wants a number. */
function Line({ line, onBody }: Props & { readonly line: ProofLine }) {
  const { person } = useRules();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string>();
  const value = typed.trim() === '' ? undefined : Number(typed.trim().replace(',', '.'));
  const done = (): void => {
    const wrong = lineProblem(line, line.number ? value : undefined);
    setProblem(wrong);
    if (wrong === undefined)
      onBody({ type: 'proof-line', line: line.id, answer: 'done', ...(line.number && { value: value! }) });
  };
  const leavesOut = can(person, 'does-not-apply', { dot: isDotted(line.id) });
  return (
    <div className={styles.now} role="group" aria-label="Next line of the proof">
      <p>
        <strong>{line.do}</strong>
      </p>
      <p>Has to come out: {line.limit}</p>
      <span className={styles.answers}>
        {line.number && (
          <Field
            label={`Read (${line.number.unit})`}
            maxLength={12}
            value={typed}
            problem={problem}
            onChange={setTyped}
          />
        )}
        <Button tone="main" onClick={done}>
          {line.number ? 'Enter' : 'Done'}
        </Button>
        {leavesOut !== '-' && (
          <Button tone="quiet" onClick={() => onBody({ type: 'proof-line', line: line.id, answer: 'does-not-apply' })}>
            Does not apply{leavesOut === 'c' && ' (a lead signs)'}
          </Button>
        )}
      </span>
    </div>
  );
}
