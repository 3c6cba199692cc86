import { useEffect, useState } from 'react';
import type { CallView, ProofView } from '@zetalysis/core/presentation';
import styles from './Proof.module.css';

/** What a proof of the leading suspect asks for: what of it is met, and by which entries. */
export function Checklist({ items }: { items: CallView['checklist'] }) {
  if (items.length === 0) return null;
  return (
    <ul className={styles.checklist} aria-label="What a proof asks for">
      {items.map((item) => (
        <li key={item.words}>
          <span role="img" aria-label={item.met ? 'Met' : 'Open'}>
            {item.met ? '✓' : '○'}
          </span>{' '}
          {item.words}
          {item.by.length > 0 && <span className="fine"> {item.by.join('; ')}</span>}
        </li>
      ))}
    </ul>
  );
}

interface Props {
  readonly view: CallView;
  readonly repair: string;
  readonly ask: (repair: string) => Promise<ProofView | undefined>;
}

/** The shortest way from here to a proof of one suspect; asked anew whenever what is known changes. */
export function ToProve({ view, repair, ask }: Props) {
  const [proof, setProof] = useState<ProofView>();
  useEffect(() => {
    let current = true;
    void ask(repair).then((found) => current && setProof(found));
    return () => {
      current = false;
    };
    // A new view means new evidence.
  }, [view, repair, ask]);
  if (!proof) return null;
  if (proof.tests.length === 0)
    return (
      <p className="fine">
        {proof.whole
          ? 'Its own tests condemn it; other things that were found leave a doubt. One more of the tests listed settles that.'
          : 'No test of the model can prove it from here.'}
      </p>
    );
  return (
    <div className={styles.way} role="group" aria-label="The way to its proof">
      <p>
        <strong>{proof.whole ? 'To prove it' : 'To prove most of it'}</strong>, if it is so, about{' '}
        {Math.round(proof.minutes)} min:
      </p>
      <ol>
        {proof.tests.map((t) => (
          <li key={t.id}>
            {t.title} <span className="fine">{t.minutes} min</span>
          </li>
        ))}
      </ol>
    </div>
  );
}
