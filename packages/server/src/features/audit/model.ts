import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Audited } from '@zetalysis/contract';
import { uuid } from '../../db/columns';

/** Something that was done to an account or a setting. */
export class AuditEntry extends Model<InferAttributes<AuditEntry>, InferCreationAttributes<AuditEntry>> {
  /** In the order of time. */
  declare id: string;
  declare personId: string | null;
  declare what: Audited['what'];
  declare of: string;
  declare words: string;
  declare createdAt: CreationOptional<Date>;
}

export const defineAudit = (sequelize: Sequelize): unknown =>
  AuditEntry.init(
    {
      id: { type: uuid, primaryKey: true },
      personId: uuid,
      what: DataTypes.STRING(20),
      of: DataTypes.STRING(120),
      words: DataTypes.STRING(300),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'audit_log', updatedAt: false },
  );
