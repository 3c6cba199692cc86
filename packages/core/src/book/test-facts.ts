import type { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import type { Model } from '../profile';
import { type Evidence, type EvidenceItem, kindOf, type Observation } from '../question';
import { type CallState, madeAt } from '../visit';

/** What one test of a call tells of tests like it. */
export interface TestFact {
  /** Which test: a look, a gauge, a test point against its common, a part measured dead, a connector pulled or an action done. */
  readonly test: string;
  /** From what was done before it to its own answer; nothing where nobody can tell. */
  readonly minutes: number | undefined;
  /** Of a look, whether it was answered otherwise than by what it turned out to be; nothing for others, and where that is not proved. */
  readonly misled: boolean | undefined;
}

/** Shorter was written down together with another one, longer was something else beside, minutes. Chosen by us. */
const SHORTEST = 0.2;
const LONGEST = 45;

/** Which test an answer is of, by a name that stays the same from call to call; nothing where its minutes are nobody’s to learn. */
function testOf({ looks, gauges, nets, parts, points }: Model, o: Observation): string | undefined {
  if (o.kind === 'look') return `look ${looks[o.look]!.id}`;
  if (o.kind === 'gauge') return `gauge ${gauges[o.gauge]!.id}`;
  if (o.kind === 'ohms' || o.kind === 'continuity' || o.kind === 'farads') return `dead ${parts[o.part]!.id}`;
  const point = o.kind === 'volts' ? points.find((p) => p.net === o.red && p.black === o.black) : undefined;
  return point && `point ${nets[point.net]!}`;
}

/** A change of how the appliance is set: when it was written down, and what it was where it was one thing alone. */
interface Change {
  readonly at: number;
  readonly plug: string | undefined;
  readonly action: string | undefined;
}

/** Every change of how the appliance was set, in order. */
function changesIn(log: CallState['log']): Change[] {
  let [unplugged, actions]: [readonly string[], readonly string[]] = [[], []];
  return log.flatMap(({ event, retracted }): Change[] => {
    const { body } = event;
    if (body.type !== 'setup' || retracted) return [];
    const plugs = body.unplugged.filter((id) => !unplugged.includes(id));
    const done = (body.actions ?? []).filter((id) => !actions.includes(id));
    [unplugged, actions] = [body.unplugged, body.actions ?? []];
    const [one] = plugs.length + done.length === 1 ? [...plugs, ...done] : [];
    return [{ at: madeAt(event), plug: one === plugs[0] ? one : undefined, action: one === done[0] ? one : undefined }];
  });
}

const minutesFrom = (from: number, to: number): number | undefined => {
  const took = (to - from) / 60_000;
  return took >= SHORTEST && took <= LONGEST ? took : undefined;
};

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
  const changes = changesIn(log);
  return items.slice(from).flatMap((item, i): TestFact[] => {
    const [before = NaN, at = NaN] = [times.get(items[from + i - 1]?.id ?? ''), times.get(item.id)];
    const since = changes.filter((c) => c.at > before && c.at <= at);
    // What was changed in between took its own part of the time.
    const starts = [before, ...since.map((c) => c.at)];
    const facts = since.flatMap(({ at: changed, plug, action }, n): TestFact[] => {
      const last = n === since.length - 1;
      // A connector is off once it is written down; an action goes on to the end of the try that it begins.
      const until = plug !== undefined ? changed : action !== undefined && last && endsTry(item) ? at : NaN;
      const minutes = minutesFrom(starts[n]!, until);
      const test = plug !== undefined ? `plug ${plug}` : `action ${action}`;
      return minutes === undefined ? [] : [{ test, minutes, misled: undefined }];
    });
    const test = testOf(engine.model, item.observation);
    if (test === undefined) return facts;
    const minutes = minutesFrom(starts[starts.length - 1]!, at);
    const misled = truth && misledBy(engine, truth, episodes.slice(0, item.episode + 1), item.observation);
    return minutes === undefined && misled === undefined ? facts : [...facts, { test, minutes, misled }];
  });
}

const endsTry = ({ observation }: EvidenceItem): boolean => kindOf(observation).endsTry === true;

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
