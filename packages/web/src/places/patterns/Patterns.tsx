import type { Me } from '@zetalysis/contract';
import { AGES } from '@zetalysis/core/book';
import { useState } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useProfiles } from '../../api/queries';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { AdviceView } from './AdviceView';
import { BreaksView } from './BreaksView';
import styles from './Patterns.module.css';
import { RatesView } from './RatesView';
import { StockView } from './StockView';
import { TrendsView } from './TrendsView';
import { useFilter, useStanding } from './use-patterns';
import { VanView } from './VanView';

const TABS = [
  { to: '/patterns', title: 'Breaks and rates' },
  { to: '/patterns/advice', title: 'Was the advice right' },
  { to: '/patterns/van', title: 'Load the van' },
  { to: '/patterns/stock', title: 'Stock' },
  { to: '/patterns/trends', title: 'Trends' },
] as const;

type Tab = 'breaks' | 'advice' | 'van' | 'stock' | 'trends';

/** What the calls of the shop add up to. */
export default function Patterns({ me, tab }: { readonly me: Me; readonly tab: Tab }) {
  const { standing, problem } = useStanding();
  const [filter] = useFilter();
  const { search } = useLocation();
  const [choosing, setChoosing] = useState(false);
  const chosen = Object.keys(filter).length;
  const ofCalls = tab !== 'van' && tab !== 'stock';
  return (
    <Page
      title="Patterns"
      tools={
        <nav className={styles.tabs} aria-label="Patterns">
          {TABS.map(({ to, title }) => (
            <NavLink key={to} to={`${to}${search}`} end>
              {title}
            </NavLink>
          ))}
        </nav>
      }
      about={
        ofCalls &&
        standing &&
        `${chosen === 0 ? 'All calls' : 'Some calls'} · ${standing.breaks} breaks on ${standing.machines} machines`
      }
      actions={
        ofCalls && (
          <Button onClick={() => setChoosing(true)}>Family, make, age, site{chosen > 0 && ` (${chosen})`}</Button>
        )
      }
      className={styles.place}
    >
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      {ofCalls && standing !== undefined && standing.unread > 0 && (
        <p className={styles.reading} role="status">
          Reading closed calls into the book: {standing.unread} are left.
          <progress value={standing.calls} max={standing.calls + standing.unread} />
        </p>
      )}
      {tab === 'van' && <VanView me={me} />}
      {tab === 'stock' && <StockView me={me} />}
      {tab === 'trends' && <TrendsView units={me.units} filter={filter} />}
      {tab === 'advice' && <AdviceView me={me} filter={filter} />}
      {tab === 'breaks' && (
        <div className={styles.breaks}>
          <BreaksView filter={filter} />
          <RatesView me={me} filter={filter} />
        </div>
      )}
      {choosing && standing && <Chosen standing={standing} onClose={() => setChoosing(false)} />}
    </Page>
  );
}

const ALL = '';

/** Which calls are looked at. */
function Chosen({
  standing,
  onClose,
}: {
  readonly standing: NonNullable<ReturnType<typeof useStanding>['standing']>;
  readonly onClose: () => void;
}) {
  const [filter, change] = useFilter();
  const profiles = useProfiles();
  const titles = new Map((profiles.data ?? []).map((p) => [p.id, p.title]));
  const list = (label: string, key: 'profile' | 'make' | 'site' | 'age', options: readonly [string, string][]) => (
    <Choice
      label={label}
      value={filter[key] ?? ALL}
      options={[{ value: ALL, label: 'All' }, ...options.map(([value, words]) => ({ value, label: words }))]}
      onChange={(value) => change({ [key]: value })}
    />
  );
  const plain = (values: readonly string[]): [string, string][] => values.map((v) => [v, v]);
  return (
    <Dialog title="Which calls" onClose={onClose}>
      <div className={styles.chosen}>
        {list(
          'Family',
          'profile',
          standing.profiles.map((id) => [id, titles.get(id) ?? id]),
        )}
        {list('Make', 'make', plain(standing.makes))}
        {list(
          'Age, years',
          'age',
          AGES.map(({ id }) => [id, id.replace('-', '–')]),
        )}
        {list('Site', 'site', plain(standing.sites))}
        <Field label="From" type="date" value={filter.from ?? ''} onChange={(from) => change({ from })} />
        <Field label="Before" type="date" value={filter.until ?? ''} onChange={(until) => change({ until })} />
        <Button onClick={() => change({ profile: '', make: '', age: '', site: '', person: '', from: '', until: '' })}>
          All calls
        </Button>
      </div>
    </Dialog>
  );
}
