import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { type ChangeOf, contactFields, machineFields, type MachineChange, type Wires } from '@zetalysis/contract';
import type { Sheet } from '@zetalysis/core/history';
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
  /** Nothing was written down where it is nothing. */
  declare sheet: CreationOptional<Sheet | null>;
  declare retired: CreationOptional<string | null>;
  declare mergedInto: CreationOptional<string | null>;
  /** Retired or merged: it stands in no list. */
  declare gone: CreationOptional<boolean>;
  declare createdAt: CreationOptional<Date>;
}

/** Whose machine it is. */
export class StoredContact extends Model<InferAttributes<StoredContact>, InferCreationAttributes<StoredContact>> {
  declare machineId: string;
  declare customer: string;
  declare telephone: string;
  declare access: string;
}

/** One change of a machine, and who made it. */
export class StoredChange extends Model<InferAttributes<StoredChange>, InferCreationAttributes<StoredChange>> {
  /** In the order of time. */
  declare id: string;
  declare machineId: string;
  declare personId: string;
  declare what: ChangeOf;
  declare was: MachineChange['was'];
  declare becomes: MachineChange['becomes'];
  declare createdAt: CreationOptional<Date>;
}

export function defineMachines(sequelize: Sequelize): void {
  StoredContact.init(
    {
      machineId: { type: uuid, primaryKey: true },
      customer: textColumn(contactFields.customer),
      telephone: textColumn(contactFields.telephone),
      access: textColumn(contactFields.access),
    },
    { sequelize, tableName: 'contacts', timestamps: false },
  );
  StoredChange.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      personId: uuid,
      what: DataTypes.STRING(12),
      was: DataTypes.JSON,
      becomes: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'machine_changes', updatedAt: false },
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
      sheet: DataTypes.JSON,
      retired: DataTypes.STRING(200),
      mergedInto: uuid,
      gone: DataTypes.BOOLEAN,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'machines', updatedAt: false },
  );
}
