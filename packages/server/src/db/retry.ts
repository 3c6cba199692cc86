import { DatabaseError, UniqueConstraintError, type Sequelize, type Transaction } from 'sequelize';

/** How often something is tried before the database counts as too busy. */
const MOST_TRIES = 40;
/** What the database says when two transactions met: deadlock, lock wait, record changed since it was read. */
const CONFLICTS: ReadonlySet<number | undefined> = new Set([1213, 1205, 1020]);

/** The database was too busy with others to take this in; nothing of it was stored. */
export class Busy extends Error {}

/**
 * Runs a transaction again, from its start, when it met another: nobody waits for locks, so it holds on a database of several
 * nodes as well. `work` reads everything anew each time. Throws `Busy` when it never got through.
 */
export async function retried<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await sequelize.transaction(work);
    } catch (error) {
      if (!isConflict(error)) throw error;
      if (tries === MOST_TRIES) throw new Busy('too many writers at once', { cause: error });
      await new Promise((resolve) => setTimeout(resolve, Math.random() * Math.min(200, 4 * tries)));
    }
  }
}

const isConflict = (error: unknown): boolean =>
  error instanceof UniqueConstraintError ||
  (error instanceof DatabaseError && CONFLICTS.has((error.parent as { errno?: number }).errno));
