import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const BY = `personId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL, FOREIGN KEY (personId) REFERENCES people (id)`;

/** Parts that a shop keeps: as they were ever written, every unit that came or went, and how few may lie where. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS stock_items (
       rowId ${ID} NOT NULL PRIMARY KEY, id ${ID} NOT NULL, title VARCHAR(80) NOT NULL, number VARCHAR(40) NOT NULL,
       price DOUBLE NULL, room DOUBLE NULL, fits JSON NOT NULL, ${BY}, INDEX stock_items_newest (id, rowId))`,
    `CREATE TABLE IF NOT EXISTS stock_moves (
       id ${ID} NOT NULL PRIMARY KEY, itemId ${ID} NOT NULL, place ${ID} NOT NULL, units INT NOT NULL, why VARCHAR(10) NOT NULL,
       ${BY}, INDEX stock_moves_held (itemId, place, units))`,
    `CREATE TABLE IF NOT EXISTS stock_least (
       rowId ${ID} NOT NULL PRIMARY KEY, itemId ${ID} NOT NULL, place ${ID} NOT NULL, least INT NOT NULL,
       ${BY}, INDEX stock_least_newest (itemId, place, rowId))`,
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS stock_least',
    'DROP TABLE IF EXISTS stock_moves',
    'DROP TABLE IF EXISTS stock_items',
  );
