import { rateFields } from '@zetalysis/contract';
import type { CameBackFor, Suspicion } from '@zetalysis/core/book';
import type { Dimension } from '@zetalysis/core/units';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { textColumn, uuid } from '../../db/columns';

/** What a closed call is worth to the book; without a part where no break was recorded. Made from its log, and made again. */
export class StoredFacts extends Model<InferAttributes<StoredFacts>, InferCreationAttributes<StoredFacts>> {
  declare callId: string;
  /** The number of the newest entry it was made from. */
  declare upTo: number;
  declare profile: string;
  declare machineId: string | null;
  declare make: string;
  declare age: string | null;
  declare personId: string;
  declare openedAt: Date;
  declare part: CreationOptional<string | null>;
  declare title: CreationOptional<string>;
  declare cause: CreationOptional<string>;
  declare causeTitle: CreationOptional<string>;
  declare standing: CreationOptional<string>;
  declare repairs: CreationOptional<readonly string[] | null>;
  declare watched: CreationOptional<readonly Suspicion[] | null>;
  declare complaintRight: CreationOptional<boolean | null>;
  declare watchedRight: CreationOptional<boolean | null>;
  declare halfRight: CreationOptional<boolean | null>;
  declare endRight: CreationOptional<boolean | null>;
  declare watchedSaid: CreationOptional<number | null>;
  declare tests: CreationOptional<number>;
  declare minutes: CreationOptional<number>;
  declare plannedTests: CreationOptional<number | null>;
  declare plannedMinutes: CreationOptional<number | null>;
  declare cannot: CreationOptional<number>;
  declare willNot: CreationOptional<number>;
  declare fitted: CreationOptional<number>;
  declare unproved: CreationOptional<number>;
  declare inVain: CreationOptional<number>;
  /** It counts for some way of failing. */
  declare told: CreationOptional<boolean>;
  /** Days since the same machine broke like this before; nothing for the first time. */
  declare gap: CreationOptional<number | null>;
  /** Somebody had to come to the same machine again soon. */
  declare cameBack: CreationOptional<boolean>;
  /** And why, as the records tell. */
  declare backFor: CreationOptional<CameBackFor | null>;
}

/** How much of a case a call is for a way of failing. */
export class StoredWay extends Model<InferAttributes<StoredWay>, InferCreationAttributes<StoredWay>> {
  declare callId: string;
  declare way: string;
  declare share: number;
  declare profile: string;
  declare make: string;
  declare age: string | null;
}

/** What a test of a call tells of tests like it. */
export class StoredTest extends Model<InferAttributes<StoredTest>, InferCreationAttributes<StoredTest>> {
  declare callId: string;
  declare number: number;
  declare profile: string;
  declare test: string;
  declare minutes: number | null;
  declare misled: boolean | null;
}

/** Readings of one kind on a machine that go somewhere, as its calls had them. SI. */
export class StoredLine extends Model<InferAttributes<StoredLine>, InferCreationAttributes<StoredLine>> {
  declare machineId: string;
  declare line: string;
  declare title: string;
  declare dimension: Dimension;
  declare points: number;
  declare lastAt: Date;
  declare lastValue: number;
  declare perYear: number;
  declare perYearWithin: number;
  declare limitValue: number | null;
  declare words: 'marginal' | 'bad' | null;
  declare earliest: Date | null;
  declare latest: Date | null;
}

/** Up to where the readings of a machine were looked at. */
export class StoredLinesRead extends Model<InferAttributes<StoredLinesRead>, InferCreationAttributes<StoredLinesRead>> {
  declare machineId: string;
  declare stamp: number;
}

/** Rates as they were learned once. They never change. */
export class StoredRates extends Model<InferAttributes<StoredRates>, InferCreationAttributes<StoredRates>> {
  declare version: CreationOptional<number>;
  declare byId: string;
  declare words: string;
  declare cases: number;
  /** See `RateBook`. */
  declare book: string;
  declare createdAt: CreationOptional<Date>;
}

/** New calls pin this version from then on; without one those that ship. */
export class StoredPublication extends Model<
  InferAttributes<StoredPublication>,
  InferCreationAttributes<StoredPublication>
> {
  declare id: string;
  declare version: number | null;
  declare byId: string;
  declare words: string;
  declare createdAt: CreationOptional<Date>;
}

export function definePatterns(sequelize: Sequelize): void {
  const name = DataTypes.STRING(80);
  const title = DataTypes.STRING(120);
  const number = DataTypes.SMALLINT;
  const of = { profile: name, make: DataTypes.STRING(60), age: DataTypes.STRING(10) };
  StoredFacts.init(
    {
      callId: { type: uuid, primaryKey: true },
      upTo: DataTypes.INTEGER,
      ...of,
      machineId: uuid,
      personId: uuid,
      openedAt: DataTypes.DATE(3),
      part: name,
      title,
      cause: name,
      causeTitle: title,
      standing: DataTypes.STRING(10),
      repairs: DataTypes.JSON,
      watched: DataTypes.JSON,
      complaintRight: DataTypes.BOOLEAN,
      watchedRight: DataTypes.BOOLEAN,
      halfRight: DataTypes.BOOLEAN,
      endRight: DataTypes.BOOLEAN,
      watchedSaid: DataTypes.FLOAT,
      tests: number,
      minutes: DataTypes.FLOAT,
      plannedTests: number,
      plannedMinutes: DataTypes.FLOAT,
      cannot: number,
      willNot: number,
      fitted: number,
      unproved: number,
      inVain: number,
      told: DataTypes.BOOLEAN,
      gap: DataTypes.INTEGER,
      cameBack: DataTypes.BOOLEAN,
      backFor: DataTypes.STRING(10),
    },
    { sequelize, tableName: 'case_facts', timestamps: false },
  );
  StoredWay.init(
    {
      callId: { type: uuid, primaryKey: true },
      way: { type: DataTypes.STRING(160), primaryKey: true },
      share: DataTypes.FLOAT,
      ...of,
    },
    { sequelize, tableName: 'case_ways', timestamps: false },
  );
  StoredTest.init(
    {
      callId: { type: uuid, primaryKey: true },
      number: { type: number, primaryKey: true },
      profile: name,
      test: title,
      minutes: DataTypes.FLOAT,
      misled: DataTypes.BOOLEAN,
    },
    { sequelize, tableName: 'case_tests', timestamps: false },
  );
  StoredLine.init(
    {
      machineId: { type: uuid, primaryKey: true },
      line: { type: DataTypes.STRING(160), primaryKey: true },
      title: DataTypes.STRING(160),
      dimension: DataTypes.STRING(40),
      points: number,
      lastAt: DataTypes.DATE(3),
      lastValue: DataTypes.DOUBLE,
      perYear: DataTypes.DOUBLE,
      perYearWithin: DataTypes.DOUBLE,
      limitValue: DataTypes.DOUBLE,
      words: DataTypes.STRING(10),
      earliest: DataTypes.DATE(3),
      latest: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'machine_lines', timestamps: false },
  );
  StoredLinesRead.init(
    { machineId: { type: uuid, primaryKey: true }, stamp: DataTypes.BIGINT },
    { sequelize, tableName: 'machine_lines_read', timestamps: false },
  );
  const words = textColumn(rateFields.words);
  StoredRates.init(
    {
      version: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      byId: uuid,
      words,
      cases: DataTypes.FLOAT,
      book: DataTypes.TEXT('medium'),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'rate_versions', updatedAt: false },
  );
  StoredPublication.init(
    {
      id: { type: uuid, primaryKey: true },
      version: DataTypes.INTEGER,
      byId: uuid,
      words,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'rate_published', updatedAt: false },
  );
}
