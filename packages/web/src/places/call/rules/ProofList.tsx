import { type ReactNode, useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { can, CONDEMNING, isDone, isDotted, openLines, proofListsFor, STAY } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { LineNumber, type LineProps, ReadAgain, Stay, Tick } from './proof-lines';
import styles from './ProofList.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly view: CallView;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  /** What can be done instead. */
  readonly children?: ReactNode;
}

/** The proof of a repair, line by line: what fits the family and what was touched. Each open line can be tapped to do it. */
export function ProofList({ view, onEvents, children }: Props) {
  const { followed } = useRules();
  const { c, claims } = followed;
  const [at, setAt] = useState<string>();
  const lists = proofListsFor(c.family, c.touched);
  const all = lists.flatMap(({ lines }) => lines);
  const open = openLines(followed);
  // What is read dead is read first, while the power is still off.
  const isDead = view.condemning?.wanted.work === 'ohms' && !c.power;
  const now =
    open.find(({ id }) => id === at) ??
    open.find(({ id }) => isDead && id === CONDEMNING) ??
    open.find(({ by }) => by !== 'temporary-undone');
  const waits = (id: string): boolean => claims.some(({ what }) => what.type === 'proof-line' && what.line === id);
  return (
    <section className={styles.proof} aria-label="Proof of the repair" data-proof>
      <h2>
        {open.length === 0 ? 'Repair proved' : 'Repair proved when all stand'}{' '}
        <span className="fine">
          {all.length - open.length} of {all.length}
        </span>
      </h2>
      {now && <Line key={now.id} line={now} view={view} onEvents={onEvents} />}
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
                    disabled={done || line.by === 'temporary-undone'}
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

/** The line to do now, with what it asks for. */
function Line({ line, view, onEvents }: Pick<LineProps, 'line' | 'view' | 'onEvents'>) {
  const { person } = useRules();
  const leavesOut = can(person, 'does-not-apply', { dot: isDotted(line.id) });
  return (
    <div className={styles.now} role="group" aria-label="Next line of the proof">
      <p>
        <strong>{line.do}</strong>
      </p>
      <LineBody
        line={line}
        view={view}
        onEvents={onEvents}
        onDone={(said = {}) => onEvents([{ type: 'proof-line', line: line.id, answer: 'done', ...said }])}
      />
      {leavesOut !== '-' && (
        <Button
          tone="quiet"
          onClick={() => onEvents([{ type: 'proof-line', line: line.id, answer: 'does-not-apply' }])}
        >
          Does not apply{leavesOut === 'c' && ' (a lead signs)'}
        </Button>
      )}
    </div>
  );
}

function LineBody(props: LineProps) {
  const { line, view } = props;
  if (line.id === STAY) return <Stay {...props} />;
  if (line.id === CONDEMNING && view.condemning) return <ReadAgain {...props} />;
  return line.number ? <LineNumber {...props} /> : <Tick {...props} />;
}
