import type { RequestHandler } from 'express';
import { Problem } from './problem';

/** Methods that change nothing. */
const READING: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * A request that changes something has to come from a page of this very server. Browsers always say where one comes from;
 * what says nothing is no browser, and carries nobody's cookies against their will.
 */
export const ownOrigin: RequestHandler = (request, _response, next) => {
  if (!READING.has(request.method) && !fromHere(request.get('origin'), request.host))
    throw new Problem(
      403,
      'From another page',
      'This request came from a page of another server. Open this server’s own page.',
    );
  next();
};

function fromHere(origin: string | undefined, host: string | undefined): boolean {
  if (origin === undefined) return true;
  return URL.canParse(origin) && new URL(origin).host === host;
}
