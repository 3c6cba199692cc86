import type { KeptItem, StockItem, StockMove } from '@zetalysis/contract';
import { SHELF } from '@zetalysis/core/book';
import { v7 } from 'uuid';
import { Problem } from '../../http/problem';
import type { Person } from '../session/model';
import { personWith } from '../session/repository';
import { isKept, keptItems, writeItem, writeLeast, writeMoves } from './repository';

/** Takes a new part into the stock. Throws a Problem for whom it is not. */
export async function addItem(person: Person, item: StockItem): Promise<KeptItem> {
  mayWrite(person);
  return written(person, v7(), item);
}

/** Writes a part otherwise. Throws a Problem. */
export async function correctItem(person: Person, id: string, item: StockItem): Promise<KeptItem> {
  mayWrite(person);
  await known(id);
  return written(person, id, item);
}

/** Says how few may lie in a place. Throws a Problem. */
export async function setLeast(person: Person, id: string, place: string, least: number): Promise<KeptItem> {
  mayWrite(person);
  await known(id);
  await checkPlace(place);
  await writeLeast(person.id, id, place, least);
  return one(id);
}

/** Moves units. Throws a Problem where more would go than lie there: then none is moved. */
export async function moveUnits(person: Person, moves: readonly StockMove[]): Promise<KeptItem[]> {
  for (const id of new Set(moves.map(({ item }) => item))) await known(id);
  for (const place of new Set(moves.map((m) => m.place))) await checkPlace(place);
  const lacking = await writeMoves(person.id, moves);
  const items = await keptItems();
  if (!lacking) return items;
  const item = items.find(({ id }) => id === lacking.itemId)!;
  const units = item.held.find(({ place }) => place === lacking.place)?.units ?? 0;
  const where = lacking.place === SHELF ? 'on the shelf' : 'in that van';
  throw new Problem(
    409,
    'Not so many there',
    `Of ${item.title} ${units === 0 ? 'none lies' : `only ${units} ${units === 1 ? 'lies' : 'lie'}`} ${where}. Count them, and write down what is there.`,
  );
}

async function written(person: Person, id: string, item: StockItem): Promise<KeptItem> {
  const twice = item.fits.find((f, i) => item.fits.findIndex((g) => g.profile === f.profile && g.part === f.part) < i);
  if (twice) throw new Problem(400, 'Named twice', `It goes to ${twice.part} of ${twice.profile} once. Take one out.`);
  await writeItem(person.id, id, item);
  return one(id);
}

const one = async (id: string): Promise<KeptItem> => (await keptItems()).find((item) => item.id === id)!;

function mayWrite(person: Person): void {
  if (person.role === 'apprentice')
    throw new Problem(
      403,
      'Not yours to write',
      'A technician, a lead or an admin writes down parts. Ask one of them.',
    );
}

async function known(id: string): Promise<void> {
  if (!(await isKept(id)))
    throw new Problem(404, 'No such part', 'This part is not in the stock. Look at the list again.');
}

async function checkPlace(place: string): Promise<void> {
  if (place !== SHELF && !(await personWith(place)))
    throw new Problem(404, 'Whose van?', 'There is nobody with this number. Choose a van of the list.');
}
