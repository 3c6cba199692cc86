import { createHash, randomBytes } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import type { DutyId, DutyResult } from '@zetalysis/core/upkeep';
import { v7 } from 'uuid';
import { Machine } from '../machines/model';
import { DutyDone, DutyPlan, StoredAddress } from './model';

/** The machines that are there, as far as their upkeep hangs on them. */
export const keptMachines = (ids?: readonly string[]): Promise<Machine[]> =>
  Machine.findAll({
    attributes: ['id', 'label', 'site', 'profile', 'build', 'createdAt'],
    where: ids ? { id: [...ids] } : { gone: false },
    order: ['site', 'label', 'id'],
    raw: true,
  });

interface LastRow {
  readonly machineId: string;
  readonly duty: DutyId;
  readonly day: string;
  readonly result: DutyResult;
}

/** The last time that each duty of each machine was done; of two on one day the one that was written down later. */
export const lastDone = (machine?: string): Promise<LastRow[]> =>
  DutyDone.sequelize!.query<LastRow>(
    `SELECT machineId, duty, DATE_FORMAT(day, '%Y-%m-%d') AS day, result FROM (
       SELECT machineId, duty, day, result, ROW_NUMBER() OVER (PARTITION BY machineId, duty ORDER BY day DESC, createdAt DESC, id DESC) AS n
       FROM duty_records ${machine === undefined ? '' : 'WHERE machineId = :machine'}) last WHERE n = 1`,
    { replacements: { machine }, type: QueryTypes.SELECT },
  );

interface PlanRow {
  readonly machineId: string;
  readonly duty: DutyId;
  readonly every: number;
}

/** What machines have otherwise than their families. */
export const ownPlans = (machine?: string): Promise<PlanRow[]> =>
  DutyPlan.sequelize!.query<PlanRow>(
    `SELECT p.machineId, p.duty, p.every FROM duty_plans p
     JOIN (SELECT MAX(id) AS id FROM duty_plans ${machine === undefined ? '' : 'WHERE machineId = :machine'}
           GROUP BY machineId, duty) newest ON newest.id = p.id WHERE p.every IS NOT NULL`,
    { replacements: { machine }, type: QueryTypes.SELECT },
  );

export const addPlan = (personId: string, machineId: string, duty: DutyId, every: number | null): Promise<unknown> =>
  DutyPlan.create({ id: v7(), machineId, duty, every, personId });

/** So many records of one machine are shown. */
const MOST_RECORDS = 500;

export const recordsOf = (machineId: string): Promise<DutyDone[]> =>
  DutyDone.findAll({
    where: { machineId },
    order: [
      ['day', 'DESC'],
      ['createdAt', 'DESC'],
    ],
    limit: MOST_RECORDS,
    raw: true,
  });

type Done = Pick<DutyDone, 'machineId' | 'duty' | 'day' | 'result' | 'words' | 'by' | 'callId'>;

export const addRecord = (record: Done): Promise<DutyDone> => DutyDone.create({ ...record, id: v7() });

interface OnCall {
  readonly id: string;
  readonly duty: DutyId;
  readonly day: string;
  readonly result: DutyResult;
  readonly words: string;
  readonly by: string;
}

/** What was done on a call, anew from its log: what was taken back there is gone here. */
export async function recordsOfCall(
  callId: string,
  machineId: string,
  done: readonly OnCall[],
  transaction: Transaction,
): Promise<void> {
  await DutyDone.destroy({ where: { callId }, transaction });
  await DutyDone.bulkCreate(
    done.map((d) => ({ ...d, machineId, callId })),
    { transaction },
  );
}

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Makes an address that nobody can guess; the secret is not kept. */
export async function giveAddress(
  address: Pick<StoredAddress, 'kind' | 'label' | 'machineId' | 'personId'>,
): Promise<{ stored: StoredAddress; secret: string }> {
  const secret = randomBytes(32).toString('base64url');
  const stored = await StoredAddress.create({ ...address, id: v7(), hash: hashOf(secret), revokedAt: null });
  return { stored, secret };
}

/** An address that was not revoked, by its secret. */
export const addressBehind = (kind: StoredAddress['kind'], secret: string): Promise<StoredAddress | null> =>
  StoredAddress.findOne({ where: { hash: hashOf(secret), kind, revokedAt: null } });

export const allAddresses = (): Promise<StoredAddress[]> =>
  StoredAddress.findAll({ order: [['id', 'DESC']], raw: true });

/** Gives whether there was one. */
export const revokeAddress = async (id: string): Promise<boolean> =>
  (await StoredAddress.update({ revokedAt: new Date() }, { where: { id, revokedAt: null } }))[0] > 0;
