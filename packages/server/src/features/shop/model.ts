import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { uuid } from '../../db/columns';

/** The limits of the shop from a moment on. */
export class ShopLimits extends Model<InferAttributes<ShopLimits>, InferCreationAttributes<ShopLimits>> {
  /** In the order of time. */
  declare id: string;
  declare coFind: number;
  declare coOff: number;
  declare coOut: number;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

const ppm = DataTypes.SMALLINT.UNSIGNED;

export const defineShop = (sequelize: Sequelize): unknown =>
  ShopLimits.init(
    {
      id: { type: uuid, primaryKey: true },
      coFind: ppm,
      coOff: ppm,
      coOut: ppm,
      personId: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'shop_limits', updatedAt: false },
  );
