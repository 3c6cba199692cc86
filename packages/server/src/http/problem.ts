import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ConnectionError, DatabaseError, TimeoutError } from 'sequelize';
import { Busy } from '../db/retry';

/** An answer that says what went wrong and what to do about it (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail);
  }
}

/** Problems that come from body parsing, by the parser's own type names. */
const PARSER: Readonly<Record<string, [number, string, string]>> = {
  'entity.too.large': [
    413,
    'Too much at once',
    'The request is larger than this server takes. Send the events in smaller batches.',
  ],
  'entity.parse.failed': [400, 'Not JSON', 'The body is not valid JSON. Send application/json.'],
  'encoding.unsupported': [415, 'Encoding not supported', 'Send the body uncompressed or gzipped.'],
  'charset.unsupported': [415, 'Character set not supported', 'Send UTF-8.'],
};

export const notFound: RequestHandler = (request) => {
  throw new Problem(
    404,
    'No such address',
    `${request.method} ${request.originalUrl.split('?')[0]!} is not known here.`,
  );
};

/** Turns everything thrown into problem details; the stack stays in the log. */
export const problemHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  const problem = asProblem(error);
  if (problem.status >= 500) request.log.error({ failure: inBrief(error) }, problem.title);
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: 'about:blank',
        title: problem.title,
        status: problem.status,
        detail: problem.detail,
        ...problem.extra,
      }),
    );
};

/** What a log may say of an error: kind, codes and where it was; never its message, which may quote statements or people. */
export function inBrief(error: unknown) {
  const { name, code, parent, stack } = error as Error & { code?: string; parent?: { code?: string } };
  return {
    name,
    code: parent?.code ?? code,
    at: stack
      ?.split('\n')
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 12)
      .map((line) => line.trim()),
  };
}

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const parser = PARSER[(error as { type?: string }).type ?? ''];
  if (parser) return new Problem(...parser);
  if (error instanceof URIError)
    return new Problem(400, 'Bad address', 'The address holds a broken percent sign. Correct it and try again.');
  if (error instanceof ConnectionError || error instanceof TimeoutError || isLostConnection(error))
    return new Problem(
      503,
      'Database not reachable',
      'The server cannot reach its database. What you entered is kept on your device; it is sent when the database is back.',
    );
  if (error instanceof Busy)
    return new Problem(
      503,
      'Too busy',
      'Too many are writing at once. What you entered is kept on your device; it is sent again by itself.',
    );
  const status = (error as { status?: unknown }).status;
  // What the framework itself says no to: headers, encodings, bodies cut short.
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem(status, 'Not understood', 'The request cannot be read as it is. Correct it and send it again.');
  return new Problem(
    500,
    'Something broke here',
    'The server failed on this request. What you entered is kept on your device; try again later.',
  );
}

/** A node of a cluster that has lost the others takes nothing in. */
const NODE_ALONE = 1047;
/** What the connector and the database say when the connection went, or the server is going down or not yet up. */
const LOST_CODES = /ECONN|EPIPE|SOCKET|CONNECTION|TIMEOUT|SHUTDOWN|GET_CONNECTION|CMD_CONNECTION/i;

function isLostConnection(error: unknown): boolean {
  const {
    code = '',
    errno,
    fatal = false,
  } = (error instanceof DatabaseError ? error.parent : error) as { code?: string; errno?: number; fatal?: boolean };
  return (
    fatal ||
    errno === NODE_ALONE ||
    LOST_CODES.test(code) ||
    (error instanceof DatabaseError && /socket|closed|Connection/.test(error.message))
  );
}
