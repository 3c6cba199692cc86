import { useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';

const time = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });

/** The log of the call. Taking something back is an entry of its own; nothing disappears. */
export function Evidence({ view, onUndo }: { view: CallView; onUndo: (id: string) => void }) {
  const [followed, setFollowed] = useState<string>();
  const lines = [...view.log].filter((l) => !l.takesBack).reverse();
  return (
    <section className="evidence" aria-label="Evidence">
      <h2>Evidence</h2>
      <ol tabIndex={0} aria-label="Entries, newest first">
        {lines.map((l) => (
          <li key={l.id} className={l.retracted ? 'retracted' : ''}>
            <time dateTime={l.at}>{time.format(new Date(l.at))}</time>
            <span>
              {l.retracted ? (
                <s>{l.words}</s>
              ) : l.follow.length > 0 ? (
                <button
                  type="button"
                  className="follow"
                  aria-expanded={followed === l.id}
                  title="What each suspect says to it"
                  onClick={() => setFollowed(followed === l.id ? undefined : l.id)}
                >
                  {l.words}
                </button>
              ) : (
                l.words
              )}
              {l.retracted && ' (taken back)'}
              {followed === l.id && (
                <ul className="followed">
                  {l.follow.map((f) => (
                    <li key={f.suspect}>
                      <strong>{f.fits ? '✓ fits' : '✗ does not fit'}</strong> {f.suspect}: would be {f.expected}
                    </li>
                  ))}
                </ul>
              )}
              {l.problem !== undefined && <em className="problem"> Not used: {l.problem}</em>}
            </span>
            {l.undoable && !view.closed && (
              <button type="button" className="quiet" aria-label={`Take back: ${l.words}`} onClick={() => onUndo(l.id)}>
                undo
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
