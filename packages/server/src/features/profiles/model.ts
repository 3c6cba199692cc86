import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** One version of a profile. Never changed: calls are pinned to it. */
export class StoredProfile extends Model<InferAttributes<StoredProfile>, InferCreationAttributes<StoredProfile>> {
  declare id: string;
  declare version: string;
  declare source: string;
  declare importedBy: string | null;
  declare createdAt: CreationOptional<Date>;
}

export const defineStoredProfile = (sequelize: Sequelize): unknown =>
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
