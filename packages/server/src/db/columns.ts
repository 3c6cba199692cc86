import { DataTypes } from 'sequelize';

/** How ids are kept. */
export const uuid = DataTypes.CHAR(36);

/** A column as long as what the contract lets in. */
export function textColumn(schema: { readonly maxLength?: number }) {
  if (schema.maxLength === undefined) throw new RangeError('a column needs a schema with a greatest length');
  return DataTypes.STRING(schema.maxLength);
}
