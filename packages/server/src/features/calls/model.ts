import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { entryFields, headFields } from '@zetalysis/contract';
import type { Build } from '@zetalysis/core/profile';
import type { EventBody, Overview, PinnedRates } from '@zetalysis/core/visit';
import { textColumn, uuid } from '../../db/columns';

/** A call's unchanging head: its pins. Everything else is in its events. */
export class Call extends Model<InferAttributes<Call>, InferCreationAttributes<Call>> {
  declare id: string;
  declare machineId: string | null;
  declare complaint: string;
  declare profile: string;
  declare profileVersion: string;
  declare build: Build;
  declare engineVersion: string;
  declare settings: { units: string; settingsVersion: string; rates?: PinnedRates };
  declare openedBy: string;
  declare createdAt: CreationOptional<Date>;
}

/** One entry of a call's log. Inserted once; the database itself refuses change and deletion. */
export class LoggedEvent extends Model<InferAttributes<LoggedEvent>, InferCreationAttributes<LoggedEvent>> {
  declare callId: string;
  /** Its place in the order in which the call's entries were taken, from 1 without a gap. */
  declare number: number;
  declare id: string;
  declare seq: number;
  declare at: string;
  declare clockOffset: CreationOptional<number | null>;
  declare device: string;
  declare person: string;
  declare type: string;
  declare body: EventBody;
  /** SHA-256 of the entry as it was made, once its free text was taken out. */
  declare hash: CreationOptional<string | null>;
  /** What its person might do when it came; see `authorityFrom`. */
  declare authority: CreationOptional<string | null>;
  declare createdAt: CreationOptional<Date>;
}

/** Somebody looks at a call. */
export class Looker extends Model<InferAttributes<Looker>, InferCreationAttributes<Looker>> {
  declare callId: string;
  declare personId: string;
  declare at: Date;
}

/** What the office sees of a call, made from its log; may be thrown away and made again. */
export class StoredOverview extends Model<InferAttributes<StoredOverview>, InferCreationAttributes<StoredOverview>> {
  declare callId: string;
  /** The number of the newest entry it was made from. */
  declare upTo: number;
  /** What lists sort by: the machine, or the family where no machine is known. */
  declare title: string;
  declare openedAt: Date;
  declare open: boolean;
  /** Whether something stands that must not be forgotten. */
  declare watch: boolean;
  declare dueAt: Date | null;
  declare body: Overview;
}

export function defineCalls(sequelize: Sequelize): void {
  Call.init(
    {
      id: { type: uuid, primaryKey: true },
      machineId: uuid,
      complaint: textColumn(headFields.complaint),
      profile: textColumn(headFields.profile),
      profileVersion: textColumn(headFields.profileVersion),
      build: DataTypes.JSON,
      engineVersion: textColumn(headFields.engineVersion),
      settings: DataTypes.JSON,
      openedBy: uuid,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'calls', updatedAt: false },
  );
  LoggedEvent.init(
    {
      callId: { type: uuid, primaryKey: true },
      number: { type: DataTypes.INTEGER, primaryKey: true },
      id: { type: uuid, unique: true },
      seq: DataTypes.INTEGER,
      at: textColumn(entryFields.at),
      clockOffset: DataTypes.BIGINT,
      device: textColumn(entryFields.device),
      person: textColumn(entryFields.person),
      type: DataTypes.STRING(30),
      body: DataTypes.JSON,
      hash: DataTypes.CHAR(64),
      authority: DataTypes.STRING(140),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'events', updatedAt: false },
  );
  Looker.init(
    { callId: { type: uuid, primaryKey: true }, personId: { type: uuid, primaryKey: true }, at: DataTypes.DATE(3) },
    { sequelize, tableName: 'lookers', timestamps: false },
  );
  StoredOverview.init(
    {
      callId: { type: uuid, primaryKey: true },
      upTo: DataTypes.INTEGER,
      title: DataTypes.STRING(120),
      openedAt: DataTypes.DATE(3),
      open: DataTypes.BOOLEAN,
      watch: DataTypes.BOOLEAN,
      dueAt: DataTypes.DATE(3),
      body: DataTypes.JSON,
    },
    { sequelize, tableName: 'overviews', timestamps: false },
  );
}
