import { useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { Button } from '../../kit/Button';
import styles from './Evidence.module.css';

const time = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });

/** The log of the call. Taking something back is an entry of its own; nothing disappears. */
export function Evidence({ view, onUndo }: { view: CallView; onUndo: (id: string) => void }) {
  const lines = [...view.log].filter((l) => !l.takesBack).reverse();
  return (
    <section className={styles.evidence} aria-label="Evidence">
      <h2>Evidence</h2>
      <ol tabIndex={0} aria-label="Entries, newest first">
        {lines.map((l) => (
          <li key={l.id} data-retracted={l.retracted || undefined}>
            <time dateTime={l.at}>{time.format(new Date(l.at))}</time>
            <Entry line={l} />
            {l.undoable && !view.closed && (
              <Button tone="quiet" aria-label={`Take back: ${l.words}`} onClick={() => onUndo(l.id)}>
                undo
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** One entry in words; of a finding, on demand, what each suspect says to it. */
function Entry({ line }: { line: CallView['log'][number] }) {
  const [followed, setFollowed] = useState(false);
  return (
    <span className={styles.entry}>
      {line.retracted ? (
        <>
          <s>{line.words}</s> (taken back)
        </>
      ) : line.follow.length > 0 ? (
        <button
          type="button"
          className={styles.follow}
          aria-expanded={followed}
          title="What each suspect says to it"
          onClick={() => setFollowed(!followed)}
        >
          {line.words}
        </button>
      ) : (
        line.words
      )}
      {followed && !line.retracted && (
        <ul>
          {line.follow.map((f) => (
            <li key={f.suspect}>
              <strong>{f.fits ? '✓ fits' : '✗ does not fit'}</strong> {f.suspect}: would be {f.expected}
            </li>
          ))}
        </ul>
      )}
      {line.problem !== undefined && <em className="problem"> Not used: {line.problem}</em>}
    </span>
  );
}
