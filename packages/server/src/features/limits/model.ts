import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { limitFields, type NewLimit } from '@zetalysis/contract';
import { textColumn, uuid } from '../../db/columns';

/** What the judge of a measure counts with, from a moment on: every change is a row, the newest counts. */
export class BenchLimit extends Model<InferAttributes<BenchLimit>, InferCreationAttributes<BenchLimit>> {
  /** In the order of time. */
  declare id: string;
  declare machineId: string | null;
  declare test: string;
  declare measure: string;
  declare field: NewLimit['field'];
  declare typed: string;
  declare source: string;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

export const defineLimits = (sequelize: Sequelize): unknown =>
  BenchLimit.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      test: textColumn(limitFields.test),
      measure: textColumn(limitFields.measure),
      field: DataTypes.STRING(8),
      typed: textColumn(limitFields.typed),
      source: textColumn(limitFields.source),
      personId: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'bench_limits', updatedAt: false },
  );
