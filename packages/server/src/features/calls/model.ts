import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Build } from '@zetalysis/core/profile';
import type { EventBody } from '@zetalysis/core/visit';
import { uuid } from '../../db/columns';

/** A call's unchanging head: its pins. Everything else is in its events. */
export class Call extends Model<InferAttributes<Call>, InferCreationAttributes<Call>> {
  declare id: string;
  declare machineId: string | null;
  declare complaint: string;
  declare profile: string;
  declare profileVersion: string;
  declare build: Build;
  declare engineVersion: string;
  declare settings: { units: string; settingsVersion: string };
  declare openedBy: string;
  declare createdAt: CreationOptional<Date>;
}

/** One entry of a call's log. Inserted once; the database itself refuses change and deletion. */
export class LoggedEvent extends Model<InferAttributes<LoggedEvent>, InferCreationAttributes<LoggedEvent>> {
  /** Order of arrival at the database: the cursor for "what is new". */
  declare arrival: CreationOptional<number>;
  declare id: string;
  declare callId: string;
  declare seq: number;
  declare at: string;
  declare device: string;
  declare person: string;
  declare type: string;
  declare body: EventBody;
  declare createdAt: CreationOptional<Date>;
}

export function defineCalls(sequelize: Sequelize): void {
  Call.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      complaint: DataTypes.STRING(500),
      profile: DataTypes.STRING(80),
      profileVersion: DataTypes.STRING(20),
      build: DataTypes.JSON,
      engineVersion: DataTypes.STRING(20),
      settings: DataTypes.JSON,
      openedBy: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'calls', updatedAt: false },
  );
  LoggedEvent.init(
    {
      arrival: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      id: { type: uuid, unique: true },
      callId: uuid,
      seq: DataTypes.INTEGER,
      at: DataTypes.STRING(40),
      device: DataTypes.STRING(60),
      person: DataTypes.STRING(60),
      type: DataTypes.STRING(30),
      body: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'events', updatedAt: false },
  );
}
