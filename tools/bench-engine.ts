// What the engine takes for one family: the same figures in Node and, built as a script of its own, in Chromium.
import { TRAINED } from '@zetalysis/core/rules';
import { Engine } from '@zetalysis/core/diagnosis';
import { fitEvidence, predicts, seedPairs } from '@zetalysis/core/inference';
import { loadProfile } from '@zetalysis/core/profile';
import type { Evidence, Observation } from '@zetalysis/core/question';
import { NORMAL_SETUP } from '@zetalysis/core/simulation';

/** Milliseconds of each piece of work, and how large the family is. */
export interface EngineFigures {
  readonly id: string;
  readonly parts: number;
  readonly faults: number;
  readonly hypotheses: number;
  readonly circuits: number;
  readonly compile: number;
  /** The fault table the first time, and when the compiler has come to rest. */
  readonly cold: number;
  readonly warm: number;
  readonly reading: number;
  readonly next: number;
  readonly action: number;
  readonly pairs: number;
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Milliseconds of one piece of work. */
export function timed(work: () => void): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

/** Tables that are filled before one counts as warm: the compiler has come to rest by then. */
const WARMING = 15;

const times = (n: number, work: () => number): number[] => Array.from({ length: n }, work);

export const NORMAL: Evidence = { episodes: [{ setup: NORMAL_SETUP, repaired: [] }], items: [] };

export function fillFaultTable(engine: Engine): void {
  for (const h of engine.hypotheses) if (predicts(h)) engine.traces.last(h.faults, NORMAL.episodes);
}

/** Three items that leave many suspects: the trial does not come, a reading, and how it ends. */
function someEvidence({ model }: Engine): Evidence {
  const phase = model.phases.find((p) => p.trial)!.index;
  const point = model.points.find((p) => !p.line) ?? model.points[0]!;
  const observations: Observation[] = [
    { kind: 'seen', phase, answer: false },
    { kind: 'outcome', outcome: 'stuck' },
    {
      kind: 'volts',
      red: point.net,
      black: point.black,
      phase: (model.phases.find((p) => p.probe) ?? model.phases[0]!).index,
      input: 'high-impedance',
      reading: { kind: 'value', value: model.ratedVolts[point.net]!, dimension: 'voltage' },
    },
  ];
  return { ...NORMAL, items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })) };
}

/** Something done to an appliance: its first plug pulled, or its first action. */
const change = ({ plugs, actions }: Engine['model']): { unplugged?: string[]; actions?: string[] } =>
  plugs[0] ? { unplugged: [plugs[0].id] } : { actions: [actions[0]!.id] };

/** Measures one family, in a process or page of its own: `cold` is the first fault table there. */
export function measureEngine(source: string, id: string): EngineFigures {
  const compile = timed(() => loadProfile(source, id));
  const engine = new Engine(loadProfile(source, id));
  const cold = timed(() => fillFaultTable(engine));
  const circuits = engine.circuits.solves;
  const tables = times(WARMING + 7, () => {
    const again = new Engine(engine.model);
    return timed(() => fillFaultTable(again));
  });
  const warm = median(tables.slice(WARMING));

  const before = someEvidence(engine);
  const situation = (evidence: Evidence) => ({ evidence, declined: new Set<string>(), person: TRAINED });
  engine.next(situation(before), engine.assess(before, { pairs: false }));
  const after: Evidence = { ...before, items: [...before.items, { ...before.items[2]!, id: 'again' }] };
  const reading = median(times(9, () => timed(() => engine.assess(after, { pairs: false }))));
  const next = median(
    times(5, () => timed(() => engine.next(situation(after), engine.assess(after, { pairs: false })))),
  );
  const acted: Evidence = {
    episodes: [...after.episodes, { setup: { ...NORMAL_SETUP, ...change(engine.model) }, repaired: [] }],
    items: [...after.items, { id: 'c', episode: 1, observation: { kind: 'outcome', outcome: 'stuck' } }],
  };
  const action = timed(() => engine.assess(acted, { pairs: false }));
  const replaceable = engine.hypotheses.find((h) => h.kind === 'fault' && h.repair.endsWith(':replace'))!;
  const second: Evidence = {
    episodes: [...before.episodes, { setup: NORMAL_SETUP, repaired: [replaceable.faults[0]!.part] }],
    items: [...before.items, ...before.items.map((i) => ({ ...i, id: `${i.id}r`, episode: 1 }))],
  };
  engine.assess(second, { pairs: false });
  const pairs = timed(() => {
    const alone = engine.assess(second, { pairs: false });
    const found = seedPairs(engine.hypotheses, alone.items, second, engine.hypotheses.length);
    fitEvidence(engine.model, engine.traces, [...engine.hypotheses, ...found], second);
  });
  return {
    id,
    parts: engine.model.parts.length,
    faults: engine.hypotheses.filter((h) => h.kind === 'fault').length,
    hypotheses: engine.hypotheses.length,
    circuits,
    compile,
    cold,
    warm,
    reading,
    next,
    action,
    pairs,
  };
}
