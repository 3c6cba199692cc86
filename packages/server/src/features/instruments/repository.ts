import { QueryTypes, UniqueConstraintError } from 'sequelize';
import type { Instrument, NewInstrument } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { InstrumentProof, StoredInstrument } from './model';

interface ProofRow {
  readonly instrumentId: string;
  readonly moment: 'before' | 'after';
  readonly createdAt: Date;
  readonly name: string;
}

/** The last proof of each instrument, of each moment. */
const lastProofs = (): Promise<ProofRow[]> =>
  InstrumentProof.sequelize!.query<ProofRow>(
    `SELECT p.instrumentId, p.moment, p.createdAt, person.name FROM instrument_proofs p
     JOIN (SELECT MAX(id) AS id FROM instrument_proofs GROUP BY instrumentId, moment) last ON last.id = p.id
     JOIN people person ON person.id = p.personId`,
    { type: QueryTypes.SELECT },
  );

/** As the contract has it. */
function shown(row: StoredInstrument, proofs: readonly ProofRow[]): Instrument {
  const proved = (moment: ProofRow['moment']): Instrument['provedBefore'] => {
    const proof = proofs.find((p) => p.instrumentId === row.id && p.moment === moment);
    return proof ? { at: new Date(proof.createdAt).toISOString(), by: proof.name } : null;
  };
  const { id, kind, title, serial, classes, calibrated, due, leadZero, retired } = row;
  return {
    ...{ id, kind, title, serial, classes, calibrated, due, leadZero, retired },
    provedBefore: proved('before'),
    provedAfter: proved('after'),
  };
}

/** All of them, those that are used first. */
export async function allInstruments(): Promise<Instrument[]> {
  const rows = await StoredInstrument.findAll({
    order: [
      ['retired', 'ASC'],
      ['kind', 'ASC'],
      ['title', 'ASC'],
    ],
  });
  const proofs = await lastProofs();
  return rows.map((row) => shown(row, proofs));
}

export async function instrumentWith(id: string): Promise<Instrument | undefined> {
  const row = await StoredInstrument.findByPk(id);
  return row ? shown(row, await lastProofs()) : undefined;
}

/** Keeps an instrument, a new one or what is corrected of one; gives its id, or nothing where another has its serial number. */
export async function keepInstrument(instrument: NewInstrument, id?: string): Promise<string | undefined> {
  try {
    if (id === undefined) return (await StoredInstrument.create({ ...instrument, id: v7() })).id;
    await StoredInstrument.update(instrument, { where: { id } });
    return id;
  } catch (error) {
    if (error instanceof UniqueConstraintError) return undefined;
    throw error;
  }
}

export const addProof = (instrumentId: string, personId: string, moment: 'before' | 'after'): Promise<unknown> =>
  InstrumentProof.create({ id: v7(), instrumentId, personId, moment });
