import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ConnectionError, DatabaseError, TimeoutError } from 'sequelize';

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
  if (problem.status >= 500) request.log.error({ err: error }, problem.title);
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
  return new Problem(
    500,
    'Something broke here',
    'The server failed on this request. What you entered is kept on your device; try again later.',
  );
}

const isLostConnection = (error: unknown): boolean =>
  error instanceof DatabaseError && /ECONN|socket|closed|timeout|Connection/i.test(error.message);
