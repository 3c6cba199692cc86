import { AS_IT_STANDS, asIndex, findNet, type Model, type NetIndex, type PhaseIndex, unknownName } from '../profile';
import type { Read } from './question-kind';

/** What is wrong with a stored answer. */
export const problem = (message: string): { readonly kind: 'problem'; readonly message: string } => ({
  kind: 'problem',
  message,
});

export const observed = <O>(observation: O): Read<O> => ({ kind: 'observation', observation });

/** Index of a named thing, or the problem that there is none. */
export function indexOf(list: readonly { readonly id: string }[], id: string, what: string): number | string {
  const found = list.findIndex((x) => x.id === id);
  return found >= 0
    ? found
    : unknownName(
        what,
        id,
        list.map((x) => x.id),
      );
}

/** The place of a step, or the problem that there is none. */
export function phaseNamed(model: Model, id: string): PhaseIndex | string {
  const found = indexOf(model.phases, id, 'step');
  return typeof found === 'string' ? found : asIndex(found);
}

/** The step of a reading, or the state in which the appliance ends up where none is named; or the problem. */
export const stepNamed = (model: Model, id: string | undefined): PhaseIndex | string =>
  id === undefined ? AS_IT_STANDS : phaseNamed(model, id);

/** The two points that an entry names, or the problem with them. */
export function probesNamed(
  model: Model,
  given: { readonly red: string; readonly black: string },
): { readonly red: NetIndex; readonly black: NetIndex } | string {
  const named = model.nets.filter((n) => !n.startsWith('~'));
  const [red, black] = [findNet(model, given.red), findNet(model, given.black)];
  if (red < 0) return unknownName('test point', given.red, named);
  if (black < 0) return unknownName('test point', given.black, named);
  return red === black ? `both probes on ${given.red}: put the black probe on the common` : { red, black };
}
