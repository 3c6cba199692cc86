import type { Request, RequestHandler, Router } from 'express';
import type Joi from 'joi';
import type { TSchema } from '@sinclair/typebox';
import type { AnyEndpoint, Replied, Sent } from '@zetalysis/contract';
import { joiOf } from '@zetalysis/contract/check';
import { validate } from './validate';

/**
 * Serves one endpoint of the contract: what comes in is checked against it, what the handler gives is the reply. Handlers
 * come before it, such as who may.
 */
export function serve<E extends AnyEndpoint>(
  router: Router,
  endpoint: E,
  ...handlers: [...RequestHandler[], (sent: Sent<E>, request: Request) => Promise<Replied<E>> | Replied<E>]
): void {
  const handler = handlers.pop() as (sent: Sent<E>, request: Request) => Promise<Replied<E>>;
  const checks = {
    params: checkOf(endpoint.params),
    query: checkOf(endpoint.query),
    body: checkOf(endpoint.body),
  };
  const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
  router[method](`/api${endpoint.path}`, ...(handlers as RequestHandler[]), async (request, response) => {
    const sent = {
      params: checks.params && validate(checks.params, request.params),
      query: checks.query && validate(checks.query, request.query),
      body: checks.body && validate(checks.body, request.body),
    } as Sent<E>;
    const reply = await handler(sent, request);
    if (endpoint.reply === undefined) response.status(204).end();
    else response.status(endpoint.status ?? 200).json(reply);
  });
}

const checkOf = (schema: TSchema | undefined): Joi.Schema | undefined => schema && joiOf(schema).required();
