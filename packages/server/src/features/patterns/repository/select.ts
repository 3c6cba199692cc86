import { QueryTypes } from 'sequelize';
import { StoredFacts } from '../model';

/** Rows of a query; `:name` in it stands for a value. */
export const select = <R extends object>(sql: string, values: Record<string, unknown> = {}): Promise<R[]> =>
  StoredFacts.sequelize!.query<R>(sql, { replacements: values, type: QueryTypes.SELECT });

/** Calls on which something broke. */
export const BROKE = "f.part IS NOT NULL AND f.part <> 'none'";
