import { isDone, openLines, proofListsFor } from '@zetalysis/core/rules';
import styles from './ProofList.module.css';
import { useRules } from './use-rules';

interface Props {
  /** The line that is done now. */
  readonly at: string | undefined;
  readonly onChoose: (line: string) => void;
}

/** Every line of the proof of a repair: what fits the family and what was touched. Each open one can be tapped to do it. */
export function ProofLines({ at, onChoose }: Props) {
  const { followed } = useRules();
  const { c, claims } = followed;
  const waits = (id: string): boolean => claims.some(({ what }) => what.type === 'proof-line' && what.line === id);
  return proofListsFor(c.family, c.touched).map(({ id, title, lines }) => (
    <div key={id} role="group" aria-label={title} className={styles.list}>
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
                aria-current={line.id === at ? 'step' : undefined}
                onClick={() => onChoose(line.id)}
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
  ));
}

/** How many lines stand, of how many. */
export function useProofCount(): { readonly done: number; readonly all: number } {
  const { followed } = useRules();
  const { c } = followed;
  const all = proofListsFor(c.family, c.touched).flatMap(({ lines }) => lines).length;
  return { done: all - openLines(followed).length, all };
}
