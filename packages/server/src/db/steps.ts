import type { QueryInterface } from 'sequelize';

/**
 * Runs statements one after the other. The database ends a transaction at every change of a table, so a migration that is
 * killed stays half done: every statement must be one that may run again.
 */
export const inOrder =
  (q: QueryInterface) =>
  async (...statements: readonly string[]): Promise<void> => {
    for (const statement of statements) await q.sequelize.query(statement);
  };

/** Makes a trigger in place of the one of that name. */
export const replaceTrigger = (q: QueryInterface, name: string, rule: string): Promise<unknown> =>
  q.sequelize.query(`CREATE OR REPLACE TRIGGER ${name} ${rule}`);
