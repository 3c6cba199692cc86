import type { Assessment, Engine } from '../diagnosis';
import type { ItemFit } from '../inference';
import { contradiction } from '../proof';
import { type Evidence, kindOf, type Observation, questionKey } from '../question';
import type { Wanted } from '../rules';
import { workOfQuestion } from '../test-choice';
import type { CallState } from '../visit';
import { observationWords, questionTitle } from './question-words';
import type { Reader } from './reader';
import { inBrief } from './say';
import { type AnswerFormView, formView } from './test-view';

/** The reading that condemned what was repaired: how it is asked again, and what it shows since the repair. */
export interface CondemningReading {
  readonly title: string;
  /** What was read, and what it shows now. */
  readonly words: string;
  readonly now: { readonly words: string; readonly good: boolean } | undefined;
  readonly wanted: Wanted;
  readonly answer: AnswerFormView;
}

/**
 * The last thing found before the repair that no sound appliance shows: something measured before something seen. Nothing while
 * nothing was repaired, or where nothing speaks against a sound appliance.
 */
export function condemningOf(
  engine: Engine,
  { evidence }: CallState,
  { items }: Assessment,
  reader: Reader,
): CondemningReading | undefined {
  const repair = evidence.episodes.findLastIndex(
    (e, i) => e.repaired.length > (evidence.episodes[i - 1]?.repaired.length ?? 0),
  );
  if (repair < 0) return undefined;
  const { model, healthy } = engine;
  const isSound = (item: ItemFit): boolean => contradiction(healthy, [item]) === 0;
  const bad = items.filter((i) => i.item.episode < repair && !isSound(i));
  const isMeasured = ({ item }: ItemFit): boolean =>
    kindOf(item.observation).form(model, item.observation).kind !== 'choice';
  const condemned = bad.findLast(isMeasured) ?? bad.at(-1);
  if (!condemned) return undefined;
  const { observation } = condemned.item;
  const { work = '', of } = workOfQuestion(model, observation);
  const key = questionKey(model, observation);
  const now = items.findLast((i) => i.item.episode >= repair && questionKey(model, i.item.observation) === key);
  return {
    title: questionTitle(model, observation),
    words: observationWords(model, observation, reader),
    now: now
      ? { words: observationWords(model, now.item.observation, reader), good: isSound(now) }
      : isNewAndMeasured(observation, evidence)
        ? { words: 'the new part was measured good before it was fitted', good: true }
        : undefined,
    wanted: { work, ...(of !== undefined && { of }) },
    answer: formView(kindOf(observation).form(model, observation)),
  };
}

/** The ohms of a part that was replaced by one that had been measured. */
const isNewAndMeasured = (observation: Observation, { episodes }: Evidence): boolean =>
  observation.kind === 'ohms' && episodes.at(-1)?.measured?.includes(observation.part) === true;

const MINUTE = 60_000;

/** A cause that was left: how long it takes to show again, whole minutes. */
export interface Returning {
  readonly words: string;
  readonly minutes: number;
}

/** What would open the repaired or reset safeties again, each within so many minutes by the model; the soonest first. */
export function returnsOf(engine: Engine, state: CallState): readonly Returning[] {
  return safetiesOf(engine, state)
    .flatMap((part) =>
      engine.timesToTrip(part.index).map(({ cause, time }) => ({
        words: `${inBrief(cause.words)}: ${part.title} opens again`,
        minutes: Math.max(1, Math.ceil(time / MINUTE)),
      })),
    )
    .sort((a, b) => a.minutes - b.minutes);
}

/** The safeties that were repaired or reset, once something was repaired. */
function safetiesOf(engine: Engine, { followed: { c } }: CallState): Engine['model']['parts'][number][] {
  if (c.repaired.size === 0) return [];
  const ids = new Set([...c.repaired.keys(), ...c.resets.map(({ safety }) => safety)]);
  return engine.model.parts.filter(({ id, safety }) => ids.has(id) && safety !== undefined);
}

/** How long what opened the repaired or reset safeties takes to open them again, whole minutes. */
export function tripsAfter(engine: Engine, state: CallState): number | undefined {
  const times = safetiesOf(engine, state).flatMap((part) => {
    const time = engine.timeToTrip(part.index);
    return time === undefined ? [] : [time / MINUTE];
  });
  return times.length === 0 ? undefined : Math.max(1, Math.ceil(Math.max(...times)));
}
