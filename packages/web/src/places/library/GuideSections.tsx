import { formatDuration } from '@zetalysis/core/units';
import { useState } from 'react';
import type { Guide } from '@zetalysis/core/presentation';

/** The cord of an appliance, with the times of a sound one. */
export function Steps({ guide }: { guide: Guide }) {
  return (
    <section aria-label="Sequence">
      <h2>Sequence</h2>
      <ol className="guide-steps">
        {guide.phases.map((p) => (
          <li key={p.id} className={p.unwanted ? 'unwanted' : ''}>
            <strong>{p.title}</strong>{' '}
            <span className="fine">
              {p.unwanted ? 'should not happen' : p.at === undefined ? '' : `after about ${formatDuration(p.at)}`}
            </span>
            <br />
            {p.ask}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** One column for each step. */
export const StepHeads = ({ steps }: { steps: readonly { readonly id: string; readonly title: string }[] }) =>
  steps.map((p) => (
    <th key={p.id} scope="col">
      {p.title}
    </th>
  ));

/** What a meter shows at every point and step of a sound appliance. */
export function Points({ guide }: { guide: Guide }) {
  return (
    <section aria-label="Test points">
      <h2>Test points, sound appliance</h2>
      <div className="wide" tabIndex={0} role="group" aria-label="Table of test points, scrolls sideways">
        <table>
          <thead>
            <tr>
              <th scope="col">Point</th>
              <th scope="col">Where</th>
              <StepHeads steps={guide.phases} />
            </tr>
          </thead>
          <tbody>
            {guide.points.map((p) => (
              <tr key={p.net}>
                <th scope="row">
                  {p.net}–{p.black}
                  {p.line && <span className="line-mark"> line</span>}
                </th>
                <td>{p.reach}</td>
                {p.good.map((g, i) => (
                  <td key={i} className="value">
                    {g ?? '–'}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

export function Values({ guide }: { guide: Guide }) {
  return (
    <section aria-label="Dead tests and gauges">
      <h2>Dead tests, power off and isolated</h2>
      <dl className="pairs">
        {guide.deadTests.map((d) => (
          <div key={d.part}>
            <dt>{d.part}</dt>
            <dd>{d.limits}</dd>
          </div>
        ))}
      </dl>
      {guide.gauges.length > 0 && (
        <>
          <h2>Measured</h2>
          <dl className="pairs">
            {guide.gauges.map((g) => (
              <div key={g.title}>
                <dt title={g.how}>{g.title}</dt>
                <dd>{g.good}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </section>
  );
}

/** Faults by what somebody would see, with a field to look through them. */
export function Faults({ guide }: { guide: Guide }) {
  const [wanted, setWanted] = useState('');
  const words = wanted.toLowerCase().split(/\s+/);
  const shown = guide.faults.filter((f) => {
    const text = `${f.words} ${f.signature.join(' ')}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
  return (
    <section aria-label="Faults">
      <h2>Faults, and what you would see</h2>
      <label className="filter">
        What do you see?
        <input value={wanted} onChange={(e) => setWanted(e.target.value)} placeholder="starts over, code 6, click…" />
      </label>
      {shown.length === 0 && <p>No fault of this appliance looks like that. Try fewer words.</p>}
      <ul className="guide-faults">
        {shown.map((f) => (
          <li key={f.id}>
            <strong>{f.words}</strong> <span className="fine">{Math.max(0.1, f.share * 100).toFixed(1)} %</span>
            <br />
            {f.signature.length === 0 ? 'Shows nothing that can be seen from outside.' : f.signature.join(' · ')}
          </li>
        ))}
      </ul>
    </section>
  );
}

export function CodesAndCautions({ guide }: { guide: Guide }) {
  return (
    <section aria-label="Codes and cautions">
      {guide.codes.length > 0 && (
        <>
          <h2>Codes</h2>
          <dl className="pairs">
            {guide.codes.map((c) => (
              <div key={c.id}>
                <dt>{c.id}</dt>
                <dd>{c.title}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
      <h2>Cautions</h2>
      <ul className="cautions">
        {guide.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </section>
  );
}
