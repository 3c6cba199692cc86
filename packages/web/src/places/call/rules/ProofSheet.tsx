import { Button } from '../../../kit/Button';
import { useWide } from '../../../kit/use-wide';
import { ProofLines, useProofCount } from './ProofLines';
import { isProving, type ProofRun } from './proof-run';
import styles from './ProofList.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly run: ProofRun;
  readonly onRun: (change: Partial<ProofRun>) => void;
}

/** While a repair is proved its lines stand in the middle of the page, where the circuit stood; one tap brings that back. */
export function ProofSheet({ run, onRun }: Props) {
  const { followed } = useRules();
  const { done, all } = useProofCount();
  if (!useWide() || !isProving(followed, run)) return null;
  if (run.circuit)
    return (
      <Button className={styles.back!} tone="quiet" onClick={() => onRun({ circuit: false })}>
        Lines of the proof: {done} of {all}
      </Button>
    );
  return (
    <section className={styles.sheet} aria-label="Lines of the proof" data-proof-sheet>
      <header>
        <p className={styles.count}>
          {done} of {all}
        </p>
        <p>
          <b>Repair proved when all stand</b>
          <span className="fine">{done === all ? 'All of them stand.' : `${all - done} are open.`}</span>
        </p>
        <Button tone="quiet" onClick={() => onRun({ circuit: true })}>
          The circuit
        </Button>
      </header>
      <ProofLines at={run.at} onChoose={(at) => onRun({ at })} />
    </section>
  );
}
