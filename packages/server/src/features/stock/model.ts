import { stockFields, type StockItem, type StockReason } from '@zetalysis/contract';
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { textColumn, uuid } from '../../db/columns';

/** How an item was written from a moment on: every change is a row, the newest counts. */
export class StoredItem extends Model<InferAttributes<StoredItem>, InferCreationAttributes<StoredItem>> {
  /** In the order of time. */
  declare rowId: string;
  declare id: string;
  declare title: string;
  declare number: string;
  declare price: number | null;
  declare room: number | null;
  declare fits: StockItem['fits'];
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

/** Units that came to a place, or went. */
export class StoredMove extends Model<InferAttributes<StoredMove>, InferCreationAttributes<StoredMove>> {
  declare id: string;
  declare itemId: string;
  declare place: string;
  declare units: number;
  declare why: StockReason;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

/** As few as may lie in a place, from a moment on. */
export class StoredLeast extends Model<InferAttributes<StoredLeast>, InferCreationAttributes<StoredLeast>> {
  declare rowId: string;
  declare itemId: string;
  declare place: string;
  declare least: number;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

export function defineStock(sequelize: Sequelize): void {
  const by = () => ({ personId: uuid, createdAt: DataTypes.DATE(3) });
  const row = () => ({ type: uuid, primaryKey: true });
  StoredItem.init(
    {
      rowId: row(),
      id: uuid,
      title: textColumn(stockFields.title),
      number: textColumn(stockFields.number),
      price: DataTypes.DOUBLE,
      room: DataTypes.DOUBLE,
      fits: DataTypes.JSON,
      ...by(),
    },
    { sequelize, tableName: 'stock_items', updatedAt: false },
  );
  StoredMove.init(
    { id: row(), itemId: uuid, place: uuid, units: DataTypes.INTEGER, why: DataTypes.STRING(10), ...by() },
    { sequelize, tableName: 'stock_moves', updatedAt: false },
  );
  StoredLeast.init(
    { rowId: row(), itemId: uuid, place: uuid, least: DataTypes.INTEGER, ...by() },
    { sequelize, tableName: 'stock_least', updatedAt: false },
  );
}
