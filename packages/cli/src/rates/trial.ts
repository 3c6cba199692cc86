import { coverage, type Coverage } from '@zetalysis/core/analysis';
import { factorsOf, type FamilyRates, learnFamily, sum, suspectedWays, wayOf } from '@zetalysis/core/book';
import { Engine } from '@zetalysis/core/diagnosis';
import { type Hypothesis, waysOfFailing } from '@zetalysis/core/inference';
import { type Finding, SimulatedTechnician, SimulatedVisit } from '@zetalysis/core/practice';
import { loadProfile } from '@zetalysis/core/profile';
import { pickBy, Random, VirtualAppliance } from '@zetalysis/core/simulation';
import { profileSource } from '../files';
import { isRight } from '../score/right';

/** How much is played of a family under one seed. */
export interface TrialSize {
  readonly seed: number;
  /** Breaks that the shop's book holds, about. */
  readonly breaks: number;
  /** Calls that are held out: for the losses, and of them those that are played. */
  readonly heldOut: number;
  readonly visits: number;
}

/** How rates that are learned from a season with hidden true rates do beside the assumed ones. */
export interface Trial {
  readonly profile: string;
  readonly seed: number;
  /** Parts and ways of failing, and those whose interval holds the truth. */
  readonly ways: number;
  readonly covered: number;
  /** Of those with ten cases and more, the widest interval: the upper limit by the lower. */
  readonly many: number;
  readonly widest: number;
  /** Mean surprise over calls that were held out, nats: by learned, assumed and raw counts. */
  readonly loss: { readonly learned: number; readonly assumed: number; readonly raw: number };
  /** Held-out visits, played under both. */
  readonly visits: number;
  readonly first: { readonly learned: number; readonly assumed: number };
  readonly end: { readonly learned: number; readonly assumed: number };
  readonly minutes: { readonly learned: number; readonly assumed: number };
}

/** True rates lie so far from the assumed ones: the spread of their logarithm. Chosen by us; nine in ten within a factor of 4.4. */
const SPREAD = 0.9;
/** Breaks by machine and year, and the share of calls on which nothing was proved. Chosen by us. */
const LEVEL = 0.9;
const SUSPECTED = 0.2;
/** What a count says of something that it never saw, cases. */
const NEVER_SEEN = 0.01;

/** Plays one family, under each seed: a season to learn from, and calls that were held out. */
export function playTrials(id: string, sizes: readonly TrialSize[]): Trial[] {
  const { text, file } = profileSource(id);
  const shipped = new Engine(loadProfile(text, file));
  const known = coverage(shipped);
  const ways = waysThatShow(known);
  return sizes.map((size) => played({ id, text, file, shipped, known, ways }, size));
}

interface Family {
  readonly id: string;
  readonly text: string;
  readonly file: string;
  readonly shipped: Engine;
  readonly known: Coverage;
  readonly ways: ReadonlyMap<string, Way>;
}

function played({ id, text, file, shipped, known, ways }: Family, size: TrialSize): Trial {
  const random = new Random(size.seed * 7919 + ([...id].reduce((at, c) => at * 31 + c.charCodeAt(0), 7) % 100_003));
  const usual = new Map([...ways].map(([way, { weight }]) => [way, weight]));
  const truth = trueRates(usual, random);
  const years = size.breaks / LEVEL;
  const meet = (way: string, seed: number): SimulatedTechnician => {
    const luck = new Random(seed);
    const hidden = pickBy(ways.get(way)!.members, (h) => h.prior, luck);
    return new SimulatedTechnician(VirtualAppliance.drawn(text, file, hidden.faults, luck), luck);
  };
  const cases = new Map<string, number>();
  let [call, untold] = [0, 0];
  for (const [way, perYear] of truth)
    for (let n = poisson(perYear * years, random); n > 0; n--) {
      const counted =
        random.next() < SUSPECTED ? suspected(shipped, meet(way, size.seed * 1_000_003 + call)) : new Map([[way, 1]]);
      if (counted.size === 0) untold++;
      for (const [w, share] of counted) if (usual.has(w)) cases.set(w, (cases.get(w) ?? 0) + share);
      call++;
    }
  const learned = learnFamily(usual, { cases, years, untold, makes: new Map(), ages: new Map() });
  const book = { format: 'zetalysis-rates/1', families: { [id]: learned } } as const;
  const taught = new Engine(shipped.model, factorsOf(book, { profile: id }));
  const heldOut = Array.from({ length: size.heldOut }, () => pickBy([...truth], ([, rate]) => rate, random)[0]);
  const visits = heldOut.slice(0, size.visits).map((way, i) => {
    const technician = meet(way, size.seed * 2_000_003 + i);
    const play = (engine: Engine): Finding => new SimulatedVisit(engine, technician.again(), 'advice').diagnose();
    return { hidden: ways.get(way)!.members[0]!, assumed: play(shipped), learned: play(taught) };
  });
  const right = (which: 'assumed' | 'learned', of: (f: Finding) => string): number =>
    visits.filter((v) => isRight(known, v.hidden, of(v[which]))).length;
  const both = (of: (which: 'assumed' | 'learned') => number): { learned: number; assumed: number } => ({
    learned: of('learned'),
    assumed: of('assumed'),
  });
  return {
    profile: id,
    seed: size.seed,
    ...intervals(learned, truth),
    loss: {
      learned: loss(heldOut, new Map(Object.entries(learned.ways).map(([w, r]) => [w, r.rate]))),
      assumed: loss(heldOut, usual),
      raw: loss(heldOut, new Map([...usual.keys()].map((w) => [w, cases.get(w) || NEVER_SEEN]))),
    },
    visits: visits.length,
    first: both((which) => right(which, (f) => f.stated[0]!.repair)),
    end: both((which) => right(which, (f) => f.named)),
    minutes: both((which) => sum(visits.map((v) => v[which].minutes))),
  };
}

interface Way {
  readonly weight: number;
  readonly members: readonly Hypothesis[];
}

/** Ways of failing that anybody is called for; what comes and goes is met at home only. */
function waysThatShow(known: Coverage): ReadonlyMap<string, Way> {
  const ways = new Map<string, Way>();
  for (const { hypothesis } of waysOfFailing(known.faults.filter((h) => h.occurs === 1 && !known.silent.includes(h)))) {
    const members = known.faults.filter((h) => h.family === hypothesis.family && !known.silent.includes(h));
    ways.set(wayOf(hypothesis), { members, weight: sum(members.map((h) => h.prior)) });
  }
  return ways;
}

/** Rates by machine and year that nobody knows: the assumed ones, each off by a factor of its own. */
function trueRates(usual: ReadonlyMap<string, number>, random: Random): ReadonlyMap<string, number> {
  const off = new Map([...usual].map(([way, rate]) => [way, rate * Math.exp(SPREAD * random.normal())]));
  const total = sum(off.values());
  return new Map([...off].map(([way, rate]) => [way, (LEVEL * rate) / total]));
}

/** What a call on which a try was watched and nothing proved counts for, under the rates that ship. */
function suspected(shipped: Engine, technician: SimulatedTechnician): ReadonlyMap<string, number> {
  const visit = new SimulatedVisit(shipped, technician, 'advice');
  visit.watch();
  return suspectedWays(visit.assess());
}

function intervals(
  learned: FamilyRates,
  truth: ReadonlyMap<string, number>,
): Pick<Trial, 'ways' | 'covered' | 'many' | 'widest'> {
  let [covered, many, widest] = [0, 0, 1];
  for (const [way, rate] of truth) {
    const { low, high, cases } = learned.ways[way]!;
    if (low <= rate && rate <= high) covered++;
    if (cases < 10) continue;
    many++;
    widest = Math.max(widest, high / low);
  }
  return { ways: truth.size, covered, many, widest };
}

function loss(calls: readonly string[], rates: ReadonlyMap<string, number>): number {
  const total = sum(rates.values());
  return -sum(calls.map((way) => Math.log(rates.get(way)! / total))) / calls.length;
}

/** A Poisson number (D. E. Knuth, The Art of Computer Programming, vol. 2, section 3.4.1). */
function poisson(mean: number, random: Random): number {
  let n = 0;
  for (let p = random.next(); p > Math.exp(-mean); p *= random.next()) n++;
  return n;
}
