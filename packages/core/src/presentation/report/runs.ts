import type { Model } from '../../profile';
import { formatDuration, readingValue } from '../../units';
import { type CallState, madeAt } from '../../visit';

/** One step of a run as a customer sees it: it came, the run broke off there, or nobody saw it. */
export interface StepOfRun {
  readonly title: string;
  readonly is: 'came' | 'broke' | 'unseen';
  /** How long after the call it came, where somebody timed it. */
  readonly at: string | undefined;
}

/** How far it ran when somebody came, and when they left. */
export interface Runs {
  readonly came: readonly StepOfRun[];
  /** Empty where nothing was repaired and watched since. */
  readonly left: readonly StepOfRun[];
}

type Entry = CallState['log'][number];

/** The last answers to each step before the first repair, and since the last one. */
export function runsOf(model: Model, { log, followed }: CallState): Runs {
  const standing = log.filter(({ retracted, problem }) => !retracted && problem === undefined);
  const isRepair = ({ event }: Entry): boolean => event.body.type === 'repaired';
  const first = standing.findIndex(isRepair);
  const last = standing.findLastIndex(isRepair);
  const came = stepsOf(model, first < 0 ? standing : standing.slice(0, first));
  if (last < 0) return { came, left: [] };
  const since = standing.slice(last + 1);
  const left = stepsOf(model, since);
  // A run that was watched to its end went through every step of it.
  const ran =
    followed.ending === 'proved' ||
    since.some(({ event: { body } }) => body.type === 'outcome' && body.outcome === 'runs');
  return { came, left: ran ? left.map((step) => ({ ...step, is: 'came' as const })) : left.some(isSeen) ? left : [] };
}

const isSeen = ({ is }: StepOfRun): boolean => is !== 'unseen';

function stepsOf(model: Model, entries: readonly Entry[]): StepOfRun[] {
  const answers = new Map<string, boolean>();
  const times = new Map<string, string>();
  for (const { event } of [...entries].sort((a, b) => madeAt(a.event) - madeAt(b.event))) {
    const { body } = event;
    // Not yet is not missed.
    if (body.type === 'seen' && body.answer !== 'unclear' && body.after === undefined)
      answers.set(body.phase, body.answer === 'yes');
    if (body.type === 'timing') times.set(body.phase, formatDuration(readingValue(body.reading) * 1000));
  }
  const wanted = model.phases.filter(({ unwanted }) => !unwanted);
  const broke = wanted.findIndex(({ id }) => answers.get(id) === false);
  return wanted.map(({ id, title }, i) => ({
    title,
    is: i === broke ? 'broke' : answers.get(id) === true || (i < broke && !answers.has(id)) ? 'came' : 'unseen',
    at: times.get(id),
  }));
}
