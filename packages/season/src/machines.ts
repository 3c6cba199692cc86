import type { Contact, Machine } from '@zetalysis/contract';
import { BLANK_SHEET, type Sheet } from '@zetalysis/core/history';
import { PLAIN } from '@zetalysis/core/profile';
import { pick, pickBy, Random } from '@zetalysis/core/simulation';
import { idAt, LAST_DAY, momentOf } from './calendar';
import { ACCESS, FAMILIES_IN_TOWN, PLACES, STANDS, STREETS, SURNAMES, TOWNS } from './invented';

/** A machine of the season, and whose it is. */
export interface SeasonMachine {
  readonly machine: Machine;
  readonly contact: Contact;
}

/** As many machines as join the demo's own. */
const MACHINES = 165;
/** In a few places two stand on one switch. */
const SHARED = 0.06;
const THIS_YEAR = Number(LAST_DAY.slice(0, 4));

/** The shop's machines; always the same ones. */
export function machinesOfSeason(): readonly SeasonMachine[] {
  const random = new Random(41);
  const families = Object.entries(FAMILIES_IN_TOWN);
  return Array.from({ length: MACHINES }, () => {
    const [profile, family] = pickBy(families, ([, f]) => f.share, random);
    const [make, modelName] = pick(family.makes, random);
    const surname = pick(SURNAMES, random);
    const town = pick(TOWNS, random);
    const address = `${1 + Math.floor(random.next() * 60)} ${pick(STREETS, random)}, ${town}`;
    const isPlace = random.next() < 0.2;
    const named = isPlace ? pick(PLACES, random) : surname;
    const made = THIS_YEAR - 1 - Math.floor(random.next() ** 1.5 * 28);
    const sheet: Sheet = {
      ...BLANK_SHEET,
      made: `${made}`,
      fuel: family.fuel,
      stands: pick(STANDS, random),
      shares: random.next() < SHARED ? 'one switch with the water heater' : '',
    };
    const createdAt = momentOf(500 + Math.floor(random.next() * 2500), 600);
    const machine: Machine = {
      id: idAt(createdAt, random),
      label: `${family.called}, ${named}`,
      site: `${isPlace ? named : `${surname} family`}, ${address}`,
      make,
      modelName,
      serial: `${make.slice(0, 2).toUpperCase()}${100_000 + Math.floor(random.next() * 900_000)}`,
      profile,
      build: { options: [...PLAIN.options], order: {} },
      wires: null,
      sheet,
      retired: null,
      mergedInto: null,
      createdAt: new Date(createdAt).toISOString(),
    };
    const contact: Contact = {
      customer: surname,
      telephone: `555 0${100 + Math.floor(random.next() * 900)}`,
      access: pick(ACCESS, random),
    };
    return { machine, contact };
  });
}
