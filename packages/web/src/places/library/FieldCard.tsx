import { formatDuration } from '@zetalysis/core/units';
import { withVariant } from '@zetalysis/core/profile';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Me } from '@zetalysis/contract';
import type { Guide } from '@zetalysis/core/presentation';
import { AntTheme } from '../../kit/AntTheme';
import { Button } from '../../kit/Button';
import { Failure } from '../../kit/Failure';
import { Waiting } from '../../kit/Waiting';
import styles from './FieldCard.module.css';
import { useGuide } from '../../engine/use-guide';

/** How many of the likeliest faults fit on one page. */
const FAULTS = 14;

/** One page to print, or to save as PDF with the browser's own dialog. */
export default function FieldCard({ me }: { me: Me }) {
  const { id } = useParams<{ id: string }>();
  const [query] = useSearchParams();
  const variant = query.get('variant') ?? undefined;
  const { drawing, guide, problem } = useGuide(id, withVariant(variant), me.units, undefined);
  if (problem !== undefined)
    return (
      <Failure title="This card cannot be written" problem={problem}>
        <Link to="/library">Library</Link>
      </Failure>
    );
  if (!drawing || !guide) return <Waiting>Writing the card…</Waiting>;
  return (
    <main className={styles.page}>
      <p className={styles.tools}>
        <Link to={`/library/${id}${variant === undefined ? '' : `?variant=${variant}`}`}>Back</Link>{' '}
        <AntTheme>
          <Button tone="main" onClick={() => window.print()}>
            Print, or save as PDF
          </Button>
        </AntTheme>
      </p>
      <article className={styles.card}>
        <h1>
          {drawing.title} <span className="fine">profile {drawing.version}</span>
        </h1>
        <ol className={styles.steps}>
          {guide.phases
            .filter((p) => !p.unwanted)
            .map((p) => (
              <li key={p.id}>
                {p.title} <span className="fine">{p.at === undefined ? '' : formatDuration(p.at)}</span>
              </li>
            ))}
        </ol>
        <Points guide={guide} />
        <Tests guide={guide} />
        <ul className={styles.cautions}>
          {guide.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </article>
    </main>
  );
}

/** Steps that fit beside each other on paper. */
const STEPS = 7;

function Points({ guide }: { guide: Guide }) {
  const probed = guide.phases
    .map((p, i) => ({ ...p, i }))
    .filter((p) => !p.unwanted && guide.points.some((x) => x.good[p.i] !== undefined))
    .slice(0, STEPS);
  return (
    <table>
      <thead>
        <tr>
          <th scope="col">Point</th>
          {probed.map((p) => (
            <th key={p.id} scope="col">
              {p.title}
            </th>
          ))}
          <th scope="col">Where</th>
        </tr>
      </thead>
      <tbody>
        {guide.points.map((p) => (
          <tr key={p.net}>
            <th scope="row">
              {p.net}–{p.black}
              {p.line ? ' line' : ''}
            </th>
            {probed.map((phase) => (
              <td key={phase.id}>{p.good[phase.i] ?? '–'}</td>
            ))}
            <td>{p.reach}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Dead tests, codes and the likeliest faults. */
const Tests = ({ guide }: { guide: Guide }) => (
  <div className={styles.columns}>
    <div>
      <h2>Dead tests</h2>
      <ul>
        {guide.deadTests
          .filter((d) => !d.closedContact)
          .map((d) => (
            <li key={d.part}>
              {d.part}: <strong>{d.limits}</strong>
            </li>
          ))}
      </ul>
      {guide.codes.length > 0 && <h2>Codes</h2>}
      <ul>
        {guide.codes.map((c) => (
          <li key={c.id}>
            <strong>{c.id}</strong> {c.title}
          </li>
        ))}
      </ul>
    </div>
    <div>
      <h2>Likeliest faults</h2>
      <ul>
        {guide.faults.slice(0, FAULTS).map((f) => (
          <li key={f.id}>{f.words}</li>
        ))}
      </ul>
    </div>
  </div>
);
