import type { Model } from '../profile';
import {
  askedKey,
  equal,
  type Evidence,
  type EvidenceItem,
  type Fit,
  kindOf,
  type Prediction,
  reaching,
  scaleOf,
} from '../question';
import type { Episode } from '../simulation';
import { ASSUMED } from '../standards';
import { type Hypothesis, type HypothesisIndex, predicts, waysOfFailing } from './hypothesis';
import { groupLikelihood, logMix, logOf, worthOfEach } from './log-likelihood';
import { fitsSinceRepair, repairHistory, type SinceRepair } from './repair-history';
import type { Traces } from './traces';
import { Weighing } from './weighing';

/** How one item of evidence sits with every hypothesis. */
export interface ItemFit {
  readonly item: EvidenceItem;
  /** Same question in a like episode: readings in one group are not independent. */
  readonly group: string;
  /** By hypothesis index; undefined for hypotheses that predict nothing. */
  readonly predictions: readonly (Prediction | undefined)[];
  readonly fits: readonly (Fit | undefined)[];
  /** The same if a repair was no good, or let air into the pipe; for hypotheses that were repaired before the item. */
  readonly sinceRepair: ReadonlyMap<HypothesisIndex, SinceRepair>;
  /** Fit of a sound appliance: what a fault that comes and goes shows when it is away. */
  readonly sound: Fit | undefined;
  readonly base: number;
  /** The episode in which it was noted. */
  readonly episode: Episode;
}

/** Compares every item with every hypothesis. Hypotheses that predict (healthy, faults, pairs) are simulated. */
export function fitEvidence(
  model: Model,
  traces: Traces,
  hypotheses: readonly Hypothesis[],
  evidence: Evidence,
): ItemFit[] {
  const before = new Map<string, (readonly (Prediction | undefined)[])[]>();
  const severities = severitiesOf(hypotheses);
  const weighing = new Weighing(traces);
  return evidence.items.map((item) => {
    const chain = evidence.episodes.slice(0, item.episode + 1);
    const predictions = hypotheses.map((h) =>
      predicts(h) ? traces.predict(h.faults, chain, item.observation) : undefined,
    );
    for (const family of severities)
      reaching(
        family.map((h) => ({ prediction: predictions[h.index]!, course: traces.course(h.faults, chain) })),
      ).forEach((p, i) => (predictions[family[i]!.index] = p));
    const known = predictions.filter((p) => p !== undefined);
    const scale = scaleOf(model, item.observation, known);
    const kind = kindOf(item.observation);
    const episode = evidence.episodes[item.episode]!;
    const plain = (p: Prediction): Fit => kind.fit(model, item.observation, p, scale, predictions[0]);
    const { observation } = item;
    const weigh = weighing.reading(observation, scale, chain, plain);
    const fits = predictions.map((p, h) => (p ? weigh(p, hypotheses[h]!) : undefined));
    const sinceRepair = new Map<HypothesisIndex, SinceRepair>();
    for (const h of hypotheses) {
      const fitIn = (c: readonly Episode[]): Fit => plain(traces.predict(h.faults, c, observation));
      const since = fitsSinceRepair(model, h, chain, fitIn);
      if (since) sinceRepair.set(h.index, since);
    }
    return {
      item,
      group: groupOf(before, askedKey(model, episode, item.observation), predictions),
      predictions,
      fits,
      sinceRepair,
      sound: fits[0],
      base: uninformed(known, fits),
      episode,
    };
  });
}

/** The ways of failing that differ in how far they are gone, each with its severities in their order. */
function severitiesOf(hypotheses: readonly Hypothesis[]): Hypothesis[][] {
  const families = new Map<string, Hypothesis[]>();
  for (const h of hypotheses)
    if (h.severity && h.occurs === 1) families.set(h.family, [...(families.get(h.family) ?? []), h]);
  return [...families.values()].filter((f) => f.length > 1);
}

/** The same question is another one when something lasting was changed in between, so that another answer is expected. */
function groupOf(
  before: Map<string, (readonly (Prediction | undefined)[])[]>,
  key: string,
  predictions: readonly (Prediction | undefined)[],
): string {
  const like = before.get(key) ?? [];
  before.set(key, like);
  let at = like.findIndex((known) => known.every((p, h) => p === undefined || equal(p, predictions[h]!)));
  if (at < 0) at = like.push(predictions) - 1;
  return at === 0 ? key : `${key}#${at}`;
}

/** What somebody who knows nothing would expect: even odds over answers, or the blunder density. */
export function uninformed(predictions: readonly Prediction[], fits: readonly (Fit | undefined)[]): number {
  const first = predictions[0];
  if (first?.kind === 'choice' && first.of > 0) return 1 / first.of;
  return Math.max(1e-9, ...fits.map((f) => f?.base ?? 0));
}

/**
 * Posterior probability of every hypothesis. Readings of the same question in a like episode are not independent: together
 * they count little more than one, so that repeating a wrong reading does not make it true.
 */
export function posterior(
  hypotheses: readonly Hypothesis[],
  items: readonly ItemFit[],
  evidence: Evidence,
  /** What is thought of a hypothesis before anything is known. */
  priorOf: (h: Hypothesis) => number = (h) => h.prior,
): Float64Array {
  const groups = groupsOf(items);
  const worthOf = new Map(groups.flatMap((g) => g.items.map((i) => [i, worthOfEach(g.items.length)] as const)));
  const logs = Float64Array.from(hypotheses, (h) => Math.log(priorOf(h)));
  const bases = groups.map(({ items }) => items.reduce((product, i) => product * i.base, 1) ** (1 / items.length));
  const single = groups.map(({ items }) =>
    hypotheses.map((h) => (predicts(h) ? groupLikelihood(items.map((i) => i.fits[h.index])) : 0)),
  );
  for (const h of hypotheses) {
    const value = (group: number): number => single[group]![h.index]!;
    if (h.kind === 'unknown') logs[h.index]! += sumOf(groups, (g) => Math.log(bases[g]!));
    else if (h.kind === 'other') logs[h.index]! += otherLog(h, hypotheses, groups, single, bases, evidence);
    else if (h.occurs < 1) logs[h.index]! += comingAndGoing(h, groups, single);
    else logs[h.index]! += sumOf(groups, (g) => Math.log(Math.max(value(g), 1e-300)));
    if (h.kind === 'fault') logs[h.index]! += repairHistory(h, items, worthOf, badShare(h, evidence));
  }
  return normalise(logs);
}

interface ItemGroup {
  readonly episode: number;
  readonly items: readonly ItemFit[];
}

/** Items by like question; a group belongs to the episode of its first item. */
function groupsOf(items: readonly ItemFit[]): ItemGroup[] {
  const groups = new Map<string, ItemFit[]>();
  for (const item of items) groups.set(item.group, [...(groups.get(item.group) ?? []), item]);
  return [...groups.values()].map((list) => ({ episode: list[0]!.item.episode, items: list }));
}

const sumOf = (groups: readonly ItemGroup[], log: (group: number) => number): number =>
  groups.reduce((sum, _, g) => sum + log(g), 0);

/** A fault that comes and goes is there or away for a whole episode. */
function comingAndGoing(h: Hypothesis, groups: readonly ItemGroup[], single: readonly (readonly number[])[]): number {
  let log = 0;
  for (const episode of new Set(groups.map((g) => g.episode))) {
    let there = 0;
    let away = 0;
    groups.forEach((group, g) => {
      if (group.episode !== episode) return;
      there += logOf(single[g]![h.index]!);
      away += logOf(groupLikelihood(group.items.map((i) => i.sound)));
    });
    log += logMix(h.occurs, there, away);
  }
  return log;
}

function badShare(h: Hypothesis, evidence: Evidence): number {
  const last = evidence.episodes[evidence.episodes.length - 1]!;
  const measured = h.faults.every((f) => !last.repaired.includes(f.part) || last.measured?.includes(f.part) === true);
  return measured ? ASSUMED.badThoughMeasured : ASSUMED.badRepair;
}

/** An unlisted way of failing: something like the listed ways of the part, or anything at all; mended by its repair. */
function otherLog(
  h: Hypothesis,
  hypotheses: readonly Hypothesis[],
  groups: readonly ItemGroup[],
  single: readonly (readonly number[])[],
  bases: readonly number[],
  evidence: Evidence,
): number {
  const part = h.faults[0]!.part;
  const siblings = hypotheses.filter((s) => s.kind === 'fault' && s.faults.length === 1 && s.faults[0]!.part === part);
  const ways = waysOfFailing(siblings).length;
  const shareOf = ({ severity, occurs }: Hypothesis): number => (occurs === 1 ? (severity?.share ?? 1) : 1);
  let log = 0;
  let mended = 0;
  let notMended = 0;
  groups.forEach((group, g) => {
    const base = bases[g]!;
    if (evidence.episodes[group.episode]!.repaired.includes(part)) {
      mended += logOf(groupLikelihood(group.items.map((i) => i.sound)));
      notMended += logOf(base * ASSUMED.otherUnlike);
      return;
    }
    const listed =
      siblings.length === 0 ? base : siblings.reduce((sum, s) => sum + shareOf(s) * single[g]![s.index]!, 0) / ways;
    log += logOf(ASSUMED.otherLikeListed * listed + (1 - ASSUMED.otherLikeListed) * base * ASSUMED.otherUnlike);
  });
  return log + logMix(badShare(h, evidence), notMended, mended);
}

function normalise(logs: Float64Array): Float64Array {
  const top = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - top));
  const total = weights.reduce((sum, w) => sum + w, 0);
  return weights.map((w) => w / total);
}
