import type { Static, TObject, TSchema } from '@sinclair/typebox';

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** One address of the server: what goes in and what comes back, declared once. */
export interface Endpoint<
  M extends Method,
  Path extends string,
  Params extends TObject | undefined,
  Query extends TObject | undefined,
  Body extends TSchema | undefined,
  Reply extends TSchema | undefined,
> {
  readonly method: M;
  /** Behind `/api`; `:name` is a parameter. */
  readonly path: Path;
  readonly params: Params;
  readonly query: Query;
  readonly body: Body;
  /** Nothing for an answer without contents (204). */
  readonly reply: Reply;
  /** 200, or 204 without contents, when nothing is said. */
  readonly status?: number;
}

/** Any endpoint, for those who only look through them. */
export type AnyEndpoint = Endpoint<
  Method,
  string,
  TObject | undefined,
  TObject | undefined,
  TSchema | undefined,
  TSchema | undefined
>;

/** Declares an endpoint; what it does not have is left out. */
export const endpoint = <
  const M extends Method,
  const Path extends string,
  Params extends TObject | undefined = undefined,
  Query extends TObject | undefined = undefined,
  Body extends TSchema | undefined = undefined,
  Reply extends TSchema | undefined = undefined,
>(
  e: { readonly method: M; readonly path: Path; readonly status?: number } & Partial<
    Endpoint<M, Path, Params, Query, Body, Reply>
  >,
): Endpoint<M, Path, Params, Query, Body, Reply> => ({
  params: undefined as Params,
  query: undefined as Query,
  body: undefined as Body,
  reply: undefined as Reply,
  ...e,
});

type Of<E, K extends string> = E extends { readonly [k in K]: infer S }
  ? S extends TSchema
    ? Static<S>
    : undefined
  : undefined;

/** What is sent to an endpoint. */
export interface Sent<E> {
  readonly params: Of<E, 'params'>;
  readonly query: Of<E, 'query'>;
  readonly body: Of<E, 'body'>;
}

/** What comes back from it. */
export type Replied<E> = Of<E, 'reply'>;
