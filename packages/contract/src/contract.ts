import { calls } from './calls';
import { days } from './day';
import { exchange } from './exchange';
import type { AnyEndpoint, Replied, Sent } from './endpoint';
import { instruments } from './instruments';
import { limits } from './limits';
import { machines } from './machines';
import { patterns } from './patterns';
import { people } from './people';
import { photos } from './photos';
import { practice } from './practice';
import { profiles } from './profiles';
import { search } from './search';
import { session } from './session';
import { shop } from './shop';
import { stock } from './stock';
import { upkeep } from './upkeep';

/** Every endpoint, by resource. */
export const CONTRACT = {
  session,
  people,
  shop,
  profiles,
  machines,
  instruments,
  limits,
  calls,
  photos,
  upkeep,
  exchange,
  days,
  search,
  practice,
  patterns,
  stock,
} as const;

/** Without what is not sent. */
type Given<S> = { readonly [K in keyof S as S[K] extends undefined ? never : K]: S[K] };

/** What an endpoint takes and gives. */
interface Exchange<E> {
  readonly sent: Given<Sent<E>>;
  readonly reply: Replied<E>;
}

type KeyOf<E> = E extends { readonly method: infer M extends string; readonly path: infer P extends string }
  ? `${M} ${P}`
  : never;

type Exchanges<R> = { readonly [N in keyof R as KeyOf<R[N]>]: Exchange<R[N]> };

/** What is sent and what comes back, by method and path, as `GET /machines`: for clients that take types only. */
export interface Contract
  extends
    Exchanges<typeof session>,
    Exchanges<typeof people>,
    Exchanges<typeof shop>,
    Exchanges<typeof profiles>,
    Exchanges<typeof machines>,
    Exchanges<typeof instruments>,
    Exchanges<typeof limits>,
    Exchanges<typeof calls>,
    Exchanges<typeof photos>,
    Exchanges<typeof upkeep>,
    Exchanges<typeof exchange>,
    Exchanges<typeof days>,
    Exchanges<typeof search>,
    Exchanges<typeof practice>,
    Exchanges<typeof patterns>,
    Exchanges<typeof stock> {}

/** The contract as documented JSON Schema: by method and path, what is sent and what comes back. */
export function contractSchema(): Readonly<Record<string, unknown>> {
  const endpoints = Object.values(CONTRACT).flatMap((resource) => Object.values<AnyEndpoint>(resource));
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'What the server and its clients say to each other',
    endpoints: Object.fromEntries(
      endpoints.map(({ method, path, params, query, body, reply, status = reply ? 200 : 204 }) => [
        `${method} /api${path}`,
        { status, params, query, body, reply },
      ]),
    ),
  };
}
