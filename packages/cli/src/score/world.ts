import { coverage } from '@zetalysis/core/analysis';
import { Engine } from '@zetalysis/core/diagnosis';
import { type Hypothesis, waysOfFailing } from '@zetalysis/core/inference';
import {
  drawnFrom,
  type Finding,
  habitsIn,
  type Policy,
  SimulatedTechnician,
  SimulatedVisit,
  type World,
} from '@zetalysis/core/practice';
import { whatNow } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { FIRST_EPISODE, Random } from '@zetalysis/core/simulation';
import { profileSource } from '../files';
import { ADVISED, isRight, namesBroken } from './right';

/** Visits to appliances of a world, as likely as their faults are: counted, so that each share has its bounds. */
export interface WorldScore {
  readonly profile: string;
  readonly world: string;
  readonly visits: number;
  readonly namedFirst: number;
  /** A healthy part to be replaced was advised. */
  readonly wrongPart: number;
  readonly provedWrong: number;
  /** "The model does not know it" leads, though it does. */
  readonly unknownLeads: number;
  /** Ended neither proved nor with an order of what to mend, nor because nothing is broken or nothing fits. */
  readonly deadEnds: number;
  readonly minutes: number;
  /** Minutes of one who knows what is broken and only has to prove it. */
  readonly knowing: number;
  /** What was named instead, by hidden fault, with how often. */
  readonly missed: readonly string[];
}

/**
 * Plays a family in a world. Silent faults, which nothing shows, are left out as in the old table; one that was drawn so little gone
 * that nothing shows it may be called sound.
 */
export function scoreInWorld(id: string, world: World, visits: number, seed: number): WorldScore {
  const { text, file } = profileSource(id);
  const engine = new Engine(loadProfile(text, file));
  const { model } = engine;
  const known = coverage(engine);
  const faults = waysOfFailing(known.faults.filter((h) => !known.silent.includes(h)));
  const missed = new Map<string, number>();
  const counted = { namedFirst: 0, wrongPart: 0, provedWrong: 0, unknownLeads: 0, deadEnds: 0 };
  let [minutes, knowing] = [0, 0];
  const random = new Random(seed);
  for (let n = 0; n < visits; n++) {
    const hidden = pick(faults, random);
    const luck = new Random(seed * 100_003 + n);
    const appliance = drawnFrom(world, text, file, hidden.faults, luck);
    const technician = new SimulatedTechnician(appliance, luck, habitsIn(world, luck));
    const play = (policy: Policy): { finding: Finding; visit: SimulatedVisit } => {
      const again = technician.again(world.misreported);
      const visit = new SimulatedVisit(engine, again, policy, policy === 'knowing' ? hidden : undefined);
      return { finding: visit.diagnose(), visit };
    };
    const { finding, visit } = play('advice');
    // Drawn so little gone that everything runs as on a sound one, it is sound to whoever looks.
    const unseen = finding.named === 'none' && appliance.runs([FIRST_EPISODE]);
    const right = unseen || isRight(known, hidden, finding.named);
    if (right) counted.namedFirst++;
    else missed.set(`${hidden.id} → ${finding.named}`, (missed.get(`${hidden.id} → ${finding.named}`) ?? 0) + 1);
    if (!right && finding.named.endsWith(':replace') && finding.probability >= ADVISED) counted.wrongPart++;
    if (!right && finding.proved && !namesBroken(model, hidden, finding.named)) counted.provedWrong++;
    if (finding.kind === 'unknown') counted.unknownLeads++;
    if (!finding.proved && isDeadEnd(engine, visit, finding)) counted.deadEnds++;
    minutes += finding.minutes / visits;
    knowing += play('knowing').finding.minutes / visits;
  }
  return {
    profile: id,
    world: world.title,
    visits,
    ...counted,
    minutes,
    knowing,
    missed: [...missed]
      .sort((a, b) => b[1] - a[1])
      .map(([words, times]) => (times > 1 ? `${words} (${times})` : words)),
  };
}

/** It stopped, something is blamed, and yet nothing says what to mend. */
function isDeadEnd(engine: Engine, visit: SimulatedVisit, { named }: Finding): boolean {
  const assessment = visit.assess();
  const blames = named !== 'none' && named !== 'unknown' && !assessment.noHypothesisFits;
  return blames && whatNow(engine.model, assessment).order.length === 0;
}

/** A way of failing as likely as it is, in any of its severities: how far it is gone the world says. */
function pick(faults: ReturnType<typeof waysOfFailing>, random: Random): Hypothesis {
  const total = faults.reduce((sum, f) => sum + f.weight, 0);
  let at = random.next() * total;
  return (faults.find((f) => (at -= f.weight) <= 0) ?? faults[faults.length - 1]!).hypothesis;
}
