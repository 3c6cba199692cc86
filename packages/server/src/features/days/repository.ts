import type { Transaction } from 'sequelize';
import { v7 } from 'uuid';
import { retried } from '../../db/retry';
import { StoredDayItem } from './model';

const ORDER = ['position', 'id'];
/** Between the positions of two items. */
const STEP = 10;

/** What everybody has to do on a day, each in their order. */
export const itemsOn = (day: string): Promise<StoredDayItem[]> =>
  StoredDayItem.findAll({ where: { day }, order: ['personId', ...ORDER], raw: true });

export const itemWith = (id: string): Promise<StoredDayItem | null> => StoredDayItem.findByPk(id);

export const removeRow = (item: StoredDayItem): Promise<void> => item.destroy();

type NewRow = Pick<StoredDayItem, 'day' | 'personId' | 'callId' | 'machineId' | 'duty' | 'slot' | 'priority' | 'words'>;

/** Puts an item last in a day; a call leaves the day on which it stood. */
export const addRow = (row: NewRow): Promise<StoredDayItem> =>
  retried(StoredDayItem.sequelize!, async (transaction) => {
    const { day, personId, callId } = row;
    if (callId !== null) await StoredDayItem.destroy({ where: { callId }, transaction });
    const position = (await lastOf(day, personId, transaction)) + STEP;
    return StoredDayItem.create({ ...row, id: v7(), position }, { transaction });
  });

type Moved = Pick<StoredDayItem, 'day' | 'personId' | 'slot' | 'priority'>;

/** Moves an item before another one, or last. Gives whether the other one is on that day. */
export const moveRow = (item: StoredDayItem, to: Moved, before: string | null): Promise<boolean> =>
  retried(StoredDayItem.sequelize!, async (transaction) => {
    const { day, personId } = to;
    const all = await StoredDayItem.findAll({ where: { day, personId }, order: ORDER, transaction });
    const others = all.filter((other) => other.id !== item.id);
    const at = before === null ? others.length : others.findIndex((other) => other.id === before);
    if (at < 0) return false;
    item.set(to);
    // The whole day is numbered anew: it is short.
    for (const [i, other] of [...others.slice(0, at), item, ...others.slice(at)].entries())
      await other.set({ position: (i + 1) * STEP }).save({ transaction });
    return true;
  });

const lastOf = async (day: string, personId: string, transaction: Transaction): Promise<number> =>
  (await StoredDayItem.max<number | null, StoredDayItem>('position', { where: { day, personId }, transaction })) ?? 0;
