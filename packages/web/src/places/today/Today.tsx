import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { http } from '../../api/http';
import type { CallSummary, Me } from '@zetalysis/contract';
import { useProfiles } from '../../api/queries';
import { shopTime } from '../../api/server-clock';
import { Strand } from '../../diagrams/Strand';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Ring } from '../../kit/Ring';
import { Search } from '../../kit/Search';
import { TICKING, useNow } from '../../kit/use-now';
import { Waiting } from '../../kit/Waiting';
import { Words } from '../../kit/Words';
import { local } from '../../store/local';
import { CallRow, UnsentRow } from './CallRow';
import { Clocks } from './Clocks';
import { ClosedCalls } from './ClosedCalls';
import { Leads } from './Leads';
import { Overdue } from './Overdue';
import { isStopped } from './standing';
import { ToPutBack } from './ToPutBack';
import styles from './Today.module.css';

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

const FRESH_MS = 15_000;

type Shown = 'open' | 'mine' | 'closed';

/** The day at a glance: the calls on their cord, gravest first, and beside it what must not be forgotten. */
export default function Today({ me }: { me: Me }) {
  const [shown, setShown] = useState<Shown>('open');
  const [search, setSearch] = useState('');
  const watch = useQuery({ queryKey: ['watch'], queryFn: () => http('GET /calls/watch'), refetchInterval: FRESH_MS });
  const asked = { state: 'open', size: '100', search } as const;
  const open = useQuery({
    queryKey: ['calls', asked],
    queryFn: () => http('GET /calls', { query: asked }),
    refetchInterval: FRESH_MS,
    placeholderData: (before) => before,
  });
  const navigate = useNavigate();
  const watched = watch.data ?? [];
  const calls = open.data?.calls ?? [];
  const mine = calls.filter((c) => c.person === me.fullName);
  const error = open.error ?? watch.error;
  return (
    <Page
      title={`Today, ${DAY.format(new Date())}`}
      tools={
        <Words
          asTabs
          label="Which calls"
          value={shown}
          options={[
            { id: 'open', title: `All open, ${open.data?.total ?? 0}` },
            { id: 'mine', title: `Mine, ${mine.length}` },
            { id: 'closed', title: 'Closed' },
          ]}
          onChange={setShown}
        />
      }
      actions={
        <>
          <Search label="Search the calls" placeholder="Machine, street, complaint" onSearch={setSearch} />
          <Button tone="main" onClick={() => void navigate('/calls/new')}>
            Open a call
          </Button>
        </>
      }
      className={styles.today}
    >
      <div className={styles.calls}>
        {error && <Notice kind="problem">{error.message}</Notice>}
        {me.role === 'lead' && watched.some(everybodyOut) && <Ring />}
        {shown === 'closed' ? (
          <>
            <Stopped calls={watched.filter(isStopped)} />
            <ClosedCalls key={search} search={search} />
          </>
        ) : (
          <OpenCalls
            me={me}
            calls={withStopped(shown === 'mine' ? mine : calls, watched)}
            pending={open.isPending}
            search={search}
          />
        )}
        {shown !== 'closed' && open.data && open.data.total > calls.length && (
          <p className="fine">
            The newest {calls.length} of {open.data.total} open calls. Look for the others by their words.
          </p>
        )}
      </div>
      <aside className={styles.aside} aria-label="Not to be forgotten">
        <p>
          <Link to="/day">The day’s order</Link> · <Link to="/search">Search everything</Link>
        </p>
        <ToPutBack calls={watched} />
        <Clocks calls={calls} />
        <Overdue />
        {watch.data && <Leads calls={watch.data} me={me} />}
      </aside>
    </Page>
  );
}

function Stopped({ calls }: { calls: readonly CallSummary[] }) {
  const profiles = useProfiles().data ?? [];
  const now = shopTime(useNow(FRESH_MS));
  if (calls.length === 0) return null;
  return (
    <Strand>
      {gravestFirst(calls).map((c) => (
        <CallRow key={c.id} call={c} profiles={profiles} now={now} />
      ))}
    </Strand>
  );
}

interface OpenProps {
  readonly me: Me;
  readonly calls: readonly CallSummary[];
  readonly pending: boolean;
  readonly search: string;
}

/** Calls that are open, those that wait on this device among them. */
function OpenCalls({ me, calls, pending, search }: OpenProps) {
  const profiles = useProfiles().data ?? [];
  const unsent = useQuery({
    queryKey: ['unsent-openings'],
    queryFn: () => local.unsentOpenings(me.name),
    refetchInterval: FRESH_MS,
    gcTime: 0,
  });
  const now = shopTime(useNow(calls.some(({ overview }) => overview.clocks.length > 0) ? TICKING : FRESH_MS));
  const waiting = (unsent.data ?? []).filter((e) => !calls.some((c) => c.id === e.call));
  if (pending && waiting.length === 0) return <Waiting>Reading the calls…</Waiting>;
  if (calls.length + waiting.length === 0)
    return <Empty>{search === '' ? 'No open calls.' : 'No open call has these words.'}</Empty>;
  return (
    <Strand>
      {waiting.map((e) => (
        <UnsentRow key={e.id} opening={e} profiles={profiles} />
      ))}
      {gravestFirst(calls).map((c) => (
        <CallRow key={c.id} call={c} profiles={profiles} now={now} />
      ))}
    </Strand>
  );
}

const GRAVE = { out: 3, off: 2, hold: 1 } as const;

/** Calls on which people are to be out stand on top, then those that stay off; the rest as they came. */
const gravestFirst = (calls: readonly CallSummary[]): CallSummary[] => {
  const grave = ({ overview }: CallSummary): number => Math.max(0, ...overview.stops.map(({ grade }) => GRAVE[grade]));
  return [...calls].sort((a, b) => grave(b) - grave(a));
};

/** A stop stays in sight whatever else is looked at; it stands on calls that were closed, too. */
const withStopped = (calls: readonly CallSummary[], watched: readonly CallSummary[]): CallSummary[] => [
  ...calls,
  ...watched.filter((w) => isStopped(w) && !calls.some((c) => c.id === w.id)),
];

/** Nobody is to be inside: it rings at every lead until it is cleared. */
const everybodyOut = ({ overview }: CallSummary): boolean => overview.stops.some(({ grade }) => grade === 'out');
