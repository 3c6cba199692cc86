import { coverage, type Coverage } from '@zetalysis/core/analysis';
import { Engine } from '@zetalysis/core/diagnosis';
import type { Hypothesis } from '@zetalysis/core/inference';
import { type Finding, MISREPORTED, type Policy, SimulatedTechnician, SimulatedVisit } from '@zetalysis/core/practice';
import { loadProfile, type Model } from '@zetalysis/core/profile';
import { type FaultRef, Random, VirtualAppliance } from '@zetalysis/core/simulation';
import { profileSource } from '../files';
import { calibrationError, type Weighed } from './calibration';
import { optimumRatios } from './optimum';
import { ADVISED, isRight, namesBroken } from './right';

/** The figures of one profile. Shares are weighted by how likely each fault is; `plain` counts every fault alike. */
export interface Score {
  readonly profile: string;
  readonly seed: number;
  readonly visits: number;
  readonly namedFirst: number;
  readonly namedFirstPlain: number;
  readonly proved: number;
  /** A proof against a part that is not the broken one. */
  readonly provedWrong: number;
  readonly replacedHealthy: number;
  readonly tests: number;
  readonly minutes: number;
  readonly walk: {
    readonly namedFirst: number;
    readonly proved: number;
    readonly tests: number;
    readonly minutes: number;
  };
  /** Minutes of one who knows what is broken and only has to prove it. */
  readonly knowing: number;
  readonly doubleError: number;
  readonly optimum: { readonly problems: number; readonly mean: number; readonly worst: number };
  readonly pairs: { readonly visits: number; readonly mended: number };
  readonly withheld: {
    readonly visits: number;
    readonly openMinded: number;
    readonly provedWrong: number;
    readonly wrongVisits: number;
  };
  readonly calibration: number;
  /** Faults whose repair was not named first, by id, with what was named instead. */
  readonly missed: readonly string[];
  /** Groups of faults that no test tells apart, and faults that show nothing: why a figure may fall short. */
  readonly alike: readonly string[];
  readonly silent: readonly string[];
}

export interface ScoreSize {
  readonly seed: number;
  readonly per: number;
  readonly pairs: number;
  readonly problems: number;
}

/** Most repairs on one visit before it is given up. */
const MOST_REPAIRS = 4;

/** One appliance to be visited: a hidden fault, and what the visit counts for. */
interface Drawn {
  readonly hidden: Hypothesis;
  readonly seed: number;
  readonly weight: number;
}

interface Played {
  readonly hidden: Hypothesis;
  readonly weight: number;
  readonly finding: Finding;
  readonly right: boolean;
}

const walkFigures = (walk: readonly Played[]): Score['walk'] => ({
  namedFirst: share(walk, (v) => v.right),
  proved: share(walk, (v) => v.finding.proved),
  tests: mean(walk, (v) => v.finding.tests),
  minutes: mean(walk, (v) => v.finding.minutes),
});

/** Scores one profile with appliances drawn from its spreads; never the nominal model. */
export function scoreProfile(id: string, size: ScoreSize): Score {
  const { text, file } = profileSource(id);
  const engine = new Engine(loadProfile(text, file));
  const { model } = engine;
  const known = coverage(engine);
  const faults = known.faults.filter((h) => !known.silent.includes(h));
  const withheldBy = withholding(model, known);
  const played = drawVisits(faults, size).map(({ hidden, seed, weight }) => {
    const technician = technicianAt(text, file, hidden.faults, new Random(seed));
    const play = (policy: Policy, misreported = MISREPORTED): Played => {
      const visit = new SimulatedVisit(
        engine,
        technician.again(misreported),
        policy,
        policy === 'knowing' ? hidden : undefined,
      );
      const finding = visit.diagnose();
      return { hidden, weight, finding, right: isRight(known, hidden, finding.named) };
    };
    return {
      advice: play('advice'),
      walk: play('walk'),
      knowing: play('knowing'),
      double: play('advice', 2 * MISREPORTED),
      withheld: { weight, ...withheldBy(hidden, technician.again()) },
    };
  });
  const advice = played.map((p) => p.advice);
  const knowing = played.map((p) => p.knowing);
  const double = played.map((p) => p.double);
  const wrongPart = (v: Played): boolean =>
    !v.right && v.finding.named.endsWith(':replace') && v.finding.probability >= ADVISED;
  return {
    profile: id,
    seed: size.seed,
    visits: advice.length,
    namedFirst: share(advice, (v) => v.right),
    namedFirstPlain: advice.filter((v) => v.right).length / advice.length,
    proved: share(advice, (v) => v.finding.proved),
    provedWrong: share(advice, (v) => v.finding.proved && !v.right && !namesBroken(model, v.hidden, v.finding.named)),
    replacedHealthy: share(advice, wrongPart),
    tests: mean(advice, (v) => v.finding.tests),
    minutes: mean(advice, (v) => v.finding.minutes),
    walk: walkFigures(played.map((p) => p.walk)),
    knowing: mean(knowing, (v) => v.finding.minutes),
    doubleError: share(double, (v) => v.right),
    optimum: optimumRatios(engine, faults, new Random(size.seed), size.problems),
    pairs: playPairs(engine, text, file, faults, size),
    withheld: withheldFigures(played.map((p) => p.withheld)),
    calibration: calibrationError(advice.flatMap((v) => statements(known, v))),
    missed: [...new Set(advice.filter((v) => !v.right).map((v) => `${v.hidden.id} → ${v.finding.named}`))],
    alike: known.alike.map((g) => g.map((h) => h.id).join(' = ')),
    silent: known.silent.map((h) => h.id),
  };
}

/** A technician before an appliance drawn from a type. */
const technicianAt = (text: string, file: string, hidden: readonly FaultRef[], random: Random): SimulatedTechnician =>
  new SimulatedTechnician(VirtualAppliance.drawn(text, file, hidden, random), random);

/**
 * Every fault at least once, and the likely ones oftener: `per` times as many visits as there are faults, shared out by how
 * likely each is, so that no single visit decides a figure.
 */
function drawVisits(faults: readonly Hypothesis[], { seed, per }: ScoreSize): Drawn[] {
  const total = faults.reduce((sum, h) => sum + h.prior, 0);
  return faults.flatMap((hidden, f) => {
    const share = hidden.prior / total;
    const times = Math.max(1, Math.round(per * faults.length * share));
    return Array.from({ length: times }, (_, i) => ({
      hidden,
      seed: seed * 100_003 + f * 101 + i,
      weight: share / times,
    }));
  });
}

/** Every share that was stated on the way, against whether it was right. */
const statements = (known: Coverage, v: Played): Weighed[] =>
  v.finding.stated.map((s) => ({
    stated: s.probability,
    right: isRight(known, v.hidden, s.repair),
    weight: v.weight / v.finding.stated.length,
  }));

function share(list: readonly Played[], test: (v: Played) => boolean): number {
  return mean(list, (v) => (test(v) ? 1 : 0));
}

function mean(list: readonly Played[], value: (v: Played) => number): number {
  return list.reduce((sum, v) => sum + v.weight * value(v), 0);
}

/** Random pairs: diagnose, repair what is named first, go on, until it runs. */
function playPairs(
  engine: Engine,
  text: string,
  file: string,
  faults: readonly Hypothesis[],
  size: ScoreSize,
): Score['pairs'] {
  const random = new Random(size.seed + 77);
  const repairable = faults.filter((h) => h.repair !== 'none');
  let mended = 0;
  for (let n = 0; n < size.pairs; n++) {
    const first = drawn(repairable, random);
    let second = drawn(repairable, random);
    while (second.faults[0]!.part === first.faults[0]!.part) second = drawn(repairable, random);
    const technician = technicianAt(text, file, [...first.faults, ...second.faults], random);
    const visit = new SimulatedVisit(engine, technician, 'advice');
    for (let r = 0; r < MOST_REPAIRS; r++) {
      const { named } = visit.diagnose();
      const parts = engine.hypotheses.filter((h) => h.repair === named).flatMap((h) => h.faults.map((f) => f.part));
      if (parts.length === 0) break;
      visit.repair(parts);
      if (technician.appliance.runs(visit.episodes)) break;
    }
    const repaired = visit.episodes[visit.episodes.length - 1]!.repaired;
    const left = [first, second].filter((h) => !repaired.includes(h.faults[0]!.part));
    // What does not show once the other is mended cannot be found on this visit.
    if (left.length === 0 || (left.length === 1 && technician.appliance.runs(visit.episodes))) mended++;
  }
  return { visits: size.pairs, mended: mended / size.pairs };
}

/** Draws a fault as likely as it is. */
function drawn(faults: readonly Hypothesis[], random: Random): Hypothesis {
  const total = faults.reduce((sum, h) => sum + h.prior, 0);
  let at = random.next() * total;
  for (const h of faults) if ((at -= h.prior) <= 0) return h;
  return faults[faults.length - 1]!;
}

/** How a visit went whose fault was not in the model. */
interface Withheld {
  readonly weight: number;
  readonly open: boolean;
  readonly wrong: boolean;
}

/** Takes the fault of each visit out of the model and lets it happen all the same. */
function withholding(model: Model, known: Coverage) {
  // Visits of one fault come one after the other.
  let last: { repair: string; engine: Engine } | undefined;
  return (hidden: Hypothesis, technician: SimulatedTechnician): Omit<Withheld, 'weight'> => {
    if (last?.repair !== hidden.repair) {
      // The whole repair is withheld: its other modes would name the same part.
      const gone = Object.fromEntries(known.faults.filter((h) => h.repair === hidden.repair).map((h) => [h.id, 0]));
      last = { repair: hidden.repair, engine: new Engine(model, gone) };
    }
    const finding = new SimulatedVisit(last.engine, technician, 'advice').diagnose();
    // Its own way of failing is not in the model: naming the part that is broken is all that can be right.
    const right = isRight(known, hidden, finding.named) || namesBroken(model, hidden, finding.named);
    const wrong = finding.proved && !right;
    return { open: !wrong || finding.kind === 'unknown', wrong };
  };
}

function withheldFigures(visits: readonly Withheld[]): Score['withheld'] {
  const part = (test: (v: Withheld) => boolean): number => visits.reduce((sum, v) => sum + (test(v) ? v.weight : 0), 0);
  return {
    visits: visits.length,
    openMinded: part((v) => v.open),
    provedWrong: part((v) => v.wrong),
    wrongVisits: visits.filter((v) => v.wrong).length,
  };
}
