import { DataTypes } from 'sequelize';

/** How ids are kept. */
export const uuid = DataTypes.CHAR(36);
