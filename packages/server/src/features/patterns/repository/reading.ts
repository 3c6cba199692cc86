import { cameBackFor, type TestFact } from '@zetalysis/core/book';
import { callbacksAmong } from '@zetalysis/core/history';
import { type CreationAttributes, QueryTypes, type Transaction } from 'sequelize';
import { retried } from '../../../db/retry';
import type { MachineLine } from '../facts';
import { StoredFacts, StoredLine, StoredLinesRead, StoredTest, StoredWay } from '../model';
import { select } from './select';

/** The next closed calls of which the book does not know the newest entry, family by family: its engine is warm then. */
export const unreadCalls = async (most: number): Promise<{ callId: string; upTo: number }[]> =>
  select(
    `SELECT o.callId, o.upTo FROM overviews o JOIN calls c ON c.id = o.callId WHERE o.unread = 1
      ORDER BY c.profile, c.profileVersion, o.openedAt DESC, o.callId LIMIT :most`,
    { most },
  );

/** Keeps what a call is worth, in place of what was kept of it. */
export const keepFacts = (
  facts: CreationAttributes<StoredFacts>,
  ways: Readonly<Record<string, number>>,
  tests: readonly TestFact[],
): Promise<void> =>
  retried(StoredFacts.sequelize!, async (transaction) => {
    const { callId, machineId, profile, make, age } = facts;
    await StoredTest.destroy({ where: { callId }, transaction });
    await StoredWay.destroy({ where: { callId }, transaction });
    await StoredFacts.destroy({ where: { callId }, transaction });
    const rows = Object.entries(ways).map(([way, share]) => ({ callId, way, share, profile, make, age }));
    await StoredFacts.create({ ...facts, told: rows.length > 0 }, { transaction });
    if (rows.length > 0) await StoredWay.bulkCreate(rows, { transaction });
    const timed = tests.map(({ test, minutes = null, misled = null }, number) => ({
      callId,
      number,
      profile,
      test: test.slice(0, 120),
      minutes,
      misled,
    }));
    if (timed.length > 0) await StoredTest.bulkCreate(timed, { transaction });
    await StoredFacts.sequelize!.query('UPDATE overviews SET readTo = :upTo WHERE callId = :callId', {
      replacements: { callId, upTo: facts.upTo },
      transaction,
    });
    // What hangs on the other calls of its machine is found out anew.
    if (machineId) await StoredLinesRead.destroy({ where: { machineId }, transaction });
  });

/** Machines of which calls were read since their readings were looked at. */
const UNREAD_MACHINES = `FROM (SELECT machineId, SUM(upTo) AS stamp FROM case_facts WHERE machineId IS NOT NULL GROUP BY machineId) n
  LEFT JOIN machine_lines_read r ON r.machineId = n.machineId WHERE r.stamp IS NULL OR r.stamp <> n.stamp`;

export const unreadMachines = async (most: number): Promise<{ machineId: string; stamp: number }[]> =>
  (
    await select<{ machineId: string; stamp: number | string }>(
      `SELECT n.machineId, n.stamp ${UNREAD_MACHINES} LIMIT :most`,
      {
        most,
      },
    )
  ).map(({ machineId, stamp }) => ({ machineId, stamp: Number(stamp) }));

/** The readings of a machine, or of all of them, mean something else now: they are looked at again. */
export async function linesChanged(machineId?: string): Promise<void> {
  await StoredLinesRead.destroy({ where: machineId === undefined ? {} : { machineId } });
}

/** Keeps where the readings of a machine go, in place of what was kept of it. */
export const keepLines = (machineId: string, stamp: number, lines: readonly MachineLine[]): Promise<void> =>
  retried(StoredLine.sequelize!, async (transaction) => {
    await StoredLine.destroy({ where: { machineId }, transaction });
    await StoredLine.bulkCreate(
      lines.map(({ ahead, lastAt, ...line }) => ({
        ...line,
        machineId,
        lastAt: new Date(lastAt),
        limitValue: ahead?.limit ?? null,
        words: ahead?.words ?? null,
        earliest: ahead ? new Date(ahead.earliest) : null,
        latest: ahead ? new Date(ahead.latest) : null,
      })),
      { transaction },
    );
    await StoredFacts.sequelize!.query(
      `UPDATE case_facts f JOIN (
         SELECT callId, DATEDIFF(openedAt, LAG(openedAt) OVER (PARTITION BY title ORDER BY openedAt)) AS gap
           FROM case_facts WHERE machineId = :machineId) g ON g.callId = f.callId
          SET f.gap = g.gap`,
      { replacements: { machineId }, transaction },
    );
    await keepReturns(machineId, transaction);
    await StoredLinesRead.upsert({ machineId, stamp }, { transaction });
  });

interface VisitRow {
  readonly callId: string;
  readonly createdAt: Date;
  readonly ending: string | null;
  /** Nothing where no break was recorded, or it is not read yet. */
  readonly part: string | null;
  readonly title: string;
  readonly causeTitle: string;
  readonly standing: string;
}

/** After which visits to a machine somebody came back, and why. */
async function keepReturns(machineId: string, transaction: Transaction): Promise<void> {
  const visits = await StoredFacts.sequelize!.query<VisitRow>(
    `SELECT c.id AS callId, c.createdAt, JSON_VALUE(o.body, '$.ending') AS ending, f.part, f.title, f.causeTitle, f.standing
       FROM calls c LEFT JOIN overviews o ON o.callId = c.id LEFT JOIN case_facts f ON f.callId = c.id WHERE c.machineId = :machineId`,
    { replacements: { machineId }, transaction, type: QueryTypes.SELECT },
  );
  const recorded = new Map(
    visits.flatMap((v) => (v.part === null ? [] : [[v.callId, { ...v, part: v.part }] as const])),
  );
  const returns = callbacksAmong(
    visits.map(({ callId, createdAt, ending }) => ({
      id: callId,
      openedAt: new Date(createdAt).toISOString(),
      ending,
    })),
  );
  for (const [callId, visit] of recorded) {
    const by = returns.get(callId)?.by;
    const backFor = by === undefined ? null : cameBackFor(visit, recorded.get(by));
    await StoredFacts.update({ cameBack: by !== undefined, backFor }, { where: { callId }, transaction });
  }
}

/** Calls and machines that are still to be read. */
export async function unreadCount(): Promise<number> {
  const [row] = await select<{ unread: number | string }>(
    `SELECT (SELECT COUNT(*) FROM overviews WHERE unread = 1) + (SELECT COUNT(*) ${UNREAD_MACHINES}) AS unread`,
  );
  return Number(row!.unread);
}
