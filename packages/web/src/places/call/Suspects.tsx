import { useState } from 'react';
import type { CallView, ProofView, SuspectView } from '@zetalysis/core/presentation';
import type { CallEvent } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Status } from '../../kit/Status';
import { percent } from './percent';
import { Checklist, ToProve } from './Proof';
import { RatesSaid } from './RatesSaid';
import styles from './Suspects.module.css';

interface Props {
  readonly view: CallView;
  readonly events: readonly CallEvent[] | undefined;
  readonly whatIf: string | undefined;
  readonly onWhatIf: (id: string | undefined) => void;
  readonly toProve: (repair: string) => Promise<ProofView | undefined>;
}

/** So many in a call; what is left is said together. */
const SHOWN = 4;

/** Who may have done it: share as length and number, reasons on demand. */
export function Suspects({ view, events, whatIf, onWhatIf, toProve }: Props) {
  const [open, setOpen] = useState<string>();
  const rest = view.suspects.slice(SHOWN).reduce((sum, s) => sum + s.probability, view.rest);
  return (
    <section className={styles.suspects} aria-label="Suspects" aria-live="polite">
      <div className={styles.head}>
        <h2>Suspects</h2>
        <span className="fine">
          {rest > 0.004 && view.suspects.length >= SHOWN && `others ${percent(rest)}, `}
          <RatesSaid events={events} />
        </span>
      </div>
      {view.noHypothesisFits && (
        <p className="notice" role="status">
          Nothing the model knows explains all of this well. {misfits(view)}
          Check these entries; the next test is the one that splits most.
        </p>
      )}
      <ol className={styles.list}>
        {view.suspects.slice(0, SHOWN).map((s, i) => (
          <li key={s.repair}>
            <Suspect
              suspect={s}
              first={i === 0}
              open={open === s.repair}
              onClick={() => setOpen(open === s.repair ? undefined : s.repair)}
            />
            {open === s.repair && (
              <>
                {s.imaginable && (
                  <Button
                    className={styles.whatIf}
                    aria-pressed={whatIf === s.id}
                    onClick={() => onWhatIf(whatIf === s.id ? undefined : s.id)}
                  >
                    {whatIf === s.id ? 'Back to what is known' : 'What if it is so? Show steps and readings'}
                  </Button>
                )}
                {!s.proved && <ToProve key={s.repair} view={view} repair={s.repair} ask={toProve} />}
                {i === 0 && <Checklist items={view.checklist} />}
                <Reasons reasons={s.reasons} />
              </>
            )}
          </li>
        ))}
        {view.suspects.length > 0 && view.suspects.length < SHOWN && (
          <li data-rest>
            <span className={styles.line}>
              <span className={styles.words}>Anything else</span>
              <span className={styles.share}>{percent(rest)}</span>
            </span>
            <span className={styles.bar} aria-hidden="true">
              <i style={{ width: `${100 * rest}%` }} />
            </span>
          </li>
        )}
      </ol>
    </section>
  );
}

function misfits({ fitsNothing, surprises }: CallView): string {
  if (fitsNothing.length > 0) return `Fits nothing: ${fitsNothing.slice(0, 3).join('; ')}. `;
  return surprises.length > 0 ? `Least explained: ${surprises.slice(0, 3).join('; ')}. ` : '';
}

interface SuspectProps {
  readonly suspect: SuspectView;
  readonly first: boolean;
  readonly open: boolean;
  readonly onClick: () => void;
}

const Suspect = ({ suspect: s, first, open, onClick }: SuspectProps) => (
  <button type="button" className={styles.suspect} aria-expanded={open} data-suspect={s.repair} onClick={onClick}>
    <span className={styles.line} title={`${s.words}: ${s.repairWords}`}>
      <span className={styles.words}>
        {open ? s.words : s.brief} {s.proved && <Status tone="good">proved</Status>}
      </span>
      <span className={styles.share}>{percent(s.probability)}</span>
    </span>
    <span className={styles.bar} aria-hidden="true">
      <i style={{ width: `${100 * s.probability}%` }} />
    </span>
    {(open || first) && (
      <span className={`fine ${styles.repair}`}>
        {s.repairWords}
        {s.remains !== undefined && `; ${s.remains}`}
      </span>
    )}
  </button>
);

/** What speaks for it and against it. */
const Reasons = ({ reasons }: Pick<SuspectView, 'reasons'>) => (
  <ul className={styles.reasons}>
    {reasons.length === 0 && <li>Nothing seen so far speaks for or against it.</li>}
    {reasons.map((r, i) => (
      <li key={i}>
        <strong>{r.for ? 'For' : 'Against'}</strong> {r.sentence}
      </li>
    ))}
  </ul>
);
