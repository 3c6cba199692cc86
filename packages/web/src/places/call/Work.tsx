import { useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onBody: (body: EventBody) => void;
}

/** What is done to the machine: repairs, with the new part measured first or not, and adjustments with where they stood. */
export function Work({ drawing, view, onBody }: Props) {
  const [part, setPart] = useState('');
  const [measured, setMeasured] = useState(false);
  const [adjusted, setAdjusted] = useState({ what: '', original: '', now: '' });
  const [problem, setProblem] = useState<string>();
  const chosen = part === '' ? (view.suspects[0]?.part ?? '') : part;
  const repair = (): void => {
    if (chosen === '') return setProblem('Choose the part that was repaired.');
    setProblem(undefined);
    onBody({ type: 'repaired', part: chosen, action: '', measured });
    setPart('');
    setMeasured(false);
  };
  const adjust = (e: React.FormEvent): void => {
    e.preventDefault();
    const given = { what: adjusted.what.trim(), original: adjusted.original.trim(), now: adjusted.now.trim() };
    if (Object.values(given).includes(''))
      return setProblem('Write what was turned, where it stood and where it stands.');
    setProblem(undefined);
    onBody({ type: 'adjusted', ...given });
    setAdjusted({ what: '', original: '', now: '' });
  };
  return (
    <details className="work">
      <summary>Repaired or adjusted something?</summary>
      <div className="work-row">
        <select aria-label="Part repaired" value={chosen} onChange={(e) => setPart(e.target.value)}>
          <option value="">Part…</option>
          {drawing.parts.map((p) => (
            <option key={p.id} value={p.id}>
              {p.title}
            </option>
          ))}
        </select>
        <label className="check">
          <input type="checkbox" checked={measured} onChange={(e) => setMeasured(e.target.checked)} /> new part measured
          good before fitting
        </label>
        <button type="button" onClick={repair}>
          Repaired: try again
        </button>
      </div>
      <form className="work-row" onSubmit={adjust}>
        {(['what', 'original', 'now'] as const).map((field) => (
          <input
            key={field}
            aria-label={ADJUSTMENT[field]}
            placeholder={ADJUSTMENT[field]}
            maxLength={80}
            value={adjusted[field]}
            onChange={(e) => setAdjusted({ ...adjusted, [field]: e.target.value })}
          />
        ))}
        <button type="submit">Note the adjustment</button>
      </form>
      {view.adjustments.map((a) => (
        <p key={a.event} className="work-row">
          <span>
            {a.what}: was {a.original}, now {a.now}
          </span>
          <button type="button" onClick={() => onBody({ type: 'adjustment-settled', event: a.event, how: 'put-back' })}>
            Put back
          </button>
          <button type="button" onClick={() => onBody({ type: 'adjustment-settled', event: a.event, how: 'kept' })}>
            It stays
          </button>
        </p>
      ))}
      {problem !== undefined && (
        <p role="alert" className="problem">
          {problem}
        </p>
      )}
    </details>
  );
}

const ADJUSTMENT = { what: 'Screw or setting', original: 'Where it stood', now: 'Where it stands now' } as const;
