import { useQuery } from '@tanstack/react-query';
import type { Me } from '@zetalysis/contract';
import { http, ServerProblem } from './http';
import { leave, mustEndSession, rememberMe, sessionEnded, sessionKey, whoIsHere } from './identity';

/** Who is signed in. With the server away, whoever signed in last on this device goes on working. */
export function useMe() {
  return useQuery({
    queryKey: ['me'],
    queryFn: async (): Promise<Me | null> => {
      await endOldSession();
      if (sessionKey() === null) return null;
      try {
        const me = await http('GET /session');
        rememberMe(me);
        return me;
      } catch (error) {
        if (error instanceof ServerProblem && error.status !== 401) return whoIsHere();
        leave();
        return null;
      }
    },
    staleTime: 60_000,
  });
}

let ending: Promise<void> | undefined;

/** Ends the session that somebody signed out of, once; it stays to be ended while the server is away. */
export function endOldSession(): Promise<void> {
  if (!mustEndSession()) return Promise.resolve();
  return (ending ??= http('DELETE /session')
    .then(sessionEnded, () => undefined)
    .finally(() => (ending = undefined)));
}
