import type {
  CaretakerForm,
  DueDuty,
  DutyOfMachine,
  DutyRecord,
  NewDutyRecord,
  OpenAddress,
  Replied,
  upkeep,
} from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import {
  addDays,
  type Day,
  dueOf,
  dutiesOf,
  type DutyId,
  dutyWith,
  isDay,
  type LastDone,
} from '@zetalysis/core/upkeep';
import { Problem } from '../../http/problem';
import type { Machine } from '../machines/model';
import { machineWith } from '../machines/repository';
import type { Profiles } from '../profiles/service';
import { audit } from '../audit/audit';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { namesOf } from '../session/repository';
import { settingsOfShop } from '../shop/service';
import type { DutyDone, StoredAddress } from './model';
import {
  addPlan,
  addRecord,
  addressBehind,
  allAddresses,
  giveAddress,
  keptMachines,
  lastDone,
  ownPlans,
  recordsOf,
  revokeAddress,
} from './repository';

/** So long what is due in the whole shop is not worked out again, milliseconds. */
const KEPT_MS = 20_000;
/** So far ahead the shop looks. */
const AHEAD_DAYS = 60;

const today = (): Day => new Date().toISOString().slice(0, 10);

/** What machines ask for again and again. */
export class Upkeep {
  constructor(private readonly profiles: Profiles) {}

  /**
   * What is due in the whole shop until a day: overdue first, then by day, site and machine. Every Today asks for it again and
   * again: what was worked out stays for a moment, so that another process' news may be that late.
   */
  async due(until = addDays(today(), AHEAD_DAYS)): Promise<DueDuty[]> {
    const kept = this.kept;
    if (kept?.until === until && Date.now() - kept.at < KEPT_MS) return kept.due;
    const due = await this.dueAnew(until);
    this.kept = { until, at: Date.now(), due };
    return due;
  }

  private kept: { readonly until: Day; readonly at: number; readonly due: DueDuty[] } | undefined;

  private async dueAnew(until: Day): Promise<DueDuty[]> {
    const machines = await keptMachines();
    const duties = await this.dutiesOfMachines(machines);
    return machines
      .flatMap((m) =>
        duties
          .get(m.id)!
          .flatMap(({ duty, every, last, due }): DueDuty[] =>
            due !== null && due.day <= until
              ? [{ machine: { id: m.id, label: m.label, site: m.site }, duty, every, last, due }]
              : [],
          ),
      )
      .sort((a, b) => rank(a) - rank(b) || compare(a.due.day, b.due.day) || compare(a.machine.site, b.machine.site));
  }

  async ofMachine(id: string): Promise<Replied<typeof upkeep.ofMachine>> {
    const machine = await known(id);
    const [duties, records] = await Promise.all([this.dutiesOfMachines([machine], id), recordsOf(id)]);
    return { duties: duties.get(id)!, records: records.map(shownRecord) };
  }

  /** Writes down that something was done. Throws a Problem when that cannot be. */
  async record(person: Person, id: string, done: NewDutyRecord): Promise<DutyRecord> {
    await known(id);
    checkDay(done.day);
    const record = await addRecord({ ...done, machineId: id, by: person.fullName, callId: null });
    this.kept = undefined;
    return shownRecord(record);
  }

  /** Sets how often a machine asks for a duty. Throws a Problem for whom it is not. */
  async plan(person: Person, id: string, duty: DutyId, every: number | null): Promise<DutyOfMachine[]> {
    if (can(authorityOf(person), 'tighten') !== '+')
      throw new Problem(403, 'Not yours to set', 'A lead or an admin says how often it is asked. Ask one of them.');
    const machine = await known(id);
    await addPlan(person.id, id, duty, every);
    this.kept = undefined;
    return (await this.dutiesOfMachines([machine], id)).get(id)!;
  }

  /** The form that a caretaker fills. Throws a Problem when the address is none, or was revoked. */
  async form(secret: string): Promise<CaretakerForm> {
    return this.formOf(await opened(secret));
  }

  /** What a caretaker says of the weekly test. */
  async fill(secret: string, given: Omit<NewDutyRecord, 'duty'> & { readonly by: string }): Promise<CaretakerForm> {
    const address = await opened(secret);
    const { day, result, by, words } = given;
    checkDay(day);
    await addRecord({
      machineId: address.machineId!,
      duty: CARETAKERS,
      day,
      result,
      words,
      by: `${by} (caretaker)`,
      callId: null,
    });
    this.kept = undefined;
    return this.formOf(address);
  }

  private async formOf({ machineId }: StoredAddress): Promise<CaretakerForm> {
    const machine = await known(machineId!);
    const { name, address } = await settingsOfShop();
    const last = (await lastDone(machine.id)).find((l) => l.duty === CARETAKERS);
    return {
      machine: machine.label,
      shop: { name, address },
      duty: CARETAKERS,
      last: last ? { day: last.day, result: last.result } : null,
    };
  }

  private async dutiesOfMachines(machines: readonly Machine[], only?: string): Promise<Map<string, DutyOfMachine[]>> {
    const [profiles, last, plans] = await Promise.all([this.profiles.all(), lastDone(only), ownPlans(only)]);
    const families = new Map(profiles.map((p) => [p.id, p.family]));
    const lastBy = new Map(last.map((l) => [`${l.machineId} ${l.duty}`, l]));
    const planBy = new Map(plans.map((p) => [`${p.machineId} ${p.duty}`, p.every]));
    // What failed is asked for until it is good, whether the machine asks for it or not.
    const failed = last.filter(({ result }) => result === 'bad');
    const planned = new Map<string, DutyId[]>();
    for (const { machineId, duty } of [...plans, ...failed])
      planned.set(machineId, [...(planned.get(machineId) ?? []), duty]);
    const now = today();
    // Thousands of machines are built in a few ways.
    const usualOf = new Map<string, readonly DutyId[]>();
    return new Map(
      machines.map((m) => {
        const key = `${m.profile} ${m.build.options.join()}`;
        const usual =
          usualOf.get(key) ??
          dutiesOf({ profile: m.profile, family: families.get(m.profile), build: m.build }).map((d) => d.id);
        usualOf.set(key, usual);
        const all = [...new Set([...usual, ...(planned.get(m.id) ?? [])])];
        return [
          m.id,
          all.map((duty) => ofOne(m, duty, lastBy.get(`${m.id} ${duty}`), planBy.get(`${m.id} ${duty}`), now)),
        ];
      }),
    );
  }
}

/** What a caretaker tests without an account. */
const CARETAKERS: DutyId = 'drain-test';

function ofOne(m: Machine, id: DutyId, last: LastDone | undefined, own: number | undefined, now: Day): DutyOfMachine {
  const duty = dutyWith(id)!;
  const every = own ?? duty.every;
  const since = new Date(m.createdAt).toISOString().slice(0, 10);
  return {
    duty: id,
    every,
    own: own !== undefined,
    last: last ? { day: last.day, result: last.result } : null,
    due: every === 0 && last?.result !== 'bad' ? null : dueOf(duty, every, last, since, now),
  };
}

const RANK = { overdue: 0, soon: 1, later: 2 } as const;
const rank = ({ due }: DueDuty): number => (due.failed ? -1 : RANK[due.state]);
const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

function shownRecord(row: DutyDone): DutyRecord {
  const { id, duty, day, result, words, by, callId, createdAt } = row;
  return { id, duty, day, result, words, by, call: callId, at: new Date(createdAt).toISOString() };
}

/** Nobody has done it tomorrow; a day of grace is for who is ahead of the server's clock. */
function checkDay(day: Day): void {
  if (!isDay(day)) throw new Problem(400, 'No such day', `${day} is not in the calendar. Write a day as 2026-11-30.`);
  if (day > addDays(today(), 1))
    throw new Problem(400, 'Not yet', `${day} has not come yet. Write the day on which it was done.`);
}

async function known(id: string): Promise<Machine> {
  const machine = await machineWith(id);
  if (!machine) throw new Problem(404, 'No such machine', 'This machine is not in the register.');
  return machine;
}

async function opened(secret: string): Promise<StoredAddress> {
  const address = await addressBehind('caretaker', secret);
  if (!address)
    throw new Problem(404, 'No such address', 'This address was taken back, or mistyped. Ask the shop for a new one.');
  return address;
}

const shownAddress = (row: StoredAddress, names: ReadonlyMap<string, string>): OpenAddress => ({
  id: row.id,
  kind: row.kind,
  label: row.label,
  machine: row.machineId,
  by: names.get(row.personId) ?? '',
  at: new Date(row.createdAt).toISOString(),
  revoked: row.revokedAt === null ? null : new Date(row.revokedAt).toISOString(),
});

/** Leads and admins look after addresses that need no account. */
function mayGive(person: Person): void {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to give', 'A lead or an admin gives such addresses. Ask one of them.');
}

export async function addresses(person: Person): Promise<OpenAddress[]> {
  mayGive(person);
  const rows = await allAddresses();
  const names = await namesOf(rows.map((r) => r.personId));
  return rows.map((row) => shownAddress(row, names));
}

/** Makes an address. Throws a Problem for whom it is not, and for a form without its machine. */
export async function give(
  person: Person,
  { kind, label, machine }: { kind: 'calendar' | 'caretaker'; label: string; machine: string | null },
): Promise<OpenAddress & { secret: string }> {
  mayGive(person);
  if (machine !== null) await known(machine);
  if (kind === 'caretaker' && machine === null)
    throw new Problem(400, 'Which machine?', 'A caretaker’s address is for one machine. Choose it.');
  const { stored, secret } = await giveAddress({ kind, label, machineId: machine, personId: person.id });
  await audit(person, 'address', label, `${kind} given`);
  return { ...shownAddress(stored, new Map([[person.id, person.fullName]])), secret };
}

export async function revoke(person: Person, id: string): Promise<void> {
  mayGive(person);
  if (!(await revokeAddress(id)))
    throw new Problem(404, 'No such address', 'There is no such address, or it was taken back already.');
  await audit(person, 'address', id, 'taken back');
}
