import { MEASURED_BY } from '@zetalysis/core/instruments';
import type { Instrument, NewInstrument } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import type { Person } from '../session/model';
import { addProof, instrumentWith, keepInstrument } from './repository';

/** Adds an instrument, or corrects what is written of one. Throws a Problem where it makes no sense or is there already. */
export async function writeDown(person: Person, instrument: NewInstrument, id?: string): Promise<Instrument> {
  if (person.role === 'apprentice')
    throw new Problem(
      403,
      'Not yours to write',
      'A technician, a lead or an admin keeps the register. Ask one of them.',
    );
  if (id !== undefined) await known(id);
  const { kind, classes, calibrated, due } = instrument;
  const wrong = Object.keys(classes).find((c) => !MEASURED_BY[kind].some((m) => m === c));
  if (wrong !== undefined)
    throw new Problem(400, 'Not measured by it', `A ${kind} does not measure ${wrong}. Leave its class out.`);
  if (calibrated !== null && due !== null && due <= calibrated)
    throw new Problem(400, 'Not in order', 'It is due again after it was calibrated. Correct one of the two days.');
  const kept = await keepInstrument(instrument, id);
  if (kept === undefined)
    throw new Problem(
      409,
      'There already',
      `Another instrument has the serial number ${instrument.serial}. Correct that one.`,
    );
  return known(kept);
}

/** Somebody showed it a live source. */
export async function prove(person: Person, id: string, when: 'before' | 'after'): Promise<Instrument> {
  await known(id);
  await addProof(id, person.id, when);
  return known(id);
}

async function known(id: string): Promise<Instrument> {
  const instrument = await instrumentWith(id);
  if (!instrument) throw new Problem(404, 'No such instrument', 'This instrument is not in the register.');
  return instrument;
}
