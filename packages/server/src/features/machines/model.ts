import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Wires } from '@zetalysis/contract';
import type { Build } from '@zetalysis/core/profile';
import { uuid } from '../../db/columns';

export class Machine extends Model<InferAttributes<Machine>, InferCreationAttributes<Machine>> {
  declare id: string;
  declare label: string;
  declare site: string;
  declare make: string;
  declare modelName: string;
  declare serial: string;
  declare profile: string;
  /** How it is built, beside its family. */
  declare build: Build;
  /** Where this very unit differs from its profile's drawing. */
  declare wires: CreationOptional<Wires | null>;
  declare createdAt: CreationOptional<Date>;
}

export const defineMachine = (sequelize: Sequelize): unknown =>
  Machine.init(
    {
      id: { type: uuid, primaryKey: true },
      label: DataTypes.STRING(120),
      site: DataTypes.STRING(200),
      make: DataTypes.STRING(80),
      modelName: DataTypes.STRING(80),
      serial: DataTypes.STRING(80),
      profile: DataTypes.STRING(80),
      build: DataTypes.JSON,
      wires: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'machines', updatedAt: false },
  );
