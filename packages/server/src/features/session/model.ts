import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { personFields } from '@zetalysis/contract';
import type { Role } from '@zetalysis/core/rules';
import type { UnitSystem } from '@zetalysis/core/units';
import { textColumn, uuid } from '../../db/columns';

export class Person extends Model<InferAttributes<Person>, InferCreationAttributes<Person>> {
  declare id: string;
  /** What is typed to sign in. */
  declare name: string;
  declare fullName: string;
  declare role: Role;
  /** See `grantsFrom`. */
  declare grants: CreationOptional<string>;
  declare units: UnitSystem;
  declare passwordHash: string;
  /** The account is shut. */
  declare disabled: CreationOptional<boolean>;
  /** Somebody else gave the password. */
  declare mustChange: CreationOptional<boolean>;
}

/** Somebody is signed in somewhere. */
export class StoredSession extends Model<InferAttributes<StoredSession>, InferCreationAttributes<StoredSession>> {
  /** What the cookie says; never shown to anybody. */
  declare sid: string;
  /** What it is called to its person. */
  declare id: string | null;
  declare personId: string | null;
  /** What it was signed in from, in the browser's words. */
  declare origin: string;
  declare expires: Date;
  declare data: string;
  declare createdAt: CreationOptional<Date>;
}

/** How much of a browser's own description is kept. */
export const ORIGIN_LENGTH = 200;

export function definePeople(sequelize: Sequelize): void {
  Person.init(
    {
      id: { type: uuid, primaryKey: true },
      name: textColumn(personFields.name),
      fullName: textColumn(personFields.fullName),
      role: DataTypes.STRING(20),
      grants: { type: DataTypes.STRING(120), defaultValue: '' },
      units: DataTypes.STRING(2),
      passwordHash: DataTypes.STRING(255),
      disabled: { type: DataTypes.BOOLEAN, defaultValue: false },
      mustChange: { type: DataTypes.BOOLEAN, defaultValue: false },
    },
    { sequelize, tableName: 'people', timestamps: false },
  );
  StoredSession.init(
    {
      sid: { type: DataTypes.STRING(64), primaryKey: true },
      id: uuid,
      personId: uuid,
      origin: DataTypes.STRING(ORIGIN_LENGTH),
      expires: DataTypes.DATE,
      data: DataTypes.TEXT,
      createdAt: DataTypes.DATE,
    },
    { sequelize, tableName: 'sessions' },
  );
}
