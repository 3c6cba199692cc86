import { DataTypes, Model, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize';
import type { Role } from '@zetalysis/core/rules';
import type { UnitSystem } from '@zetalysis/core/units';
import { uuid } from '../../db/columns';

export class Person extends Model<InferAttributes<Person>, InferCreationAttributes<Person>> {
  declare id: string;
  /** What is typed to sign in. */
  declare name: string;
  declare fullName: string;
  declare role: Role;
  declare units: UnitSystem;
  declare passwordHash: string;
}

export const definePerson = (sequelize: Sequelize): unknown =>
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
