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

/** What stands on the shop’s paper from a moment on. */
export class ShopSettingsVersion extends Model<
  InferAttributes<ShopSettingsVersion>,
  InferCreationAttributes<ShopSettingsVersion>
> {
  /** In the order of time. */
  declare id: string;
  declare name: string;
  declare address: string;
  declare currency: string;
  /** As the database writes a price. */
  declare hour: string | null;
  declare paper: string;
  declare personId: string;
  declare createdAt: CreationOptional<Date>;
}

const ppm = DataTypes.SMALLINT.UNSIGNED;

export function defineShop(sequelize: Sequelize): void {
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
  ShopSettingsVersion.init(
    {
      id: { type: uuid, primaryKey: true },
      name: DataTypes.STRING(120),
      address: DataTypes.STRING(200),
      currency: DataTypes.STRING(8),
      hour: { type: DataTypes.DECIMAL(9, 2), allowNull: true },
      paper: DataTypes.STRING(8),
      personId: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'shop_settings', updatedAt: false },
  );
}
