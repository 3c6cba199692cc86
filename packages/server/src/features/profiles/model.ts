import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { profileFields } from '@zetalysis/contract';
import { textColumn } from '../../db/columns';
import type { Description } from './checks';

/** One version of a profile. Never changed: calls are pinned to it. */
export class StoredProfile extends Model<InferAttributes<StoredProfile>, InferCreationAttributes<StoredProfile>> {
  declare id: string;
  declare version: string;
  declare source: string;
  declare importedBy: string | null;
  /** What lists show of it, so that nobody has to read it again; nothing for one that cannot be read. */
  declare description: CreationOptional<Description | null>;
  declare createdAt: CreationOptional<Date>;
}

export const defineStoredProfile = (sequelize: Sequelize): unknown =>
  StoredProfile.init(
    {
      id: { type: textColumn(profileFields.id), primaryKey: true },
      version: { type: textColumn(profileFields.version), primaryKey: true },
      source: DataTypes.TEXT('medium'),
      importedBy: DataTypes.STRING(60),
      description: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'profiles', updatedAt: false },
  );
