import type { Engine } from '@zetalysis/core/diagnosis';
import {
  drawExercise,
  engineFor,
  exerciseCode,
  exerciseFromCall,
  type KeptStand,
  type Laid,
  layOut,
  lessonOf,
  perform,
  pinExercise,
  pinnable,
  plan,
  type PracticeAct,
  readExerciseCode,
  Stand,
  stateAfter,
  wireColours,
} from '@zetalysis/core/practice';
import {
  type Drawing,
  drawingOf,
  endingsNow,
  type EndingsNow,
  hintWords,
  type LessonView,
  lessonView,
  type StandView,
  standView,
} from '@zetalysis/core/presentation';
import type { UnitSystem } from '@zetalysis/core/units';
import type { CallEvent } from '@zetalysis/core/visit';
import type { CallHead } from '@zetalysis/contract';
import { expose } from 'comlink';

/** What whoever plays may know of an exercise. */
export interface Begun {
  readonly drawing: Drawing;
  readonly complaint: string;
  readonly level: number;
  /** Colour of the wire at each test point. */
  readonly colours: Readonly<Record<string, string>>;
}

/** Which machine of which level, by a seed. */
export interface Seed {
  readonly level: number;
  readonly seed: number;
  readonly profile: string;
}

let laid: Laid | undefined;
let stand: Stand | undefined;
let engines = new Map<string, Engine>();

const need = (): Stand => {
  if (!stand) throw new Error('No exercise is laid out here. Load the page again.');
  return stand;
};

/** The engine of a machine: one is kept, since the next exercise is often on the same one. */
function engine(seed: Seed, source: string): Engine {
  const key = JSON.stringify([seed, source.length]);
  const made = engines.get(key) ?? engineFor(seed, source);
  engines = new Map([[key, made]]);
  return made;
}

/** One exercise at a time, and its clock is the page’s. */
const api = {
  /** Draws an exercise; its code. */
  draw(seed: Seed, source: string, confuses: readonly string[]): string {
    return exerciseCode(drawExercise(engine(seed, source), seed, { confuses }));
  },
  /** What a lead can hide there. */
  pinnable: (seed: Seed, source: string) => pinnable(engine(seed, source)),
  /** The code of an exercise that hides what a lead has chosen. */
  pin: (seed: Seed, source: string, family: string): string =>
    exerciseCode(pinExercise(engine(seed, source), seed, family)),
  /** The code of an exercise with what was proved on a call. Throws an Error in words where there is none. */
  fromCall(
    source: string,
    { profile, build }: Pick<CallHead, 'profile' | 'build'>,
    events: readonly CallEvent[],
    seed: number,
  ): string {
    const made = exerciseFromCall(source, profile, build, events, seed);
    if ('problem' in made) throw new Error(made.problem);
    return exerciseCode(made);
  },
  begin(code: string, source: string, kept: Partial<KeptStand>): Begun {
    const exercise = readExerciseCode(code);
    if ('problem' in exercise) throw new Error(exercise.problem);
    const { level, seed, profile } = exercise;
    laid = layOut(exercise, source, engine({ level, seed, profile }, source));
    stand = new Stand(laid, kept);
    const { model } = laid.engine;
    return {
      drawing: drawingOf(model),
      complaint: laid.exercise.complaint,
      level,
      colours: wireColours(model, exercise),
    };
  },
  frame(clock: number, real: number, speed: number, units: UnitSystem): StandView {
    need().runTo(clock);
    return standView(need(), real, speed, units);
  },
  /** Does it; in words why not. */
  act: (act: PracticeAct): string | undefined => perform(need(), act),
  endings: (): EndingsNow => endingsNow(need()),
  hint(hint: 'half' | 'test' | 'why'): string {
    const words = hintWords(need(), hint);
    return perform(need(), { do: 'hint', hint }) ?? words;
  },
  kept: (): KeptStand => need().kept,
  lesson(units: UnitSystem): LessonView {
    const { moves, state } = need();
    const planned = plan(laid!);
    const lesson = lessonOf(laid!, moves, planned);
    return lessonView(laid!, { moves }, state, lesson, { state: stateAfter(laid!.engine.model, planned.moves) }, units);
  },
};

export type PracticeApi = typeof api;
expose(api);
