import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Role } from '@zetalysis/core/rules';
import type { UnitSystem } from '@zetalysis/core/units';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';

export class Person extends Model<InferAttributes<Person>, InferCreationAttributes<Person>> {
  declare id: string;
  /** What is typed to sign in. */
  declare name: string;
  declare fullName: string;
  declare role: Role;
  declare units: UnitSystem;
  declare passwordHash: string;
}

export class Machine extends Model<InferAttributes<Machine>, InferCreationAttributes<Machine>> {
  declare id: string;
  declare label: string;
  declare site: string;
  declare make: string;
  declare modelName: string;
  declare serial: string;
  declare profile: string;
  declare variant: string | null;
  /** Where this very unit differs from its profile's drawing. */
  declare wires: CreationOptional<Wires | null>;
  declare createdAt: CreationOptional<Date>;
}

/** By net: what its terminal is called on this unit, and the colour of its wire. */
export type Wires = Readonly<Record<string, { readonly terminal: string; readonly colour: string }>>;

/** One version of a profile. Never changed: calls are pinned to it. */
export class StoredProfile extends Model<InferAttributes<StoredProfile>, InferCreationAttributes<StoredProfile>> {
  declare id: string;
  declare version: string;
  declare source: string;
  declare importedBy: string | null;
  declare createdAt: CreationOptional<Date>;
}

/** A call's unchanging head: its pins. Everything else is in its events. */
export class Call extends Model<InferAttributes<Call>, InferCreationAttributes<Call>> {
  declare id: string;
  declare machineId: string | null;
  declare complaint: string;
  declare profile: string;
  declare profileVersion: string;
  declare variant: string | null;
  declare engineVersion: string;
  declare settings: object;
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

/** An event as a row of its table. */
export const eventRow = (e: CallEvent) => ({
  id: e.id,
  callId: e.call,
  seq: e.seq,
  at: e.at,
  device: e.device,
  person: e.person,
  type: e.body.type,
  body: e.body,
});

const uuid = DataTypes.CHAR(36);

/** Binds the models to a connection. The tables are made by the migrations. */
export function defineModels(sequelize: Sequelize): void {
  Person.init(
    {
      id: { type: uuid, primaryKey: true },
      name: DataTypes.STRING(60),
      fullName: DataTypes.STRING(120),
      role: DataTypes.STRING(20),
      units: DataTypes.STRING(2),
      passwordHash: DataTypes.STRING(255),
    },
    { sequelize, tableName: 'people', timestamps: false },
  );
  Machine.init(
    {
      id: { type: uuid, primaryKey: true },
      label: DataTypes.STRING(120),
      site: DataTypes.STRING(200),
      make: DataTypes.STRING(80),
      modelName: DataTypes.STRING(80),
      serial: DataTypes.STRING(80),
      profile: DataTypes.STRING(80),
      variant: DataTypes.STRING(80),
      wires: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'machines', updatedAt: false },
  );
  StoredProfile.init(
    {
      id: { type: DataTypes.STRING(80), primaryKey: true },
      version: { type: DataTypes.STRING(20), primaryKey: true },
      source: DataTypes.TEXT('medium'),
      importedBy: DataTypes.STRING(60),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'profiles', updatedAt: false },
  );
  Call.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      complaint: DataTypes.STRING(500),
      profile: DataTypes.STRING(80),
      profileVersion: DataTypes.STRING(20),
      variant: DataTypes.STRING(80),
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
