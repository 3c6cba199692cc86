import { useQuery } from '@tanstack/react-query';
import { http, ServerProblem } from './http';
import type { Me } from '@zetalysis/contract';

const KEPT = 'zetalysis.me';

/** Who is signed in. With the server away, whoever was signed in last on this device goes on working. */
export function useMe() {
  return useQuery({
    queryKey: ['me'],
    queryFn: async (): Promise<Me | null> => {
      try {
        const me = await http('GET /session');
        localStorage.setItem(KEPT, JSON.stringify(me));
        return me;
      } catch (error) {
        if (error instanceof ServerProblem && error.away) return keptMe();
        localStorage.removeItem(KEPT);
        return null;
      }
    },
    staleTime: 60_000,
  });
}

function keptMe(): Me | null {
  const text = localStorage.getItem(KEPT);
  return text === null ? null : (JSON.parse(text) as Me);
}

/** This device's name in the log: made once. */
export function deviceName(): string {
  const key = 'zetalysis.device';
  const kept = localStorage.getItem(key);
  if (kept !== null) return kept;
  const made = `d-${crypto.randomUUID().slice(0, 8)}`;
  localStorage.setItem(key, made);
  return made;
}
