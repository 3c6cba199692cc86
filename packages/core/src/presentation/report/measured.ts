import type { Assessment, Engine } from '../../diagnosis';
import type { ItemFit } from '../../inference';
import { contradiction } from '../../proof';
import { kindOf, questionKey } from '../../question';
import { readingValue } from '../../units';
import type { CallState } from '../../visit';
import { predictionWords, questionTitle, readWords } from '../question-words';
import { type Reader, readingWords } from '../reader';
import { foretold } from '../test-view';

/** One thing that was read: what it should be, what it was and what it is now. */
export interface MeasuredLine {
  readonly title: string;
  readonly should: string;
  /** Empty where it was not read then. */
  readonly was: string;
  readonly now: string;
  /** No sound appliance shows what it was. */
  readonly wrong: boolean;
  readonly mark: MeasuredMark | undefined;
}

/** The same as numbers on one scale from nought, SI; nothing where it is no number. */
export interface MeasuredMark {
  readonly low: number;
  readonly high: number;
  readonly was: number | undefined;
  readonly now: number | undefined;
  /** Where the scale ends. */
  readonly top: number;
}

/** Around a reading that the model foretells as one value, this much is as it should be, share of it: meters and mains differ. */
const AS_FORETOLD = 0.1;

/**
 * Everything that was measured, in the order of the call, each thing once: the last time before the first repair beside the last
 * time since. What a sound appliance would show is asked of the model as the machine stood when it was read.
 */
export function measuredOf(
  { model, healthy }: Engine,
  { evidence, log }: CallState,
  { items }: Assessment,
  reader: Reader,
): MeasuredLine[] {
  const fitted = new Map(
    log.flatMap(({ event: { body }, retracted }) =>
      body.type === 'repaired' && body.reads && !retracted ? [[body.part, body.reads.reading] as const] : [],
    ),
  );
  const firstRepair = evidence.episodes.findIndex(({ repaired }) => repaired.length > 0);
  const isBefore = ({ item }: ItemFit): boolean => firstRepair < 0 || item.episode < firstRepair;
  const lines = new Map<string, { was?: ItemFit; now?: ItemFit }>();
  for (const item of items) {
    const { observation } = item.item;
    if (kindOf(observation).form(model, observation).kind === 'choice') continue;
    const key = questionKey(model, observation);
    lines.set(key, { ...lines.get(key), ...(isBefore(item) ? { was: item } : { now: item }) });
  }
  const words = ({ item }: ItemFit): string => readWords(model, item.observation, reader);
  return [...lines.values()].map(({ was, now }) => {
    const read = (now ?? was)!;
    const { observation } = read.item;
    const sound = read.predictions[healthy.index];
    // What a new part read before it was fitted is what it reads now.
    const isPart = observation.kind === 'ohms' || observation.kind === 'farads';
    const reads = now || !isPart ? undefined : fitted.get(model.parts[observation.part]!.id);
    return {
      title: questionTitle(model, observation),
      should: sound ? predictionWords(model, observation, sound, reader) : '',
      was: was ? words(was) : '',
      now: now ? words(now) : reads ? `${readingWords(reads, {}, reader)}, new` : '',
      wrong: was !== undefined && contradiction(healthy, [was]) > 0,
      mark:
        sound &&
        markOf(
          foretold(model, observation, sound)[0],
          numberOf(was),
          reads && reads.kind !== 'open' ? readingValue(reads) : numberOf(now),
        ),
    };
  });
}

function markOf(
  span: { readonly low: number; readonly high: number } | undefined,
  was: number | undefined,
  now: number | undefined,
): MeasuredMark | undefined {
  if (!span || (was === undefined && now === undefined)) return undefined;
  const [low, high] =
    span.low < span.high ? [span.low, span.high] : [span.low * (1 - AS_FORETOLD), span.high * (1 + AS_FORETOLD)];
  const all = [high, was ?? 0, now ?? 0];
  if ([low, ...all].some((v) => v < 0) || Math.max(...all) === 0) return undefined;
  return { low, high, was, now, top: 1.1 * Math.max(...all) };
}

/** What was read as one number; nothing for OL and what was no reading. */
function numberOf(item: ItemFit | undefined): number | undefined {
  const observation = item?.item.observation;
  if (!observation || !('reading' in observation) || observation.reading.kind === 'open') return undefined;
  return readingValue(observation.reading);
}
