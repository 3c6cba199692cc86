import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { http } from '../../api/http';
import type { CallSummary, Me, ProfileSummary } from '@zetalysis/contract';
import { endingWith } from '@zetalysis/core/rules';
import { buildOf, type CallEvent } from '@zetalysis/core/visit';
import { buildWords } from '../../api/appliances';
import { useProfiles } from '../../api/queries';
import { Button } from '../../kit/Button';
import { Cards } from '../../kit/Cards';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Ring } from '../../kit/Ring';
import { Search } from '../../kit/Search';
import { Status } from '../../kit/Status';
import { type Part, Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { local } from '../../store/local';
import { useNow } from '../../kit/use-now';
import styles from './Today.module.css';
import { isTagged, Leads } from './Leads';
import { Watch } from './Watch';

const day = new Intl.DateTimeFormat('en', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

const FRESH_MS = 15_000;

/** What must not be forgotten first, then the open calls, then what was found in the others. */
export default function Today({ me }: { me: Me }) {
  const watch = useQuery({ queryKey: ['watch'], queryFn: () => http('GET /calls/watch'), refetchInterval: FRESH_MS });
  const open = useQuery({
    queryKey: ['calls', 'open'],
    queryFn: () => http('GET /calls', { query: { state: 'open', size: '100' } }),
    refetchInterval: FRESH_MS,
  });
  const unsent = useQuery({
    queryKey: ['unsent-openings'],
    queryFn: () => local.unsentOpenings(me.name),
    refetchInterval: FRESH_MS,
    gcTime: 0,
  });
  const profiles = useProfiles().data ?? [];
  const navigate = useNavigate();
  const now = useNow(FRESH_MS);
  const error = open.error ?? watch.error;
  const waiting = (unsent.data ?? []).filter((e) => !open.data?.calls.some((c) => c.id === e.call));
  return (
    <Page
      title="Today"
      actions={
        <Button tone="main" onClick={() => void navigate('/calls/new')}>
          Open a call
        </Button>
      }
    >
      {error && <Notice kind="problem">{error.message}</Notice>}
      {me.role === 'lead' && (watch.data ?? []).some(everybodyOut) && <Ring />}
      {gravestFirst((watch.data ?? []).filter((c) => !isTagged(c))).map((c) => (
        <Watch key={c.id} call={c} now={now} />
      ))}
      {watch.data && <Leads calls={watch.data} me={me} />}
      <h2>Open</h2>
      {open.isPending && waiting.length === 0 && <Waiting>Reading the calls…</Waiting>}
      {open.data?.total === 0 && waiting.length === 0 && <Empty>No open calls.</Empty>}
      <Cards>
        {waiting.map((e) => (
          <Unsent key={e.id} opening={e} profiles={profiles} />
        ))}
        {open.data?.calls.map((c) => (
          <Card key={c.id} call={c} profiles={profiles} />
        ))}
      </Cards>
      {open.data && open.data.total > open.data.calls.length && (
        <p className="fine">
          The newest {open.data.calls.length} of {open.data.total} open calls. Look for the others below.
        </p>
      )}
      <h2>All calls</h2>
      <AllCalls profiles={profiles} />
    </Page>
  );
}

const GRAVE = { out: 3, off: 2, hold: 1 } as const;

/** Calls on which people are to be out stand on top, then those that stay off; the rest as they came. */
const gravestFirst = (calls: readonly CallSummary[]): CallSummary[] => {
  const grave = ({ overview }: CallSummary): number => Math.max(0, ...overview.stops.map(({ grade }) => GRAVE[grade]));
  return [...calls].sort((a, b) => grave(b) - grave(a));
};

/** Nobody is to be inside: it rings at every lead until it is cleared. */
const everybodyOut = ({ overview }: CallSummary): boolean => overview.stops.some(({ grade }) => grade === 'out');

interface Named {
  /** Families have their names from here. */
  readonly profiles: readonly ProfileSummary[];
}

/** What a call is called: its machine, or what family it is of where no machine is known. */
const nameOf = (profiles: readonly ProfileSummary[], { machine, profile, build }: CallSummary): string =>
  machine?.label ?? buildWords(profiles, { profile, build });

const Card = ({ call: c, profiles }: Named & { call: CallSummary }) => (
  <li>
    <Link to={`/calls/${c.id}`} className={styles.card}>
      <strong>{nameOf(profiles, c)}</strong>
      <span>{c.machine?.site}</span>
      <q>{c.complaint}</q>
      <span className="fine">
        {c.person}, since {day.format(new Date(c.openedAt))}
      </span>
      <span>{waitsFor(c)}</span>
      <Tags overview={c.overview} />
    </Link>
  </li>
);

/** What an open call waits for, gravest first. */
function waitsFor({ overview: { stops, claims, record } }: CallSummary): string {
  if (stops[0]) return `Stop: ${stops[0].title}`;
  if (claims[0]) return `Waits for a countersignature: ${claims[0].words}`;
  return record ? `Break recorded: ${record.title}. Waits for the proof` : 'Waits for the next test';
}

/** What has to be put back there. */
const Tags = ({ overview: { bypasses, temporary } }: Pick<CallSummary, 'overview'>) =>
  bypasses.length + temporary.length === 0 ? null : (
    <span className={styles.tags}>
      {bypasses.map((b) => (
        <b key={b.id} data-safety>
          {b.title} bypassed
        </b>
      ))}
      {temporary.map(({ title }, i) => (
        <b key={i}>{title}</b>
      ))}
    </span>
  );

/** A call that was opened here and waits to be sent. */
const Unsent = ({ opening: { call, at, body }, profiles }: Named & { opening: CallEvent }) => (
  <li>
    <Link to={`/calls/${call}`} className={styles.card}>
      <strong>{body.type === 'opened' && buildWords(profiles, { profile: body.profile, build: buildOf(body) })}</strong>
      <q>{body.type === 'opened' && body.complaint}</q>
      <span className="fine">{day.format(new Date(at))} · kept on this device, not sent yet</span>
    </Link>
  </li>
);

const SIZE = 10;

function AllCalls({ profiles }: Named) {
  const [search, setSearch] = useState('');
  const [part, setPart] = useState<Part>({ page: 1, sort: 'opened', order: 'down' });
  const asked = {
    search,
    page: String(part.page),
    size: String(SIZE),
    sort: part.sort as 'opened' | 'machine',
    order: part.order,
  };
  const found = useQuery({
    queryKey: ['calls', asked],
    queryFn: () => http('GET /calls', { query: asked }),
    placeholderData: (before) => before,
  });
  return (
    <>
      <Search
        label="Search the calls"
        placeholder="Machine, site, complaint…"
        onSearch={(words) => {
          setSearch(words);
          setPart({ ...part, page: 1 });
        }}
      />
      <Table
        label="All calls, scrolls sideways"
        rows={found.data?.calls ?? []}
        keyOf={(c) => c.id}
        loading={found.isPending}
        empty={search === '' ? 'No call was opened yet.' : 'No call has these words.'}
        paged={{ part, size: SIZE, total: found.data?.total ?? 0, onPart: setPart }}
        columns={[
          {
            title: 'Machine',
            sort: 'machine',
            cell: (c) => <Link to={`/calls/${c.id}`}>{nameOf(profiles, c)}</Link>,
          },
          { title: 'Opened', sort: 'opened', cell: (c) => day.format(new Date(c.openedAt)) },
          { title: 'Person', cell: (c) => c.person },
          { title: 'Complaint', cell: (c) => c.complaint },
          { title: 'Break', cell: ({ overview: { record: r } }) => (r ? `${r.title}: ${r.failure}` : '—') },
          { title: 'Cause', cell: (c) => c.overview.record?.cause ?? '' },
          { title: 'Standing', cell: (c) => <Standing call={c} /> },
        ]}
      />
    </>
  );
}

function Standing({ call: { overview } }: { call: CallSummary }) {
  if (overview.state === 'late') return <Status tone="alarm">open: late entry</Status>;
  if (overview.state === 'open') return <Status>open</Status>;
  const words = endingWith(overview.ending ?? '')?.title ?? overview.record?.standing ?? 'closed';
  return <Status tone={overview.ending === 'proved' ? 'good' : 'plain'}>{words.toLowerCase()}</Status>;
}
