import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { contactFields, machineFields, type Wires } from '@zetalysis/contract';
import type { Build } from '@zetalysis/core/profile';
import { textColumn, uuid } from '../../db/columns';

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

/** Whose machine it is. */
export class StoredContact extends Model<InferAttributes<StoredContact>, InferCreationAttributes<StoredContact>> {
  declare machineId: string;
  declare customer: string;
  declare telephone: string;
}

export function defineMachines(sequelize: Sequelize): void {
  StoredContact.init(
    {
      machineId: { type: uuid, primaryKey: true },
      customer: textColumn(contactFields.customer),
      telephone: textColumn(contactFields.telephone),
    },
    { sequelize, tableName: 'contacts', timestamps: false },
  );
  Machine.init(
    {
      id: { type: uuid, primaryKey: true },
      label: textColumn(machineFields.label),
      site: textColumn(machineFields.site),
      make: textColumn(machineFields.make),
      modelName: textColumn(machineFields.modelName),
      serial: textColumn(machineFields.serial),
      profile: textColumn(machineFields.profile),
      build: DataTypes.JSON,
      wires: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'machines', updatedAt: false },
  );
}
