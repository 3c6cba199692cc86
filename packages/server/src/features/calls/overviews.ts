import { Op, QueryTypes, type Transaction } from 'sequelize';
import { type Arrived, type Overview, overviewOf } from '@zetalysis/core/visit';
import { retried } from '../../db/retry';
import { Machine } from '../machines/model';
import { Call, StoredOverview } from './model';
import { largestOf, safetyEntries } from './repository';

/** Makes the overview of a call from the entries that matter to it, up to the newest one, and keeps it in place of the old. */
export async function projectOverview(
  call: string,
  safety: readonly Arrived[],
  upTo: number,
  transaction: Transaction,
): Promise<void> {
  const overview = overviewOf(safety, Date.now());
  const before = await StoredOverview.findByPk(call, { attributes: ['callId', 'title', 'openedAt'], transaction });
  const head = before ?? (await headOf(call, transaction));
  await StoredOverview.upsert(
    {
      callId: call,
      upTo,
      title: head.title,
      openedAt: head.openedAt,
      // What ended waiting is still to be done.
      open: overview.state !== 'closed' || overview.waits !== null,
      watch: mustBeWatched(overview),
      dueAt: overview.dueAt === null ? null : new Date(overview.dueAt),
      body: overview,
    },
    { transaction },
  );
}

/** Entries came that change nothing in the overview of a call. */
export const keepOverview = async (call: string, upTo: number, transaction: Transaction): Promise<void> =>
  void (await StoredOverview.update({ upTo }, { where: { callId: call }, transaction }));

const mustBeWatched = ({ state, ending, bypasses, temporary, stops, claims, shown }: Overview): boolean =>
  state === 'late' ||
  ending === 'left-off' ||
  bypasses.length > 0 ||
  stops.length > 0 ||
  claims.length > 0 ||
  (state === 'open' && (shown || temporary.length > 0));

async function headOf(call: string, transaction: Transaction): Promise<{ title: string; openedAt: Date }> {
  const { machineId, profile, createdAt } = (await Call.findByPk(call, { transaction }))!;
  const machine = machineId === null ? null : await Machine.findByPk(machineId, { transaction });
  return { title: machine?.label ?? profile, openedAt: createdAt };
}

/** Throws the overviews away, one at a time, and makes them again from the log. Gives the number of calls. */
export async function rebuildOverviews(): Promise<number> {
  const PAGE = 500;
  for (let done = 0, after = ''; ;) {
    const calls = await Call.findAll({
      attributes: ['id'],
      where: { id: { [Op.gt]: after } },
      order: [['id', 'ASC']],
      limit: PAGE,
    });
    for (const { id } of calls) await makeAgain(id);
    done += calls.length;
    if (calls.length < PAGE) return done;
    after = calls.at(-1)!.id;
  }
}

/** Makes the overviews of calls that have none, such as those of a database from before there were any. */
export async function makeMissingOverviews(): Promise<void> {
  const calls = await Call.sequelize!.query<{ id: string }>(
    'SELECT c.id FROM calls c LEFT JOIN overviews o ON o.callId = c.id WHERE o.callId IS NULL',
    { type: QueryTypes.SELECT },
  );
  for (const { id } of calls) await makeAgain(id);
}

const makeAgain = (call: string): Promise<void> =>
  retried(Call.sequelize!, async (transaction) => {
    // First of all: from here on nobody else writes it, and everything before is seen.
    await StoredOverview.destroy({ where: { callId: call }, transaction });
    const { last } = await largestOf(call, transaction);
    await projectOverview(call, await safetyEntries(call, transaction), last, transaction);
    // What the book knows of it, it need not read again.
    await Call.sequelize!.query(
      'UPDATE overviews o JOIN case_facts f ON f.callId = o.callId SET o.readTo = f.upTo WHERE o.callId = :call',
      { replacements: { call }, transaction },
    );
  });
