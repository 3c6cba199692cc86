import type { Model, Part } from '../profile';
import type { Question } from './observation';

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
  if (starts !== undefined && new RegExp(`(^|[^!\\w-])${part.id}\\.${starts}\\b`).test(when.text)) return true;
  return when.quantities.some((q) => isAbout(model, part, q));
}

/** Whether a probe of a voltage reading rests on a terminal of the part. */
export const atTerminal = (part: Part, o: Question): boolean =>
  o.kind === 'volts' && part.branches.some((b) => [b.a, b.b].includes(o.red) || [b.a, b.b].includes(o.black));

/** A net on which this many points rest the black probe is a common. */
const COMMON_FROM = 4;

/** Ground, and the nets that serve as a common: touching them says nothing about one part. */
export function commonNets(model: Model): ReadonlySet<number> {
  let found = commons.get(model);
  if (!found) commons.set(model, (found = findCommons(model)));
  return found;
}

const commons = new WeakMap<Model, ReadonlySet<number>>();

function findCommons(model: Model): ReadonlySet<number> {
  const blacks = model.points.map((p) => p.black);
  return new Set([model.ground, ...blacks.filter((net) => blacks.filter((b) => b === net).length >= COMMON_FROM)]);
}
