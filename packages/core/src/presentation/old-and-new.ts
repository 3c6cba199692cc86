import type { Engine } from '../diagnosis';
import { findPart } from '../profile';
import { kindOf, type Observation, questionKey } from '../question';
import { formatReading } from '../units';
import type { CallState } from '../visit';
import { questionTitle, readWords } from './question-words';
import type { Reader } from './reader';

/** What was read before a repair, and what is read since: the old part beside the new one. */
export interface OldAndNew {
  readonly title: string;
  readonly old: string;
  readonly now: string;
}

/** Every reading that was taken both before the last repair and since, and what new parts read before they were fitted. */
export function oldAndNew({ model }: Engine, { evidence, log }: CallState, reader: Reader): readonly OldAndNew[] {
  const repair = evidence.episodes.findLastIndex(
    (e, i) => e.repaired.length > (evidence.episodes[i - 1]?.repaired.length ?? 0),
  );
  if (repair < 0) return [];
  const readings = evidence.items.filter(({ observation }) => kindOf(observation).weighs === 'reading');
  const before = readings.filter((i) => i.episode < repair);
  const words = (o: Observation): string => readWords(model, o, reader);
  const pairs = new Map<string, OldAndNew>();
  for (const { observation: now } of readings.filter((i) => i.episode >= repair)) {
    const key = questionKey(model, now);
    const old = before.findLast((i) => questionKey(model, i.observation) === key);
    if (old) pairs.set(key, { title: questionTitle(model, now), old: words(old.observation), now: words(now) });
  }
  const fitted = log.findLast(({ event, retracted }) => !retracted && event.body.type === 'repaired')?.event.body;
  if (fitted?.type === 'repaired' && fitted.reads) {
    const part = findPart(model, fitted.part)!;
    const old = before.findLast(
      ({ observation: o }) => (o.kind === 'ohms' || o.kind === 'farads') && o.part === part.index,
    );
    pairs.set('new', {
      title: part.title,
      old: old ? words(old.observation) : 'not read',
      now: `${formatReading(fitted.reads.reading, reader.units)} before it was fitted`,
    });
  }
  return [...pairs.values()];
}
