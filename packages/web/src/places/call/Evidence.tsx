import { lazy, Suspense, useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { Button } from '../../kit/Button';
import styles from './Evidence.module.css';

const ShowPhoto = lazy(() => import('../../photos/ShowPhoto'));

const time = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });

/** The log of the call. Taking something back is an entry of its own; nothing disappears. */
export function Evidence({ view, onUndo }: { view: CallView; onUndo: (id: string) => void }) {
  const [photo, setPhoto] = useState<string>();
  const [all, setAll] = useState(false);
  const lines = [...view.log].filter((l) => !l.takesBack).reverse();
  return (
    <section className={styles.evidence} aria-label="Evidence" data-all={all || undefined}>
      <div className={styles.head}>
        <h2>Log</h2>
        <Button tone="quiet" aria-pressed={all} onClick={() => setAll(!all)}>
          {all ? 'Only the newest' : `All ${lines.length} entries`}
        </Button>
      </div>
      <ol tabIndex={0} aria-label="Entries, newest first">
        {lines.map((l) => (
          <li key={l.id} data-retracted={l.retracted || undefined}>
            <time dateTime={l.at} title={clockWords(l.clockOff)}>
              {time.format(new Date(l.at))}
              {l.clockOff !== undefined && '*'}
            </time>
            <Entry line={l} />
            {l.photo !== undefined && (
              <Button tone="quiet" onClick={() => setPhoto(l.photo)}>
                show
              </Button>
            )}
            {l.undoable && !view.closed && (
              <Button tone="quiet" aria-label={`Take back: ${l.words}`} onClick={() => onUndo(l.id)}>
                undo
              </Button>
            )}
          </li>
        ))}
      </ol>
      {photo !== undefined && (
        <Suspense>
          <ShowPhoto id={photo} onClose={() => setPhoto(undefined)} />
        </Suspense>
      )}
    </section>
  );
}

/** What is said of an entry whose device had a wrong clock. */
function clockWords(off: number | undefined): string | undefined {
  if (off === undefined) return undefined;
  const minutes = Math.max(1, Math.round(Math.abs(off) / 60_000));
  return `By the shop’s clock; the device’s was ${minutes} min ${off > 0 ? 'fast' : 'slow'}`;
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
      {line.marks.map((mark) => (
        <em key={mark} className="problem" data-mark>
          {' '}
          {mark}
        </em>
      ))}
      {line.problem !== undefined && <em className="problem"> Not used: {line.problem}</em>}
    </span>
  );
}
