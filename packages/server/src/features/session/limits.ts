import type { RequestHandler } from 'express';
import { rateLimit, ipKeyGenerator, type Store } from 'express-rate-limit';
import { QueryTypes, type Sequelize } from 'sequelize';
import { Problem } from '../../http/problem';

const WINDOW_MS = 5 * 60_000;
const MOST_TRIES = 8;

/** Failed sign-ins per name and address, counted in the database so that all server processes share the count. */
export function signInLimit(sequelize: Sequelize): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: MOST_TRIES,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    store: databaseStore(sequelize),
    keyGenerator: (request) => {
      const name: unknown = (request.body as { name?: unknown } | undefined)?.name;
      return `signin|${ipKeyGenerator(request.ip ?? '')}|${typeof name === 'string' ? name.trim().toLowerCase().slice(0, 60) : ''}`;
    },
    handler: (_request, response) => {
      const wait = Number(response.getHeader('retry-after') ?? WINDOW_MS / 1000);
      throw new Problem(429, 'Too many tries', `Too many sign-in tries. Wait ${wait} seconds and try again.`, {
        retryAfter: wait,
      });
    },
  });
}

function databaseStore(sequelize: Sequelize): Store {
  const write = (sql: string, replacements: Record<string, unknown>): Promise<unknown> =>
    sequelize.query(sql, { replacements, type: QueryTypes.INSERT });
  return {
    localKeys: false,
    async increment(key) {
      const now = Date.now();
      await write(
        'INSERT INTO attempts (`key`, hits, expires) VALUES (:key, 1, :end) ON DUPLICATE KEY UPDATE ' +
          'hits = IF(expires < :now, 1, hits + 1), expires = IF(expires < :now, :end, expires)',
        { key, now, end: now + WINDOW_MS },
      );
      const [row] = await sequelize.query<{ hits: number; expires: string }>(
        'SELECT hits, expires FROM attempts WHERE `key` = :key',
        {
          replacements: { key },
          type: QueryTypes.SELECT,
        },
      );
      return { totalHits: row?.hits ?? 1, resetTime: new Date(Number(row?.expires ?? now + WINDOW_MS)) };
    },
    async decrement(key) {
      await sequelize.query('UPDATE attempts SET hits = GREATEST(hits - 1, 0) WHERE `key` = :key', {
        replacements: { key },
        type: QueryTypes.UPDATE,
      });
    },
    async resetKey(key) {
      await sequelize.query('DELETE FROM attempts WHERE `key` = :key', {
        replacements: { key },
        type: QueryTypes.DELETE,
      });
    },
  };
}
