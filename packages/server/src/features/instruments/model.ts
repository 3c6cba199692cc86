import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { instrumentFields, type NewInstrument } from '@zetalysis/contract';
import { textColumn, uuid } from '../../db/columns';

export class StoredInstrument extends Model<
  InferAttributes<StoredInstrument>,
  InferCreationAttributes<StoredInstrument>
> {
  declare id: string;
  declare kind: NewInstrument['kind'];
  declare title: string;
  declare serial: string;
  declare classes: NewInstrument['classes'];
  declare calibrated: string | null;
  declare due: string | null;
  declare leadZero: number | null;
  declare retired: boolean;
  declare createdAt: CreationOptional<Date>;
}

/** That it showed a live source: every time is a row. */
export class InstrumentProof extends Model<InferAttributes<InstrumentProof>, InferCreationAttributes<InstrumentProof>> {
  /** In the order of time. */
  declare id: string;
  declare instrumentId: string;
  declare personId: string;
  declare moment: 'before' | 'after';
  declare createdAt: CreationOptional<Date>;
}

export function defineInstruments(sequelize: Sequelize): void {
  StoredInstrument.init(
    {
      id: { type: uuid, primaryKey: true },
      kind: DataTypes.STRING(20),
      title: textColumn(instrumentFields.title),
      serial: textColumn(instrumentFields.serial),
      classes: DataTypes.JSON,
      calibrated: DataTypes.DATEONLY,
      due: DataTypes.DATEONLY,
      leadZero: DataTypes.DOUBLE,
      retired: DataTypes.BOOLEAN,
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'instruments', updatedAt: false },
  );
  InstrumentProof.init(
    {
      id: { type: uuid, primaryKey: true },
      instrumentId: uuid,
      personId: uuid,
      moment: DataTypes.STRING(6),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, tableName: 'instrument_proofs', updatedAt: false },
  );
}
