import { QueryTypes } from 'sequelize';
import type { Limit, NewLimit } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { BenchLimit } from './model';

interface Row extends Omit<Limit, 'machine' | 'at'> {
  readonly machineId: string | null;
  readonly createdAt: Date;
}

/** The newest of each, of the shop and of one machine; what was taken back is left out. */
export async function keptLimits(machine: string | undefined): Promise<Limit[]> {
  const rows = await BenchLimit.sequelize!.query<Row>(
    `SELECT l.machineId, l.test, l.measure, l.field, l.typed, l.source, person.name AS \`by\`, l.createdAt FROM bench_limits l
     JOIN (SELECT MAX(id) AS id FROM bench_limits WHERE machineId IS NULL OR machineId = :machine
           GROUP BY machineId, test, measure, field) newest ON newest.id = l.id
     JOIN people person ON person.id = l.personId WHERE l.typed <> '' ORDER BY l.id`,
    { replacements: { machine: machine ?? '' }, type: QueryTypes.SELECT },
  );
  return rows.map(({ machineId, createdAt, ...rest }) => ({
    ...rest,
    machine: machineId,
    at: new Date(createdAt).toISOString(),
  }));
}

export const addLimit = (personId: string, { machine, ...rest }: NewLimit): Promise<BenchLimit> =>
  BenchLimit.create({ ...rest, id: v7(), machineId: machine, personId });
