import { asIndex, type Model, type PhaseIndex, unknownName } from '../profile';
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
