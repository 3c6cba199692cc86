import { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { type Build, loadProfile, type Model, PLAIN, variantsOf, withVariant } from '../profile';
import { FIRST_EPISODE, pick, pickBy, Random, varied } from '../simulation';
import type { DrawnExercise, Exercise, ExerciseKind } from './exercise';
import { HiddenAppliance } from './hidden-appliance';
import { type Level, levelWith, USUAL_SHARES } from './levels';
import { NOT_OURS } from './not-ours';
import { secondFor } from './second-fault';
import { storyOf } from './stories';

/** How much more often comes what somebody confuses. */
const CONFUSED_MORE = 4;

/** What somebody draws with: how often ways of failing were confused by them, by part. */
export interface Learner {
  readonly confuses?: readonly string[];
}

/** The profile that a level is played on. */
export const profileFor = (level: number, seed: number, known: readonly string[]): string => {
  const { profiles = known } = levelWith(level);
  const playable = profiles.filter((p) => known.includes(p));
  return pick(playable.length > 0 ? playable : known, new Random(seed));
};

/** Draws an exercise of a level on an appliance: a kind by its share, a way of failing by its rate. */
export function drawExercise(
  engine: Engine,
  { level, seed, profile }: Pick<Exercise, 'level' | 'seed' | 'profile'>,
  { confuses = [] }: Learner = {},
): Exercise {
  const random = new Random(seed * 2 + 1);
  const of = levelWith(level);
  const kinds = Object.entries(of.kinds ?? USUAL_SHARES).map(([kind, share]) => ({
    kind: kind as ExerciseKind,
    share,
  }));
  const wanted = pickBy(kinds, (k) => k.share, random).kind;
  const found = hideable(engine, wanted, of);
  // What a level cannot hide on this appliance, something else of it stands for.
  const [kind, among] = found.length > 0 ? [wanted, found] : (['single', hideable(engine, 'single', {})] as const);
  if (kind === 'nothing') return { level, seed, profile, kind, hidden: engine.healthy.index };
  const more = (h: Hypothesis): number => (confuses.includes(partOf(engine, h)) ? CONFUSED_MORE : 1);
  const { index } = pickBy(among, (h) => h.prior * more(h), random);
  return { level, seed, profile, kind, hidden: index };
}

/** What a lead can hide on an appliance: a way of failing by its name, and what it is. */
export function pinnable(engine: Engine): readonly { readonly family: string; readonly words: string }[] {
  const found = new Map<string, string>([['healthy', 'Nothing is wrong']]);
  for (const kind of ['single', 'cause', 'refer', 'fitful'] as const)
    for (const { family, words } of hideable(engine, kind, {})) if (!found.has(family)) found.set(family, words);
  return [...found].map(([family, words]) => ({ family, words }));
}

/** The exercise that hides what a lead has chosen. Throws an Error where that cannot be hidden there. */
export function pinExercise(
  engine: Engine,
  seed: Pick<Exercise, 'level' | 'seed' | 'profile'>,
  family: string,
): Exercise {
  const kind = (['nothing', 'single', 'cause', 'refer', 'fitful'] as const).find((k) =>
    hideable(engine, k, {}).some((h) => h.family === family),
  );
  if (!kind) throw new Error(`“${family}” cannot be hidden on this appliance: choose another.`);
  const { index } = hideable(engine, kind, {}).find((h) => h.family === family)!;
  return { ...seed, kind, hidden: index };
}

/** The part that a way of failing is of, by its id. */
const partOf = ({ model }: Engine, { faults }: Hypothesis): string => model.parts[faults[0]!.part]!.id;

/** What can be hidden in an exercise of a kind: it shows, and somebody can come to it. */
export function hideable(engine: Engine, kind: ExerciseKind, { hides }: Pick<Level, 'hides'>): readonly Hypothesis[] {
  if (kind === 'nothing') return [engine.healthy];
  const named = (h: Hypothesis): boolean => hides === undefined || hides.test(h.family);
  const faults = engine.hypotheses.filter((h) => h.kind === 'fault' && h.repair !== 'none' && shows(engine, h));
  const ours = (h: Hypothesis): boolean => NOT_OURS[partOf(engine, h)] === undefined;
  switch (kind) {
    case 'single':
      return faults.filter((h) => h.occurs === 1 && h.cause === undefined && ours(h) && named(h));
    case 'cause':
      return faults.filter((h) => h.occurs === 1 && h.cause !== undefined && ours(h));
    case 'fitful':
      return engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs < 1);
    case 'bad-part':
      return faults.filter((h) => h.occurs === 1 && h.cause === undefined && ours(h) && /replace/.test(h.repair));
    case 'two':
      return faults.filter((h) => h.occurs === 1 && h.cause === undefined && ours(h));
    case 'refer':
      return faults.filter((h) => h.occurs === 1 && !ours(h));
  }
}

/** Whether an appliance with it does anything else than a sound one when somebody watches. */
function shows(engine: Engine, h: Hypothesis): boolean {
  const first = [FIRST_EPISODE];
  return engine.traces.course(h.faults, first) !== engine.traces.course([], first);
}

/** Everything that follows from an exercise and the text of its profile. */
export interface Laid {
  readonly exercise: DrawnExercise;
  /** What whoever plays may know: the appliance by the book. */
  readonly engine: Engine;
  readonly appliance: HiddenAppliance;
}

/** Lays out an exercise. Throws an Error in words where its profile has no such place. */
export function layOut(exercise: Exercise, source: string, known?: Engine): Laid {
  const engine = known ?? engineFor(exercise, source);
  const { seed, kind } = exercise;
  const hidden = engine.hypotheses[exercise.hidden];
  if (!hidden || (hidden.kind !== 'fault' && hidden.kind !== 'healthy'))
    throw new Error('The appliance of this exercise has changed since its link was made. Begin another one.');
  const build = buildFor(exercise, source);
  const model = drawnModel(exercise, source);
  const truth = hidden.kind === 'fault' ? hidden : undefined;
  const others = truth && kind === 'two' ? hideable(engine, 'two', {}) : [];
  const second = truth && secondFor(model, truth, others, new Random(seed * 7 + 4));
  const appliance = new HiddenAppliance(model, truth, kind, seed, second);
  const complaint = storyOf(model, appliance.live([FIRST_EPISODE]), new Random(seed * 11 + 5));
  const whose = truth && kind === 'refer' ? NOT_OURS[partOf(engine, truth)] : undefined;
  return { engine, appliance, exercise: { ...exercise, build, truth, second, complaint, whose } };
}

/** The machine of an exercise with its own values, drawn from their bands. */
export const drawnModel = (of: Pick<Exercise, 'level' | 'seed' | 'profile'>, source: string): Model =>
  loadProfile(source, `${of.profile}.yaml`, {
    build: buildFor(of, source),
    vary: varied(new Random(of.seed * 3 + 2)),
  });

/** From this level on machines have options of their own. */
const OPTIONS_FROM = 3;

/** How the machine of an exercise is built: plain on the first levels, then with one of its family’s options or none. */
export function buildFor(
  { level, seed, profile }: Pick<Exercise, 'level' | 'seed' | 'profile'>,
  source: string,
): Build {
  if (level < OPTIONS_FROM) return PLAIN;
  const variants = variantsOf(source, `${profile}.yaml`);
  return withVariant(pick([undefined, ...variants], new Random(seed * 5 + 3))?.id);
}

/** The engine for the machine of an exercise. */
export const engineFor = (of: Pick<Exercise, 'level' | 'seed' | 'profile'>, source: string): Engine =>
  new Engine(loadProfile(source, `${of.profile}.yaml`, { build: buildFor(of, source) }));
