import { useQuery } from '@tanstack/react-query';
import type { CallEvent } from '@zetalysis/core/visit';
import { Link } from 'react-router';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import { profileSource } from '../../store/profiles';
import { GiveLink } from './GiveLink';
import { newSeed, startPractice } from './use-stand';

/** What was proved on a call, hidden in an exercise. */
export function FromCall({ call }: { readonly call: string }) {
  const made = useQuery({
    queryKey: ['exercise-of', call],
    staleTime: Infinity,
    retry: false,
    queryFn: () => linkOf(call),
  });
  return (
    <Block title="An exercise of a call">
      {made.isPending && <Waiting>Building the same machine…</Waiting>}
      {made.isError && <Notice kind="problem">{made.error.message}</Notice>}
      {made.data !== undefined && (
        <>
          <p>
            The machine built as it was, the same fault, and values that read as was measured. Who plays it learns
            nothing of <Link to={`/calls/${call}`}>the call</Link>.
          </p>
          <GiveLink link={made.data} />
        </>
      )}
    </Block>
  );
}

async function linkOf(id: string): Promise<string> {
  const head = await http('GET /calls/:id', { params: { id } });
  const { api, end } = startPractice();
  try {
    const code = await api.fromCall(await profileSource(head.profile), head, await entriesOf(id), newSeed());
    return `/practice/${code}`;
  } finally {
    end();
  }
}

/** All entries of a call, page by page. */
async function entriesOf(id: string): Promise<CallEvent[]> {
  const all: CallEvent[] = [];
  for (let after = 0; ;) {
    const { entries, last } = await http('GET /calls/:id/events', { params: { id }, query: { after: String(after) } });
    all.push(...entries.map(({ event }) => event));
    after = entries.at(-1)?.number ?? last;
    if (after >= last) return all;
  }
}
