import { Link } from 'react-router';
import type { Sought } from '@zetalysis/core/analysis';
import type { ProfileSummary } from '@zetalysis/contract';
import { applianceKey, libraryAddress } from '../../api/appliances';
import { Notice } from '../../kit/Notice';
import styles from './Readings.module.css';
import { useSearch } from './use-search';

interface Props {
  readonly sought: readonly Sought[];
  readonly profiles: readonly ProfileSummary[];
}

/** Where readings like these can be: families and variants with the steps and faults that show them. */
export function Readings({ sought, profiles }: Props) {
  const { hits, left, problem } = useSearch(sought, profiles);
  return (
    <section aria-label="Where these readings can be" aria-live="polite">
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      <p className="fine" role="status">
        {left > 0
          ? `Looking, ${left} more to go…`
          : hits.length === 0
            ? 'No appliance here shows that at any step, sound or with a single fault.'
            : `Found in ${hits.length}.`}
      </p>
      {hits.map(({ appliance: a, found }) => (
        <article key={applianceKey(a)} className={styles.hit}>
          <h2>
            <Link to={libraryAddress(a)}>{a.title}</Link>
          </h2>
          <ul>
            {found.map((f) => (
              <li key={f.phase}>
                <strong>{f.phase}</strong>: {f.sound && 'a sound one. '}
                {f.faults
                  .slice(0, 4)
                  .map((x) => x.words)
                  .join('; ')}
                {f.faults.length > 4 && ` and ${f.faults.length - 4} more`}
              </li>
            ))}
          </ul>
        </article>
      ))}
    </section>
  );
}
