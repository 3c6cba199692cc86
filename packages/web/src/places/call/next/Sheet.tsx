import type { ReactNode } from 'react';
import { type Instruction, instructionWords } from '@zetalysis/core/presentation';
import { useReadAloud } from '../../../kit/use-speech';
import styles from './Sheet.module.css';

interface Props {
  readonly title?: string;
  /** What stands beside the title. */
  readonly beside?: ReactNode;
  /** The one thing to do. */
  readonly says: Instruction | string;
  /** What the last answer came to, read aloud before it. */
  readonly result?: string;
  readonly busy?: boolean;
  readonly children?: ReactNode;
}

/** The raised sheet that the thing to do stands on; there is one on the screen. */
export function Sheet({ title = 'Next test', beside, says, result = '', busy = false, children }: Props) {
  const { before, act, how } = typeof says === 'string' ? { before: '', act: says, how: '' } : says;
  useReadAloud(busy ? '' : `${result} ${instructionWords({ before, act, how })}`.trim());
  return (
    <section className={styles.next} aria-label="Next test" aria-busy={busy}>
      <h2>
        {title} {beside !== undefined && <span className="fine">{beside}</span>}
      </h2>
      <div data-instruction>
        {before !== '' && <p className={styles.how}>{before}</p>}
        <p className={styles.instruction}>{act}</p>
        {how !== '' && <p className={styles.how}>{how}</p>}
      </div>
      {children}
    </section>
  );
}
