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

/** Talks to the server; throws ServerProblem with words for people. */
export async function http<T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
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
  if (response.status === 204) return undefined as T;
  const isJson = response.headers.get('content-type')?.includes('json') === true;
  const data: unknown = isJson ? await response.json().catch(() => undefined) : undefined;
  if (response.ok && isJson) return data as T;
  const problem = data as { title?: string; detail?: string } | undefined;
  throw new ServerProblem(
    response.status,
    problem?.title ?? 'No answer',
    problem?.detail ?? `The server answered ${response.status}. Try again later.`,
  );
}
