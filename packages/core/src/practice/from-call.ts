import { type Assessment, type Engine, standingOf } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { type Build, buildKey, findPart, type PartIndex } from '../profile';
import { type EvidenceItem, kindOf, type Prediction, untilMended } from '../question';
import type { Episode } from '../simulation';
import { type CallEvent, reduceCall } from '../visit';
import { buildFor, drawnModel, engineFor, hideable } from './draw-exercise';
import type { Exercise, ExerciseKind } from './exercise';
import { HiddenAppliance } from './hidden-appliance';

/** So many machines are drawn, and the one is taken that reads most as was measured. */
const DRAWS = 40;
/** So many seeds are looked at for machines that are built as the one of the call. */
const SEEDS = 600;
/** A plain machine is played on a level that has no options, one with an option on the last. */
const LEVEL = { plain: 2, option: 7 } as const;
/** A reading that is further off than this, share, is as wrong as can be. */
const FAR = 1;
/** What reads less than this is next to nothing, in the unit of the reading. */
const NOTHING = 0.1;

/**
 * An exercise with what was proved on a call: the machine built as it was, the same fault of the same severity, and sound values that read
 * as was measured, as far as a draw comes to them. The call itself is not told. In words why there is none.
 */
export function exerciseFromCall(
  source: string,
  profile: string,
  build: Build,
  events: readonly CallEvent[],
  seed: number,
): Exercise | { readonly problem: string } {
  const plain = build.options.length === 0;
  const level = plain ? LEVEL.plain : LEVEL.option;
  const key = buildKey(build);
  const alike = Array.from({ length: SEEDS }, (_, i) => (seed + i * 7919) % 2 ** 30)
    .filter((s) => buildKey(buildFor({ level, seed: s, profile }, source)) === key)
    .slice(0, DRAWS);
  if (alike.length === 0)
    return { problem: 'This machine is wired in its own way: exercises are on the drawings of the Library.' };
  const engine = engineFor({ level, seed: alike[0]!, profile }, source);
  const { evidence, record, followed } = reduceCall(engine.model, events);
  const before = untilMended(evidence);
  const assessment = engine.assess({ ...evidence, items: before });
  // What the record names is it, of the severity that explains best; the repair proved it where no reading did.
  const named = record && findPart(engine.model, record.part)?.index;
  const proved = followed.ending === 'proved' || standingOf(assessment) === 'proved';
  const hidden = proved && named !== undefined ? likeliest(assessment, named) : undefined;
  const kind = hidden && kindOfHidden(engine, hidden);
  if (!hidden || kind === undefined)
    return { problem: 'Nothing was proved on this call that can be hidden in an exercise.' };
  const off = (s: number): number => {
    const model = drawnModel({ level, seed: s, profile }, source);
    return meanMisfit(new HiddenAppliance(model, hidden, kind, s), before, evidence.episodes);
  };
  const [best] = alike.map((s) => ({ seed: s, off: off(s) })).sort((a, b) => a.off - b.off);
  return { level, seed: best!.seed, profile, kind, hidden: hidden.index };
}

/** Of the ways in which a part breaks, the one that is believed most. */
const likeliest = ({ hypotheses, probabilities }: Assessment, part: PartIndex): Hypothesis | undefined =>
  hypotheses
    .filter((h) => h.kind === 'fault' && h.breaks === part)
    .sort((a, b) => probabilities[b.index]! - probabilities[a.index]!)[0];

function kindOfHidden(engine: Engine, hidden: Hypothesis): ExerciseKind | undefined {
  const kinds = ['single', 'cause', 'refer', 'fitful'] as const;
  return kinds.find((kind) => hideable(engine, kind, {}).some(({ index }) => index === hidden.index));
}

/** How far the readings of a machine lie from those that were taken, mean share. */
export function meanMisfit(
  appliance: HiddenAppliance,
  items: readonly EvidenceItem[],
  episodes: readonly Episode[],
): number {
  const offs = items.flatMap(({ episode, observation }) => {
    const read =
      'reading' in observation && observation.reading.kind === 'value' ? observation.reading.value : undefined;
    if (read === undefined) return [];
    const lived = appliance.live(episodes.slice(0, episode + 1));
    const is = valueOf(kindOf(observation).predict(appliance.model, lived, observation));
    return [is === undefined ? FAR : Math.min(FAR, Math.abs(is - read) / Math.max(Math.abs(read), NOTHING))];
  });
  return offs.length === 0 ? 0 : offs.reduce((sum, off) => sum + off, 0) / offs.length;
}

function valueOf(is: Prediction): number | undefined {
  switch (is.kind) {
    case 'volts':
      return is.volts;
    case 'ohms':
      return is.ohms;
    case 'number':
      return is.value;
    default:
      return undefined;
  }
}
