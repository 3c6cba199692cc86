import { useEffect, useState } from 'react';
import type { CallView, ProofView } from '@zetalysis/core/presentation';

/** Who may have done it: share as length and number, reasons on demand. */
export function Suspects({
  view,
  whatIf,
  onWhatIf,
  toProve,
}: {
  view: CallView;
  whatIf: string | undefined;
  onWhatIf: (id: string | undefined) => void;
  toProve: (repair: string) => Promise<ProofView | undefined>;
}) {
  const [open, setOpen] = useState<string>();
  return (
    <section className="suspects" aria-label="Suspects" aria-live="polite">
      <h2>Suspects</h2>
      {view.noHypothesisFits && (
        <p className="notice" role="status">
          Nothing the model knows explains all of this well.{' '}
          {view.fitsNothing.length > 0 && `Fits nothing: ${view.fitsNothing.slice(0, 3).join('; ')}. `}
          {view.fitsNothing.length === 0 &&
            view.surprises.length > 0 &&
            `Least explained: ${view.surprises.slice(0, 3).join('; ')}. `}
          Check these entries; the next test is the one that splits most.
        </p>
      )}
      <ol>
        {view.suspects.map((s, i) => (
          <li key={s.repair} className={s.proved ? 'proved' : ''}>
            <button
              type="button"
              className="suspect"
              aria-expanded={open === s.repair}
              onClick={() => setOpen(open === s.repair ? undefined : s.repair)}
            >
              <span className="share">{percent(s.probability)}</span>
              <span className="suspect-words">
                {s.words}
                {s.proved && <strong className="stamp"> proved</strong>}
                <progress max={1} value={s.probability} aria-hidden="true" />
                <span className="fine">{s.repairWords}</span>
              </span>
            </button>
            {open === s.repair && (
              <>
                <button
                  type="button"
                  className="what-if-toggle"
                  aria-pressed={whatIf === s.id}
                  onClick={() => onWhatIf(whatIf === s.id ? undefined : s.id)}
                >
                  {whatIf === s.id ? 'Back to what is known' : 'What if it is so? Show steps and readings'}
                </button>
                {!s.proved && <ToProve key={s.repair} view={view} repair={s.repair} ask={toProve} />}
                {i === 0 && <Checklist items={view.checklist} />}
                <ul className="reasons">
                  {s.reasons.length === 0 && <li>Nothing seen so far speaks for or against it.</li>}
                  {s.reasons.map((r, i) => (
                    <li key={i}>
                      <strong>{r.for ? 'For' : 'Against'}</strong> {r.sentence}
                    </li>
                  ))}
                </ul>
              </>
            )}
          </li>
        ))}
      </ol>
      <p className="fine">
        {view.rest > 0.004 && `All others together ${percent(view.rest)}. `}
        Shares rest on assumed fault rates until the shop’s own record replaces them.
      </p>
    </section>
  );
}

/** What a proof of the leading suspect asks for: what of it is met, and by which entries. */
function Checklist({ items }: { items: CallView['checklist'] }) {
  if (items.length === 0) return null;
  return (
    <ul className="proof-checklist" aria-label="What a proof asks for">
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

/** The shortest way from here to a proof of one suspect; asked anew whenever what is known changes. */
function ToProve({
  view,
  repair,
  ask,
}: {
  view: CallView;
  repair: string;
  ask: (repair: string) => Promise<ProofView | undefined>;
}) {
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
    <div className="to-prove">
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

const percent = (p: number): string => (p > 0.99 ? '> 99 %' : p < 0.01 ? '< 1 %' : `${Math.round(p * 100)} %`);
