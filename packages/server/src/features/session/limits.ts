import type { Request, RequestHandler } from 'express';
import { rateLimit, ipKeyGenerator, type Store } from 'express-rate-limit';
import { QueryTypes, type Sequelize } from 'sequelize';
import { retried } from '../../db/retry';
import { Problem } from '../../http/problem';
import { knownDevice } from './known-device';

const WINDOW_MS = 5 * 60_000;

/**
 * Failed tries in five minutes: from one address for one name, from one address for any, for one name from anywhere; and from a
 * device on which the person has signed in before, which has tries of its own that no stranger can use up.
 */
const MOST_TRIES = { pair: 8, address: 60, person: 40, device: 8 };

/** Counts failed tries of a password, in the database, so that all server processes share the counts. */
export function passwordLimits(sequelize: Sequelize, secret: string): RequestHandler[] {
  const store = databaseStore(sequelize);
  const limit = (kind: keyof typeof MOST_TRIES, key: (request: Request) => string | undefined): RequestHandler =>
    rateLimit({
      windowMs: WINDOW_MS,
      limit: MOST_TRIES[kind],
      standardHeaders: false,
      legacyHeaders: false,
      skipSuccessfulRequests: true,
      validate: { unsharedStore: false },
      store,
      skip: (request) => key(request) === undefined,
      keyGenerator: (request) => `${kind}|${key(request)!}`,
      handler: tooMany,
    });
  const stranger = (request: Request): boolean => knownDevice(request, nameOf(request), secret) === undefined;
  const address = (request: Request): string => ipKeyGenerator(request.ip ?? '');
  return [
    limit('device', (request) => knownDevice(request, nameOf(request), secret)),
    limit('pair', (request) => (stranger(request) ? `${address(request)}|${nameOf(request)}` : undefined)),
    limit('address', (request) => (stranger(request) ? address(request) : undefined)),
    limit('person', (request) => (stranger(request) ? nameOf(request) : undefined)),
  ];
}

/** Whose password is tried: whoever is signed in, or else the name that was typed. */
function nameOf(request: Request): string {
  const typed: unknown = (request.body as { name?: unknown } | undefined)?.name;
  const name = (request as Partial<Request>).person?.name ?? (typeof typed === 'string' ? typed : '');
  return name.trim().toLowerCase().slice(0, 60);
}

const tooMany: RequestHandler = (request) => {
  const { resetTime } = (request as { rateLimit?: { resetTime?: Date } }).rateLimit ?? {};
  const wait = Math.max(1, Math.ceil(((resetTime?.getTime() ?? Date.now() + WINDOW_MS) - Date.now()) / 1000));
  request.res!.setHeader('retry-after', String(wait));
  throw new Problem(429, 'Too many tries', `Too many sign-in tries. Wait ${wait} seconds and try again.`, {
    retryAfter: wait,
  });
};

function databaseStore(sequelize: Sequelize): Store {
  const write = (sql: string, replacements: Record<string, unknown>): Promise<unknown> =>
    retried(sequelize, (transaction) => sequelize.query(sql, { replacements, type: QueryTypes.RAW, transaction }));
  return {
    localKeys: false,
    async increment(key) {
      const now = Date.now();
      await write('DELETE FROM attempts WHERE expires < :now ORDER BY expires LIMIT 100', { now });
      await write(
        'INSERT INTO attempts (`key`, hits, expires) VALUES (:key, 1, :end) ON DUPLICATE KEY UPDATE ' +
          'hits = IF(expires < :now, 1, hits + 1), expires = IF(expires < :now, :end, expires)',
        { key, now, end: now + WINDOW_MS },
      );
      const [row] = await sequelize.query<{ hits: number; expires: string }>(
        'SELECT hits, expires FROM attempts WHERE `key` = :key',
        { replacements: { key }, type: QueryTypes.SELECT },
      );
      return { totalHits: row?.hits ?? 1, resetTime: new Date(Number(row?.expires ?? now + WINDOW_MS)) };
    },
    decrement: async (key) =>
      void (await write('UPDATE attempts SET hits = GREATEST(hits - 1, 0) WHERE `key` = :key', { key })),
    resetKey: async (key) => void (await write('DELETE FROM attempts WHERE `key` = :key', { key })),
  };
}
