import { SHELF } from '@zetalysis/core/book';
import { ENGINE_VERSION } from '@zetalysis/core/diagnosis';
import { loadProfile } from '@zetalysis/core/profile';
import { GRANTS } from '@zetalysis/core/rules';
import { buildEntry, type CallEvent, type EventBody, meaningsOf, withMeaning } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import { Call, LoggedEvent } from '../features/calls/model';
import { rebuildOverviews } from '../features/calls/overviews';
import { eventRow } from '../features/calls/repository';
import { Machine } from '../features/machines/model';
import type { Profiles } from '../features/profiles/service';
import { Person } from '../features/session/model';
import { authorityOf, grantsText } from '../features/session/authority';
import { hashPassword } from '../features/session/password';
import { keepWords } from '../features/search/repository';
import { StoredInstrument } from '../features/instruments/model';
import { CALLS } from './calls';
import { addSettings } from '../features/shop/repository';
import { writeItem, writeLeast, writeMoves } from '../features/stock/repository';
import { DutyDone } from '../features/upkeep/model';
import { INSTRUMENTS } from './instruments';
import { MACHINES } from './machines';
import { loadSeason, type Say } from './season';
import { STOCK } from './stock';
import { upkeepDone } from './upkeep';

export const DEMO_PASSWORD = 'cold-morning';

const SHOP = {
  name: 'Tindall Heating',
  address: '2 Weir Street, Fernwick · 555 0142',
  currency: '$',
  hour: 118,
  paper: 'LETTER',
} as const;

const PEOPLE = [
  { name: 'rosa', fullName: 'Rosa Tindall', role: 'lead', grants: grantsText(GRANTS) },
  {
    name: 'imre',
    fullName: 'Imre Castellan',
    role: 'technician',
    grants: grantsText(['line', 'gas', 'bypass', 'combustion', 'steam']),
  },
  { name: 'bea', fullName: 'Bea Oduya', role: 'apprentice', grants: '' },
  { name: 'office', fullName: 'Office', role: 'admin', grants: '' },
] as const;

/**
 * Loads the invented demo shop into an empty database; does nothing when there are people already. With the file of a season, a year
 * of its work and everybody else’s machines come too.
 * @param say is told how far it is
 */
export async function loadDemo(profiles: Profiles, season?: string, say: Say = () => undefined): Promise<void> {
  if ((await Person.count()) > 0) return;
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const people = await Promise.all(PEOPLE.map((p) => Person.create({ ...p, id: v7(), units: 'us', passwordHash })));
  await addSettings(people[0]!.id, SHOP);
  await StoredInstrument.bulkCreate(INSTRUMENTS.map((i) => ({ ...i, id: v7() })));
  await loadStock(people);
  const machines: Machine[] = [];
  // The shop has known them for a while.
  const known = new Date(Date.now() - 3000 * 86_400_000);
  for (const machine of MACHINES) machines.push(await Machine.create({ ...machine, id: v7(), createdAt: known }));
  const joined = season === undefined ? undefined : await loadSeason(season, profiles, people, passwordHash, say);
  machines.push(...(joined?.machines ?? []));
  const families = new Map((await profiles.all()).map((p) => [p.id, p.family]));
  const kept = machines.map(({ profile, build }) => ({ profile, build, family: families.get(profile) }));
  await DutyDone.bulkCreate(
    upkeepDone(kept, new Date().toISOString().slice(0, 10)).map(({ machine, ...done }) => ({
      ...done,
      id: v7(),
      machineId: machines[machine]!.id,
      by: people[1]!.fullName,
      callId: null,
    })),
  );
  for (const demo of CALLS) {
    const machine = machines[demo.machine]!;
    const person = people.find((p) => p.name === demo.person)!;
    const profile = await profiles.get(machine.profile, 400);
    const callId = v7();
    const start = Date.now() - demo.daysAgo * 86_400_000 - 50 * 60_000;
    const pins = {
      profile: machine.profile,
      profileVersion: profile.version,
      build: buildEntry(machine.build),
      engineVersion: ENGINE_VERSION,
      settings: { units: 'us', settingsVersion: '1' } as const,
    };
    await Call.create({
      id: callId,
      machineId: machine.id,
      complaint: demo.complaint,
      profile: pins.profile,
      profileVersion: pins.profileVersion,
      build: machine.build,
      engineVersion: pins.engineVersion,
      settings: pins.settings,
      openedBy: person.id,
      createdAt: new Date(start),
    });
    const model = loadProfile(profile.source, machine.profile, { build: machine.build });
    const meanings = meaningsOf(model);
    const opened: EventBody = {
      type: 'opened',
      machine: machine.id,
      complaint: demo.complaint,
      ...(model.family !== undefined && { family: model.family }),
      ...pins,
    };
    const log: CallEvent[] = [opened, ...demo.events].map((body, i) => ({
      id: v7(),
      call: callId,
      seq: i + 1,
      at: new Date(start + i * 90_000).toISOString(),
      device: 'demo',
      person: demo.person,
      body: withMeaning(meanings, body),
    }));
    await LoggedEvent.bulkCreate(log.map((event, i) => eventRow({ event, number: i + 1 }, authorityOf(person))));
    await keepWords(log);
  }
  say('making what lists show');
  await rebuildOverviews();
}

/** The parts of the shop: on the shelf, and in the van of whoever drives to most calls. */
async function loadStock(people: readonly Person[]): Promise<void> {
  const office = people[0]!.id;
  const van = people[1]!.id;
  for (const { shelf, van: along, least, fits, ...item } of STOCK) {
    const id = v7();
    await writeItem(office, id, {
      ...item,
      fits: fits.map((f) => {
        const [profile = '', part = ''] = f.split(' ');
        return { profile, part };
      }),
    });
    const counted = { item: id, why: 'counted' } as const;
    const lies = [
      { ...counted, place: SHELF, units: shelf },
      { ...counted, place: van, units: along },
    ].filter(({ units }) => units > 0);
    if (lies.length > 0) await writeMoves(office, lies);
    if (least > 0) await writeLeast(office, id, SHELF, least);
  }
}
