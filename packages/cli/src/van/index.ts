import { byTelephone, partsNeeded } from '@zetalysis/core/analysis';
import { loadVan, type Need, priceOf, sum } from '@zetalysis/core/book';
import { Engine } from '@zetalysis/core/diagnosis';
import { type Hypothesis, repairOf } from '@zetalysis/core/inference';
import { SimulatedTechnician } from '@zetalysis/core/practice';
import { loadProfile } from '@zetalysis/core/profile';
import type { EvidenceItem } from '@zetalysis/core/question';
import { FIRST_EPISODE, pick, pickBy, Random, VirtualAppliance } from '@zetalysis/core/simulation';
import { parseArgs } from 'node:util';
import { profileIds, profileSource } from '../files';
import type { Command } from '../main';
import { UsageError } from '../usage';

/** Calls of a day, and what a customer gets wrong of what they are asked on the telephone. Chosen by us. */
const CALLS = 5;
const MISTOLD = 0.08;
/** As many parts as whoever goes by what is common takes along. */
const COMMON = 5;

interface Family {
  readonly id: string;
  readonly text: string;
  readonly file: string;
  readonly engine: Engine;
  /** Ways of failing that somebody is called for. */
  readonly faults: readonly Hypothesis[];
}

/** What each way of loading mended at the first visit. */
interface Mended {
  readonly days: number;
  readonly calls: number;
  readonly price: number;
  readonly chosen: number;
  readonly expected: number;
  readonly common: number;
  readonly random: number;
}

/** Whether the set that is loaded by what customers tell mends more at the first visit than others of the same price. */
export const van: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      trial: { type: 'boolean', default: false },
      days: { type: 'string', default: '60' },
      seed: { type: 'string', default: '1' },
      json: { type: 'boolean', default: false },
    },
  });
  if (!values.trial || positionals.length > 0) throw new UsageError('van takes --trial, --days, --seed and --json');
  const whole = (name: 'days' | 'seed', most: number): number => {
    const value = Number(values[name]);
    if (!Number.isInteger(value) || value < 1 || value > most)
      throw new UsageError(`--${name} takes a whole number from 1 to ${most}, not "${values[name]}"`);
    return value;
  };
  const mended = playDays(whole('days', 2000), whole('seed', 1_000_000));
  return { text: values.json ? JSON.stringify(mended, null, 2) : inWords(mended), exit: 0 };
};

function playDays(days: number, seed: number): Mended {
  const families = profileIds().map(familyOf);
  const random = new Random(seed * 7919);
  const prices = pricesOf(families, new Random(seed));
  const common = commonest(families);
  const found = { calls: 0, price: 0, chosen: 0, expected: 0, common: 0, random: 0 };
  for (let day = 0; day < days; day++) {
    const calls = Array.from({ length: CALLS }, (_, i) => {
      const family = pick(families, random);
      const hidden = pickBy(family.faults, (h) => h.prior, random);
      return { needed: partOf(family, hidden), needs: toldBy(family, hidden, seed * 100_003 + day * CALLS + i) };
    });
    const money = Math.ceil(priceOf(common, prices));
    const set = loadVan(
      calls.map((c) => c.needs),
      prices,
      money,
    );
    const needed = calls.map((c) => c.needed);
    found.calls += CALLS;
    found.price += set.price;
    found.expected += set.mended;
    found.chosen += mendedWith(set.units, needed);
    found.common += mendedWith(common, needed);
    found.random += mendedWith(anySet(prices, money, random), needed);
  }
  return { days, ...found };
}

function familyOf(id: string): Family {
  const { text, file } = profileSource(id);
  const engine = new Engine(loadProfile(text, file));
  const faults = engine.hypotheses.filter(
    (h) =>
      h.kind === 'fault' && h.occurs === 1 && engine.traces.last(h.faults, [FIRST_EPISODE]).trace.outcome !== 'runs',
  );
  return { id, text, file, engine, faults };
}

/** The part that mends it; nothing where something else does. */
function partOf({ id }: Family, { repair }: Hypothesis): string | undefined {
  const { part, action } = repairOf(repair);
  return action === 'replace' && part !== undefined ? `${id} ${part}` : undefined;
}

/** What may be needed by what the customer tells when they are asked everything that can be asked on the telephone. */
function toldBy(family: Family, hidden: Hypothesis, seed: number): Need[] {
  const { id, text, file, engine } = family;
  const luck = new Random(seed);
  const appliance = VirtualAppliance.drawn(text, file, hidden.faults, luck);
  const customer = new SimulatedTechnician(appliance, luck, { misreported: MISTOLD, leads: 0, set: 'dc' });
  const items: EvidenceItem[] = [];
  for (const { question, intervention } of engine.tests) {
    if (intervention || !byTelephone(engine.model, question)) continue;
    const observation = customer.answer([FIRST_EPISODE], question);
    if (observation) items.push({ id: String(items.length), episode: 0, observation });
  }
  const assessment = engine.assess({ episodes: [FIRST_EPISODE], items }, { pairs: false });
  return partsNeeded(engine, assessment).map(({ part, share }) => ({ part: `${id} ${part}`, chance: share }));
}

/** Prices that nobody paid: between ten and two hundred, most of them low. */
function pricesOf(families: readonly Family[], random: Random): ReadonlyMap<string, number> {
  const parts = new Set(families.flatMap((f) => f.faults.flatMap((h) => partOf(f, h) ?? [])));
  return new Map([...parts].map((part) => [part, Math.round(10 * 20 ** (random.next() ** 1.5))]));
}

/** One each of the parts that are needed most often over all families. */
function commonest(families: readonly Family[]): ReadonlyMap<string, number> {
  const often = new Map<string, number>();
  for (const family of families)
    for (const h of family.faults) {
      const part = partOf(family, h);
      const total = sum(family.faults.map((f) => f.prior));
      if (part !== undefined) often.set(part, (often.get(part) ?? 0) + h.prior / total);
    }
  return new Map(
    [...often]
      .sort((a, b) => b[1] - a[1])
      .slice(0, COMMON)
      .map(([part]) => [part, 1]),
  );
}

/** Parts as they come, for as much money. */
function anySet(prices: ReadonlyMap<string, number>, money: number, random: Random): ReadonlyMap<string, number> {
  const set = new Map<string, number>();
  const parts = [...prices];
  let left = money;
  for (let tries = 0; tries < 200; tries++) {
    const [part, price] = pick(parts, random);
    if (price > left) continue;
    set.set(part, (set.get(part) ?? 0) + 1);
    left -= price;
  }
  return set;
}

/** How many calls a set mends as it turns out, each unit once. */
function mendedWith(units: ReadonlyMap<string, number>, needed: readonly (string | undefined)[]): number {
  const left = new Map(units);
  return needed.filter((part) => {
    if (part === undefined) return true;
    const n = left.get(part) ?? 0;
    left.set(part, n - 1);
    return n > 0;
  }).length;
}

const inWords = ({ days, calls, price, chosen, expected, common, random }: Mended): string =>
  [
    `${days} days of ${CALLS} calls, every set for the price of the ${COMMON} most common parts (${Math.round(price / days)} a day spent by the chosen one)`,
    '',
    `chosen by what customers tell   ${share(chosen, calls)} mended at the first visit, ${share(expected, calls)} expected`,
    `the ${COMMON} most common parts         ${share(common, calls)}`,
    `a random set                    ${share(random, calls)}`,
  ].join('\n');

const share = (n: number, of: number): string => `${((100 * n) / of).toFixed(1)} %`;
