import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { uuid } from '../../db/columns';

/** A picture that belongs to a call. */
export class StoredPhoto extends Model<InferAttributes<StoredPhoto>, InferCreationAttributes<StoredPhoto>> {
  declare id: string;
  declare callId: string;
  declare personId: string;
  declare type: string;
  /** SHA-256 of the picture as it was sent; stays when the picture is erased. */
  declare hash: string;
  /** Nothing once it was erased. */
  declare picture: Buffer | null;
  /** Nothing for those of before there were any, and once it was erased. */
  declare thumbnail: CreationOptional<Buffer | null>;
  declare createdAt: CreationOptional<Date>;
}

export const definePhotos = (sequelize: Sequelize): unknown =>
  StoredPhoto.init(
    {
      id: { type: uuid, primaryKey: true },
      callId: uuid,
      personId: uuid,
      type: DataTypes.STRING(20),
      hash: DataTypes.CHAR(64),
      picture: DataTypes.BLOB('medium'),
      thumbnail: DataTypes.BLOB,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'photos', updatedAt: false },
  );
