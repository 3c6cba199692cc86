import type { Model } from '../profile';
import { FIRST_EPISODE, type Random, type Trace } from '../simulation';
import { inSeconds } from '../units';
import { MINUTES } from './hand-minutes';
import type { Laid } from './draw-exercise';
import type { DrawnExercise } from './exercise';
import type { Move, PracticeBody } from './move';
import type { Stand } from './stand';

/** A step of a run with the time at which it comes, seconds since the call for heat. */
export interface StepTime {
  readonly id: string;
  readonly title: string;
  readonly seconds: number;
}

/** What somebody tells of a sound run: the steps in their order, and when each comes. */
export type RunTold = Extract<PracticeBody, { type: 'run-told' }>;

/** How right that was, shares from 0 to 1. */
export interface RunGrade {
  readonly order: number;
  readonly times: number;
}

/** A guess of a time is right within a quarter of it, or within so many seconds. */
const NEAR = { share: 0.25, seconds: 3 } as const;

/** Whether an exercise asks for the steps of a sound run. */
export const asksRun = ({ level, kind }: Pick<DrawnExercise, 'level' | 'kind'>): boolean =>
  level === 0 && kind === 'nothing';

/** The steps that come in a run, in their order; those that nobody wants are none. */
export const stepsIn = ({ phases }: Pick<Model, 'phases'>, { cues }: Trace): StepTime[] =>
  phases
    .flatMap(({ index, id, title, unwanted }) => {
      const [first] = cues[index]!;
      return first && !unwanted ? [{ id, title, seconds: Math.round(inSeconds(first.from)) }] : [];
    })
    .sort((a, b) => a.seconds - b.seconds);

/** The steps of the machine that stands there. */
export const stepsOf = ({ appliance }: Laid): StepTime[] =>
  stepsIn(appliance.model, appliance.live([FIRST_EPISODE]).trace);

/** The steps of a machine without their order or times. */
export function shuffled(steps: readonly StepTime[], random: Random): Omit<StepTime, 'seconds'>[] {
  const left = steps.map(({ id, title }) => ({ id, title }));
  return steps.map(() => left.splice(Math.floor(random.next() * left.length), 1)[0]!);
}

/**
 * How right it is: of all pairs of steps those that were told in the order in which they come (Kendall, 1938), two that come together in
 * either; of all times but that of the first step those that are near.
 */
export function gradeRun(steps: readonly StepTime[], { order, seconds }: Omit<RunTold, 'type'>): RunGrade {
  const pairs = steps.flatMap((a, i) => steps.slice(i + 1).map((b) => [a, b] as const));
  const inOrder = pairs.filter(([a, b]) => {
    const [i, j] = [order.indexOf(a.id), order.indexOf(b.id)];
    return i >= 0 && j >= 0 && (i < j || a.seconds === b.seconds);
  });
  const later = steps.slice(1);
  const near = later.filter(({ id, seconds: is }) => {
    const said = seconds[id];
    return said !== undefined && Math.abs(said - is) <= Math.max(NEAR.seconds, NEAR.share * is);
  });
  const share = (some: number, all: number): number => (all === 0 ? 1 : some / all);
  return { order: share(inOrder.length, pairs.length), times: share(near.length, later.length) };
}

/** How right somebody was; nothing right where they told nothing. */
export function runGraded(laid: Laid, moves: readonly Move[]): RunGrade {
  const told = moves.find((m) => m.body.type === 'run-told')?.body;
  return told?.type === 'run-told' ? gradeRun(stepsOf(laid), told) : { order: 0, times: 0 };
}

/** What one tells who knows the appliance by the book. */
export const toldByTheBook = (steps: readonly StepTime[]): RunTold => ({
  type: 'run-told',
  order: steps.map(({ id }) => id),
  seconds: Object.fromEntries(steps.map(({ id, seconds }) => [id, seconds])),
});

/** Tells the steps of a sound run, once; in words why not. */
export function tellRun(
  stand: Stand,
  order: readonly string[],
  seconds: Readonly<Record<string, number>>,
): string | undefined {
  if (!asksRun(stand.laid.exercise)) return 'This exercise asks for no steps';
  if (stand.moves.some(({ body }) => body.type === 'run-told'))
    return 'They were told already: the first telling counts';
  const steps = stepsOf(stand.laid);
  const missing = steps.find(({ id }) => !order.includes(id));
  if (missing) return `Where does “${missing.title}” come? Give every step its place`;
  const untold = steps.find(({ id }) => !Number.isFinite(seconds[id]) || seconds[id]! < 0);
  if (untold) return `When does “${untold.title}” come? Guess, in seconds since the call for heat`;
  return stand.write({ type: 'run-told', order, seconds }, MINUTES.say);
}
