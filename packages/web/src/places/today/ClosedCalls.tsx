import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { http } from '../../api/http';
import { useProfiles } from '../../api/queries';
import { shopTime } from '../../api/server-clock';
import { Strand } from '../../diagrams/Strand';
import { Empty } from '../../kit/Empty';
import { Pages } from '../../kit/Pages';
import { useNow } from '../../kit/use-now';
import { Waiting } from '../../kit/Waiting';
import { CallRow } from './CallRow';

const SIZE = 25;
const FRESH_MS = 60_000;

/** Calls that ended, the newest first: what was found in each, and how it ended. */
export function ClosedCalls({ search }: { search: string }) {
  const profiles = useProfiles().data ?? [];
  const [page, setPage] = useState(1);
  const asked = {
    state: 'closed',
    search,
    page: String(page),
    size: String(SIZE),
    sort: 'opened',
    order: 'down',
  } as const;
  const found = useQuery({
    queryKey: ['calls', asked],
    queryFn: () => http('GET /calls', { query: asked }),
    placeholderData: (before) => before,
  });
  const now = shopTime(useNow(FRESH_MS));
  if (!found.data) return <Waiting>Reading the calls…</Waiting>;
  const { calls, total } = found.data;
  if (total === 0)
    return <Empty>{search === '' ? 'No call was closed yet.' : 'No closed call has these words.'}</Empty>;
  return (
    <>
      <Strand>
        {calls.map((c) => (
          <CallRow key={c.id} call={c} profiles={profiles} now={now} />
        ))}
      </Strand>
      <Pages page={page} size={SIZE} total={total} onPage={setPage} />
    </>
  );
}
