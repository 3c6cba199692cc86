import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Priority } from '@zetalysis/core/schedule';
import type { DutyId } from '@zetalysis/core/upkeep';
import { uuid } from '../../db/columns';

/** Something that somebody has to do on a day. */
export class StoredDayItem extends Model<InferAttributes<StoredDayItem>, InferCreationAttributes<StoredDayItem>> {
  declare id: string;
  declare day: string;
  declare personId: string;
  /** In what order; gaps are left. */
  declare position: number;
  declare callId: string | null;
  declare machineId: string | null;
  declare duty: DutyId | null;
  declare slot: string;
  declare priority: Priority;
  declare words: string;
  declare createdAt: CreationOptional<Date>;
}

export const defineDays = (sequelize: Sequelize): unknown =>
  StoredDayItem.init(
    {
      id: { type: uuid, primaryKey: true },
      day: DataTypes.DATEONLY,
      personId: uuid,
      position: DataTypes.INTEGER,
      callId: uuid,
      machineId: uuid,
      duty: DataTypes.STRING(40),
      slot: DataTypes.STRING(20),
      priority: DataTypes.STRING(10),
      words: DataTypes.STRING(200),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'day_items', updatedAt: false },
  );
