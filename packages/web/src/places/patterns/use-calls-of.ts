import { useQuery } from '@tanstack/react-query';
import { http } from '../../api/http';

/** A call of somebody's day. */
export interface OfDay {
  readonly call: string;
  readonly over: boolean;
  readonly title: string;
  readonly words: string;
  readonly slot: string;
}

/** The calls of somebody's day; where none is planned, those that are open. */
export function useCallsOf(day: string, van: string) {
  const items = useQuery({ queryKey: ['day', day], queryFn: () => http('GET /days/:day', { params: { day } }) });
  const planned = items.data?.flatMap(({ call, person, over, machine, words, slot }): OfDay[] =>
    call !== null && person === van && !over ? [{ call, over, title: machine?.label ?? '', words, slot }] : [],
  );
  const none = planned?.length === 0;
  const asked = { state: 'open', size: '20', search: '' } as const;
  const open = useQuery({
    queryKey: ['calls', asked],
    enabled: none,
    queryFn: () => http('GET /calls', { query: asked }),
  });
  const anyway = open.data?.calls.map((c): OfDay => ({
    call: c.id,
    over: false,
    title: c.machine?.label ?? '',
    words: c.complaint,
    slot: '',
  }));
  return { calls: none ? anyway : planned, planned: !none, error: items.error ?? open.error };
}
