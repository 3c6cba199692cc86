import { practiceFields } from '@zetalysis/contract';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { textColumn, uuid } from '../../db/columns';

/** An exercise that somebody has ended. */
export class StoredResult extends Model<InferAttributes<StoredResult>, InferCreationAttributes<StoredResult>> {
  declare id: string;
  declare personId: string;
  declare code: string;
  declare level: number;
  declare title: string;
  declare mark: number;
  declare proved: boolean;
  declare critical: boolean;
  declare minutes: number;
  declare planned: number;
  declare confused: string[];
  declare endedAt: Date;
  /** What was done, as JSON. */
  declare moves: string;
  declare createdAt: CreationOptional<Date>;
}

/** An exercise that was set for somebody. */
export class StoredSet extends Model<InferAttributes<StoredSet>, InferCreationAttributes<StoredSet>> {
  declare id: string;
  declare personId: string;
  declare code: string;
  declare words: string;
  declare byId: string;
  declare createdAt: CreationOptional<Date>;
}

/** A level that was signed off. */
export class StoredSigning extends Model<InferAttributes<StoredSigning>, InferCreationAttributes<StoredSigning>> {
  declare id: string;
  declare personId: string;
  declare level: number;
  declare words: string;
  declare byId: string;
  declare createdAt: CreationOptional<Date>;
}

export function definePractice(sequelize: Sequelize): void {
  const whose = { id: { type: uuid, primaryKey: true }, personId: uuid } as const;
  const level = DataTypes.TINYINT;
  const code = textColumn(practiceFields.code);
  const words = textColumn(practiceFields.words);
  StoredResult.init(
    {
      ...whose,
      code,
      level,
      title: textColumn(practiceFields.title),
      mark: DataTypes.TINYINT,
      proved: DataTypes.BOOLEAN,
      critical: DataTypes.BOOLEAN,
      minutes: DataTypes.FLOAT,
      planned: DataTypes.FLOAT,
      confused: DataTypes.JSON,
      endedAt: DataTypes.DATE(3),
      moves: DataTypes.TEXT('medium'),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'practice_results', updatedAt: false },
  );
  StoredSet.init(
    { ...whose, code, words, byId: uuid, createdAt: DataTypes.DATE(3) },
    { sequelize, tableName: 'practice_set', updatedAt: false },
  );
  StoredSigning.init(
    { ...whose, level, words, byId: uuid, createdAt: DataTypes.DATE(3) },
    { sequelize, tableName: 'practice_signed', updatedAt: false },
  );
}
