import { asIndex } from './indices';
import type { Dimension } from '../units';
import { type Comparison, ExpressionError, type Names } from './expression/expression';
import type { ControllerNames } from './load-controller';
import type { Part } from './model';
import { unknownName } from './nearest';

/** What the names in a profile's expressions may stand for. */
interface Nameable {
  readonly parts: readonly { id: string; kind: Part['kind']; modes: Part['modes']; known: readonly string[] }[];
  readonly quantities: readonly string[];
  readonly dimension: (id: string) => Dimension;
  /** The part that is the control. */
  readonly control: string | undefined;
  readonly controller: ControllerNames | undefined;
  readonly nets: readonly string[];
  readonly settings: readonly string[];
}

/** Resolves the names of expressions: `part.state`, `board.output`, `input.x`, `env.x`, `region.state`, quantities, counters. */
export function resolveNames(nameable: Nameable): Names & { readonly comparisons: readonly Comparison[] } {
  const { parts, quantities, dimension, controller, nets } = nameable;
  const partIds = parts.map((p) => p.id);
  const comparisons: Comparison[] = [];
  return {
    comparisons,
    addComparison: (comparison) => comparisons.push(comparison) - 1,
    resolve(name) {
      const dot = name.indexOf('.');
      if (dot < 0) {
        const quantity = quantities.indexOf(name);
        if (quantity >= 0) return { kind: 'quantity', quantity, dimension: dimension(name) };
        const counter = controller?.counters.indexOf(name) ?? -1;
        if (counter >= 0) return { kind: 'counter', counter };
        throw new ExpressionError(
          unknownName('name', name, [...quantities, ...(controller?.counters ?? []), ...partIds.map((p) => `${p}.…`)]),
        );
      }
      return resolveDotted(nameable, name.slice(0, dot), name.slice(dot + 1));
    },
    resolveFault(name) {
      const dot = name.lastIndexOf('.');
      const part = partIds.indexOf(name.slice(0, dot));
      if (part < 0) throw new ExpressionError(unknownName('part', name.slice(0, dot), partIds));
      const { modes, known } = parts[part]!;
      const id = name.slice(dot + 1);
      if (!known.includes(id)) throw new ExpressionError(unknownName(`fault of ${name.slice(0, dot)}`, id, known));
      const mode = modes.findIndex((m) => m.id === id);
      return { part: asIndex(part), mode: mode < 0 ? undefined : mode };
    },
    resolveNet(name) {
      const net = nets.indexOf(name);
      if (net < 0) throw new ExpressionError(unknownName('net', name, nets));
      return net;
    },
  };
}

/** A name with a dot: what stands before it says what the rest is a state, output or input of. */
function resolveDotted(
  { parts, control, controller, settings }: Nameable,
  head: string,
  tail: string,
): ReturnType<Names['resolve']> {
  const partIds = parts.map((p) => p.id);
  if (head === 'env') {
    const env = settings.indexOf(tail);
    if (env < 0) throw new ExpressionError(unknownName('setting', tail, settings));
    return { kind: 'env', env };
  }
  if (head === 'input') {
    const input = controller?.inputs.indexOf(tail) ?? -1;
    if (input < 0) throw new ExpressionError(unknownName('input', tail, controller?.inputs ?? []));
    return { kind: 'input', input };
  }
  if (head === control && controller) {
    const port = controller.outputs.indexOf(tail);
    if (port < 0) throw new ExpressionError(unknownName(`output of ${head}`, tail, controller.outputs));
    return { kind: 'output', port };
  }
  const region = controller?.regions.findIndex((r) => r.id === head) ?? -1;
  if (region >= 0) {
    const states = controller!.regions[region]!.states;
    if (!states.includes(tail)) throw new ExpressionError(unknownName(`state of ${head}`, tail, states));
    return { kind: 'region', region, state: states.indexOf(tail) };
  }
  const part = partIds.indexOf(head);
  if (part < 0)
    throw new ExpressionError(
      unknownName('name', head, [...partIds, ...(controller?.regions.map((r) => r.id) ?? []), 'env', 'input']),
    );
  const states = parts[part]!.kind.states;
  if (!states.includes(tail)) throw new ExpressionError(unknownName(`state of ${head}`, tail, states));
  return { kind: 'part', part: asIndex(part), state: states.indexOf(tail) };
}
