import type { ReactNode } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { can, CONDEMNING, isDotted, openLines, STAY } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { useWide } from '../../../kit/use-wide';
import { LineNumber, type LineProps, ReadAgain, Stay, Tick } from './proof-lines';
import { ProofLines, useProofCount } from './ProofLines';
import type { ProofRun } from './proof-run';
import styles from './ProofList.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly call: string;
  readonly view: CallView;
  readonly run: ProofRun;
  readonly onRun: (change: Partial<ProofRun>) => void;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  /** What can be done instead. */
  readonly children?: ReactNode;
}

/** The proof of a repair: the line to do now; on a phone all lines below it. */
export function ProofList({ call, view, run, onRun, onEvents, children }: Props) {
  const { followed } = useRules();
  const { c } = followed;
  const { done, all } = useProofCount();
  const wide = useWide();
  const open = openLines(followed);
  // What is read dead is read first, while the power is still off.
  const isDead = view.condemning?.wanted.work === 'ohms' && !c.power;
  const now =
    open.find(({ id }) => id === run.at) ??
    open.find(({ id }) => isDead && id === CONDEMNING) ??
    open.find(({ by }) => by !== 'temporary-undone');
  return (
    <section className={styles.proof} aria-label="Proof of the repair" data-proof>
      <h2>
        {open.length === 0 ? 'Repair proved' : 'Repair proved when all stand'}{' '}
        <span className="fine">
          {done} of {all}
        </span>
      </h2>
      {now && <Line key={now.id} call={call} line={now} view={view} onEvents={onEvents} />}
      {open.length === 0 && <p>Every line is done. Record the break, then close: repair proved.</p>}
      {!wide && <ProofLines at={now?.id} onChoose={(at) => onRun({ at })} />}
      {children}
    </section>
  );
}

/** The line to do now, with what it asks for. */
function Line({ call, line, view, onEvents }: Pick<LineProps, 'call' | 'line' | 'view' | 'onEvents'>) {
  const { person } = useRules();
  const leavesOut = can(person, 'does-not-apply', { dot: isDotted(line.id) });
  return (
    <div className={styles.now} role="group" aria-label="Next line of the proof">
      <p>
        <strong>{line.do}</strong>
      </p>
      <LineBody
        call={call}
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
