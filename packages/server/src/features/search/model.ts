import { DataTypes, Model, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize';
import { uuid } from '../../db/columns';

/** What is written in an entry, so that it can be found; made from the log, and made again from it. */
export class EntryWords extends Model<InferAttributes<EntryWords>, InferCreationAttributes<EntryWords>> {
  /** The entry’s own. */
  declare id: string;
  declare callId: string;
  declare kind: string;
  declare words: string;
  /** A status code, which may be too short for an index of words. */
  declare code: string | null;
}

export const defineSearch = (sequelize: Sequelize): unknown =>
  EntryWords.init(
    {
      id: { type: uuid, primaryKey: true },
      callId: uuid,
      kind: DataTypes.STRING(20),
      words: DataTypes.TEXT,
      code: DataTypes.STRING(40),
    },
    { sequelize, tableName: 'entry_words', timestamps: false },
  );
