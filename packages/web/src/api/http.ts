import type { Contract } from '@zetalysis/contract';
import { sessionKey } from './identity';
import { hearServerClock } from './server-clock';

/** What the server said no with (RFC 9457), or that it could not be reached. */
export class ServerProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    message: string,
  ) {
    super(message);
  }
  /** The server or its database is not there: try again later. */
  get away(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

/** Talks to an endpoint of the contract, named by method and path; throws ServerProblem with words for people. */
export async function http<K extends keyof Contract>(
  endpoint: K,
  given?: Contract[K]['sent'],
): Promise<Contract[K]['reply']> {
  const [method, path] = endpoint.split(' ') as [string, string];
  const {
    params = {},
    query = {},
    body,
  } = (given ?? {}) as {
    params?: Record<string, string>;
    query?: Record<string, string | undefined>;
    body?: unknown;
  };
  const address = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name]!));
  const asked = new URLSearchParams(Object.entries(query).flatMap(([k, v]) => (v === undefined ? [] : [[k, v]])));
  const key = sessionKey();
  const asking = Date.now();
  let response: Response;
  try {
    response = await fetch(`/api${address}${asked.size > 0 ? `?${asked.toString()}` : ''}`, {
      method,
      headers: {
        ...(key === null ? {} : { 'x-session-key': key }),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(8000),
    });
  } catch {
    throw new ServerProblem(
      0,
      'Server not reachable',
      'The server cannot be reached. Go on; what you enter is kept here and sent later.',
    );
  }
  hearServerClock(response, asking);
  if (response.status === 204) return undefined as Contract[K]['reply'];
  const isJson = response.headers.get('content-type')?.includes('json') === true;
  const data: unknown = isJson ? await response.json().catch(() => undefined) : undefined;
  if (response.ok && isJson) return data as Contract[K]['reply'];
  const problem = data as { title?: string; detail?: string } | undefined;
  throw new ServerProblem(
    response.status,
    problem?.title ?? 'No answer',
    problem?.detail ?? `The server answered ${response.status}. Try again later.`,
  );
}
