import type { Model, NetIndex, Part } from '../profile';
import type { VoltsQuestion } from './kinds/volts';
import type { Question } from './question-kinds';

/** An observation this much rarer than a blind guess contradicts the hypothesis. */
export const CONTRADICTS = 0.02;

/** Remembers, for each part, what was found out about it under a key: the planner asks the same thousands of times. */
function remembered<K extends string | number>(find: (model: Model, part: Part, key: K) => boolean) {
  const known = new WeakMap<Part, Map<K, boolean>>();
  return (model: Model, part: Part, key: K): boolean => {
    let own = known.get(part);
    if (!own) known.set(part, (own = new Map()));
    let answer = own.get(key);
    if (answer === undefined) own.set(key, (answer = find(model, part, key)));
    return answer;
  };
}

/** Whether a quantity depends on the way this condition is wrong. */
export const isAbout = remembered((model, part, quantity: number) =>
  model.quantities[quantity]!.rules.some((r) => r.when?.faults.some((f) => f.part === part.index)),
);

/** Whether a look is at this part: at its fault, at its state, or at what it senses. */
export const looksAt = remembered((model, part, look: number) =>
  model.looks[look]!.answers.some((a) => {
    if (a.when.faults.some((f) => f.part === part.index) || a.when.parts.includes(part.index)) return true;
    return a.when.quantities.some((q) => [...part.senses.values()].includes(q) || isAbout(model, part, q));
  }),
);

const shows = remembered((model, part, key: string) => {
  const [look, answer, mode] = key.split(' ') as [string, string, string];
  return findShown(model, Number(look), Number(answer), part, mode);
});

/** Whether an answer to a look shows the part in that way of failing: by name, by its tripped state, or by what it disturbs. */
export const answerShows = (model: Model, look: number, answer: number, part: Part, mode: string): boolean =>
  shows(model, part, `${look} ${answer} ${mode}`);

function findShown(model: Model, look: number, answer: number, part: Part, mode: string): boolean {
  const { when } = model.looks[look]!.answers[answer]!;
  if (when.faults.some((f) => f.part === part.index && part.modes[f.mode]!.id === mode)) return true;
  // The state in which the fault leaves the part: tripped, blown.
  const { starts } = part.modes.find((m) => m.id === mode) ?? { starts: mode };
  const state = starts === undefined ? -1 : part.kind.states.indexOf(starts);
  if (
    state >= 0 &&
    when.terms.some((t) => t.kind === 'part' && t.part === part.index && t.state === state && !t.negated)
  )
    return true;
  return when.quantities.some((q) => isAbout(model, part, q));
}

/** Whether a probe of a voltage reading rests on a terminal of the part. */
export const atTerminal = (part: Part, o: Question): boolean =>
  o.kind === 'volts' && part.branches.some((b) => [b.a, b.b].includes(o.red) || [b.a, b.b].includes(o.black));

/** A net on which this many points rest the black probe is a common. */
const COMMON_FROM = 4;

/** Ground, and the nets that serve as a common: touching them says nothing about one part. */
export function commonNets(model: Model): ReadonlySet<NetIndex> {
  let found = commons.get(model);
  if (!found) commons.set(model, (found = findCommons(model)));
  return found;
}

const commons = new WeakMap<Model, ReadonlySet<NetIndex>>();

function findCommons(model: Model): ReadonlySet<NetIndex> {
  const blacks = model.points.map((p) => p.black);
  return new Set([model.ground, ...blacks.filter((net) => blacks.filter((b) => b === net).length >= COMMON_FROM)]);
}

/** Whether a probe of a voltage reading reaches the part, if only through connectors. */
export function probesReach(model: Model, part: Part, q: VoltsQuestion): boolean {
  const reached = terminals(model, part);
  return reached.has(q.red) || reached.has(q.black);
}

/** Nets at which a probe touches the part: its own ends, and beyond connectors and unnamed joints the next named net. */
export function terminals(model: Model, part: Part): ReadonlySet<NetIndex> {
  let found = knownTerminals.get(part);
  if (!found) knownTerminals.set(part, (found = findTerminals(model, part)));
  return found;
}

const knownTerminals = new WeakMap<Part, ReadonlySet<NetIndex>>();

function findTerminals(model: Model, part: Part): ReadonlySet<NetIndex> {
  // The common and the neutral belong to everybody; touching them says nothing about one part.
  const shared = commonNets(model);
  const nets = new Set<NetIndex>();
  const spread = (net: NetIndex): void => {
    if (nets.has(net)) return;
    nets.add(net);
    for (const branch of model.branches)
      if (model.parts[branch.part]!.kind.nature === 'connector') {
        if (branch.a === net && !shared.has(branch.b)) nets.add(branch.b);
        if (branch.b === net && !shared.has(branch.a)) nets.add(branch.a);
      }
  };
  for (const branch of part.branches) for (const net of [branch.a, branch.b]) if (!shared.has(net)) spread(net);
  return nets;
}
