import { Link } from 'react-router';
import type { Found, Sought } from '@zetalysis/core/analysis';
import type { ProfileSummary } from '@zetalysis/contract';
import { type Appliance, applianceKey, libraryAddress } from '../../api/appliances';
import { MiniCord } from '../../diagrams/MiniCord';
import { Strand, StrandRow } from '../../diagrams/Strand';
import { Block } from '../../kit/Block';
import { Notice } from '../../kit/Notice';
import styles from './Readings.module.css';
import { useSearch } from './use-search';

interface Props {
  readonly sought: readonly Sought[];
  readonly profiles: readonly ProfileSummary[];
  /** Those that are looked through. */
  readonly among: readonly Appliance[];
}

/** Where readings like these can be: families and variants with the steps and faults that show them. */
export function Readings({ sought, profiles, among }: Props) {
  const { hits, left, problem } = useSearch(sought, among);
  return (
    <Block
      title="Where these readings can be"
      note={
        <span role="status">
          {left > 0
            ? `Looking, ${left} more to go…`
            : hits.length === 0
              ? 'No appliance here shows that at any step, sound or with a single fault.'
              : `Found in ${hits.length} of ${among.length}.`}
        </span>
      }
    >
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      <Strand aria-live="polite">
        {hits.map(({ appliance: a, found }) => (
          <StrandRow key={applianceKey(a)} state="front" className={styles.hit!}>
            <article>
              <h3>
                <Link to={libraryAddress(a)}>{a.title}</Link>
              </h3>
              <Where profile={profiles.find((p) => p.id === a.profile)} found={found} />
              <ul>
                {found.map((f) => (
                  <li key={f.phase}>
                    <strong>{f.phase}</strong>: {f.sound && 'a sound one. '}
                    {f.faults
                      .slice(0, MOST)
                      .map((x) => x.words)
                      .join('; ')}
                    {f.faults.length > MOST && ` and ${f.faults.length - MOST} more`}
                  </li>
                ))}
              </ul>
            </article>
          </StrandRow>
        ))}
      </Strand>
    </Block>
  );
}

const MOST = 4;

/** At which steps it can be. */
function Where({ profile, found }: { profile: ProfileSummary | undefined; found: readonly Found[] }) {
  const wanted = (profile?.phases ?? []).filter((p) => !p.unwanted);
  if (wanted.length === 0) return null;
  const at = wanted.map((p) => found.some((f) => f.phase === p.title));
  return (
    <MiniCord
      steps={at.map((here) => (here ? 'front' : 'unlit'))}
      words={`at ${at.filter(Boolean).length} of ${wanted.length} steps`}
    />
  );
}
