import type { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import type { Model } from '../profile';
import { type Evidence, type EvidenceItem, kindOf, type Observation } from '../question';
import { type CallState, madeAt } from '../visit';

/** What one test of a call tells of tests like it. */
export interface TestFact {
  /** Which test: a look, a gauge, or a test point against its common. */
  readonly test: string;
  /** From the answer before it to its own; nothing where nobody can tell. */
  readonly minutes: number | undefined;
  /** Of a look, whether it was answered otherwise than by what it turned out to be; nothing for others, and where that is not proved. */
  readonly misled: boolean | undefined;
}

/** Shorter was written down together with another one, longer was something else beside, minutes. Chosen by us. */
const SHORTEST = 0.2;
const LONGEST = 45;

/** Which test an answer is of, by a name that stays the same from call to call; nothing where its minutes are nobody’s to learn. */
function testOf({ looks, gauges, nets, points }: Model, o: Observation): string | undefined {
  if (o.kind === 'look') return `look ${looks[o.look]!.id}`;
  if (o.kind === 'gauge') return `gauge ${gauges[o.gauge]!.id}`;
  const point = o.kind === 'volts' ? points.find((p) => p.net === o.red && p.black === o.black) : undefined;
  return point && `point ${nets[point.net]!}`;
}

/** What the tests of a call tell, from the `from`th answer on. `truth` is what it was, where that is proved. */
export function testFacts(
  engine: Engine,
  { log }: Pick<CallState, 'log'>,
  { episodes }: Evidence,
  items: readonly EvidenceItem[],
  from: number,
  truth: Hypothesis | undefined,
): TestFact[] {
  const times = new Map(log.map(({ event }) => [event.id, madeAt(event)]));
  return items.slice(from).flatMap((item, i): TestFact[] => {
    const test = testOf(engine.model, item.observation);
    if (test === undefined) return [];
    const [before, at] = [times.get(items[from + i - 1]?.id ?? ''), times.get(item.id)];
    const took = before === undefined || at === undefined ? NaN : (at - before) / 60_000;
    const minutes = took >= SHORTEST && took <= LONGEST ? took : undefined;
    const misled = truth && misledBy(engine, truth, episodes.slice(0, item.episode + 1), item.observation);
    return minutes === undefined && misled === undefined ? [] : [{ test, minutes, misled }];
  });
}

/** Whether a look was answered otherwise than the fault has it; nothing where it has no answer, or it is no look. */
function misledBy(
  { model, traces }: Engine,
  truth: Hypothesis,
  chain: Evidence['episodes'],
  o: Observation,
): boolean | undefined {
  if (o.kind !== 'look') return undefined;
  const predicted = kindOf(o).predict(model, traces.last(truth.faults, chain), o);
  return predicted.kind === 'choice' && predicted.answer >= 0 ? predicted.answer !== o.answer : undefined;
}
