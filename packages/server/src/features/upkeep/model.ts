import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { DutyId, DutyResult } from '@zetalysis/core/upkeep';
import { uuid } from '../../db/columns';

/** Something of a machine's upkeep that was done on a day. */
export class DutyDone extends Model<InferAttributes<DutyDone>, InferCreationAttributes<DutyDone>> {
  /** In the order of time; of what was done on a call the id of its entry. */
  declare id: string;
  declare machineId: string;
  declare duty: DutyId;
  declare day: string;
  declare result: DutyResult;
  declare words: string;
  /** Who did it, in words: caretakers have no account. */
  declare by: string;
  declare callId: string | null;
  declare createdAt: CreationOptional<Date>;
}

/** How often a machine asks for a duty from a moment on: the newest counts. */
export class DutyPlan extends Model<InferAttributes<DutyPlan>, InferCreationAttributes<DutyPlan>> {
  declare id: string;
  declare machineId: string;
  declare duty: DutyId;
  /** Days; nought where it is not asked, nothing for as the family has it. */
  declare every: number | null;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

/** An address that is read without an account, until it is revoked. Only its hash is kept. */
export class StoredAddress extends Model<InferAttributes<StoredAddress>, InferCreationAttributes<StoredAddress>> {
  declare id: string;
  declare kind: 'calendar' | 'caretaker';
  declare hash: string;
  declare label: string;
  declare machineId: string | null;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
  declare revokedAt: Date | null;
}

export function defineUpkeep(sequelize: Sequelize): void {
  DutyDone.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      duty: DataTypes.STRING(40),
      day: DataTypes.DATEONLY,
      result: DataTypes.STRING(4),
      words: DataTypes.STRING(500),
      by: DataTypes.STRING(120),
      callId: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'duty_records', updatedAt: false },
  );
  DutyPlan.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      duty: DataTypes.STRING(40),
      every: DataTypes.SMALLINT.UNSIGNED,
      personId: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'duty_plans', updatedAt: false },
  );
  StoredAddress.init(
    {
      id: { type: uuid, primaryKey: true },
      kind: DataTypes.STRING(10),
      hash: DataTypes.CHAR(64),
      label: DataTypes.STRING(120),
      machineId: uuid,
      personId: uuid,
      createdAt: DataTypes.DATE(3),
      revokedAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'open_addresses', updatedAt: false },
  );
}
