import type { KeptItem, StockItem, StockMove } from '@zetalysis/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import { v7 } from 'uuid';
import { StoredItem, StoredLeast, StoredMove } from './model';

interface HeldRow {
  readonly itemId: string;
  readonly place: string;
  readonly n: number | string;
}

const select = <R extends object>(sql: string, transaction?: Transaction): Promise<R[]> =>
  StoredItem.sequelize!.query<R>(sql, { type: QueryTypes.SELECT, ...(transaction && { transaction }) });

/** The newest of each item, in the order of their names, with what lies where. */
export async function keptItems(): Promise<KeptItem[]> {
  const [items, units, least] = await Promise.all([
    StoredItem.findAll({
      where: {
        rowId: (await select<{ rowId: string }>('SELECT MAX(rowId) AS rowId FROM stock_items GROUP BY id')).map(
          (r) => r.rowId,
        ),
      },
      order: ['title', 'number', 'id'],
    }),
    select<HeldRow>('SELECT itemId, place, SUM(units) AS n FROM stock_moves GROUP BY itemId, place'),
    select<HeldRow>(
      `SELECT l.itemId, l.place, l.least AS n FROM stock_least l
         JOIN (SELECT MAX(rowId) AS rowId FROM stock_least GROUP BY itemId, place) newest ON newest.rowId = l.rowId`,
    ),
  ]);
  const held = new Map<string, Map<string, { units: number; least: number }>>();
  const at = (item: string, place: string): { units: number; least: number } => {
    const places = held.get(item) ?? new Map<string, { units: number; least: number }>();
    held.set(item, places);
    const there = places.get(place) ?? { units: 0, least: 0 };
    places.set(place, there);
    return there;
  };
  for (const { itemId, place, n } of units) at(itemId, place).units = Number(n);
  for (const { itemId, place, n } of least) at(itemId, place).least = Number(n);
  return items.map(({ id, title, number, price, room, fits }) => ({
    id,
    title,
    number,
    price,
    room,
    fits,
    held: [...(held.get(id) ?? [])].map(([place, there]) => ({ place, ...there })),
  }));
}

export const isKept = async (id: string): Promise<boolean> => (await StoredItem.count({ where: { id } })) > 0;

export const writeItem = (personId: string, id: string, item: StockItem): Promise<StoredItem> =>
  StoredItem.create({ ...item, rowId: v7(), id, personId });

export const writeLeast = (personId: string, itemId: string, place: string, least: number): Promise<StoredLeast> =>
  StoredLeast.create({ rowId: v7(), itemId, place, least, personId });

/** Where less than nothing would lie. */
interface Lacking {
  readonly itemId: string;
  readonly place: string;
}

/** Writes moves, all or none; gives where less than nothing would lie then. Others who move the same items wait. */
export async function writeMoves(personId: string, moves: readonly StockMove[]): Promise<Lacking | undefined> {
  const sequelize = StoredMove.sequelize!;
  const transaction = await sequelize.transaction();
  try {
    const ids = [...new Set(moves.map(({ item }) => item))];
    await StoredItem.findAll({
      attributes: ['rowId'],
      where: { id: ids },
      order: ['rowId'],
      lock: transaction.LOCK.UPDATE,
      transaction,
    });
    await StoredMove.bulkCreate(
      moves.map(({ item, place, units, why }) => ({ id: v7(), itemId: item, place, units, why, personId })),
      { transaction },
    );
    const [lacking] = await sequelize.query<Lacking>(
      'SELECT itemId, place FROM stock_moves WHERE itemId IN (:ids) GROUP BY itemId, place HAVING SUM(units) < 0 LIMIT 1',
      { type: QueryTypes.SELECT, replacements: { ids }, transaction },
    );
    await (lacking ? transaction.rollback() : transaction.commit());
    return lacking;
  } catch (error) {
    await transaction.rollback();
    throw error;
  }
}
