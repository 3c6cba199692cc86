import { layoutOf, solve, type Circuit, type Element, type Layout, type Solution } from '../circuit';
import { CLOSED, OPEN, type Electrical } from '../parts';
import type { Branch, Model } from '../profile';
import type { FaultRef } from './setup';

/** One solved electrical state of an appliance. */
export interface CircuitState {
  readonly id: number;
  readonly circuit: Circuit;
  readonly solution: Solution;
}

const OPEN_ID = 0;
const CLOSED_ID = 1;

/**
 * Solves the appliance's circuit for its states and remembers every answer: hypotheses that look alike electrically
 * share their solves.
 */
export class CircuitStates {
  private readonly electricals: Electrical[] = [OPEN, CLOSED];
  /** The element that stands for each of them; an open branch, and one half of a transformer, has none. */
  private readonly elements: (Element | undefined)[] = [undefined, undefined];
  /** By branch, then by the state of its part and the fault in it. */
  private readonly interned: readonly Map<string, number>[];
  private readonly layout: Layout;
  private readonly solved = new Map<string, CircuitState>();
  /** How many circuits were solved, for the benchmark. */
  solves = 0;

  constructor(readonly model: Model) {
    this.interned = model.branches.map(() => new Map());
    this.layout = layoutOf(model.nets.length, joinable(model));
  }

  /** Number of the electrical behaviour of a branch whose part is in a state. */
  electricalId(branch: number, state: string, fault: string | undefined): number {
    const known = this.interned[branch]!;
    const key = fault === undefined ? state : `${state}|${fault}`;
    let id = known.get(key);
    if (id === undefined) {
      const b = this.model.branches[branch]!;
      const part = this.model.parts[b.part]!;
      const electrical = part.kind.electrical(part.spec, state, fault, b.name, b.frequency);
      id = electrical.type === 'open' ? OPEN_ID : this.electricals.push(electrical) - 1;
      if (id !== OPEN_ID) this.elements[id] = this.element(b, electrical);
      known.set(key, id);
    }
    return id;
  }

  electrical(id: number): Electrical {
    return this.electricals[id]!;
  }

  /** The solved circuit for one electrical id per branch, with the shorts that active faults add. */
  state(ids: readonly number[], faults: readonly FaultRef[]): CircuitState {
    let key = String.fromCharCode(...ids);
    for (const fault of faults)
      if (this.model.parts[fault.part]!.modes[fault.mode]!.shorts) key += `;${fault.part}.${fault.mode}`;
    let state = this.solved.get(key);
    if (!state) {
      const circuit = this.build(ids, faults);
      state = { id: this.solved.size, circuit, solution: solve(circuit, this.layout) };
      this.solves++;
      this.solved.set(key, state);
    }
    return state;
  }

  private build(ids: readonly number[], faults: readonly FaultRef[]): Circuit {
    const { model } = this;
    const elements: Element[] = [];
    for (let branch = 0; branch < ids.length; branch++) {
      const id = ids[branch]!;
      // A bypass is the same on every branch, and so belongs to none.
      const element = id === CLOSED_ID ? this.element(model.branches[branch]!, CLOSED) : this.elements[id];
      if (element) elements.push(element);
    }
    for (const fault of faults) {
      const part = model.parts[fault.part]!;
      const shorts = part.modes[fault.mode]!.shorts;
      if (!shorts) continue;
      const to = model.nets.indexOf(shorts.to);
      elements.push({ type: 'impedance', id: `${part.id}:short`, a: part.branches[0]!.b, b: to, r: shorts.r, x: 0 });
    }
    return { nodeCount: model.nets.length, ground: model.ground, elements };
  }

  private element({ a, b, part: index, name }: Branch, electrical: Electrical): Element | undefined {
    const part = this.model.parts[index]!;
    const id = name === '' ? part.id : `${part.id}.${name}`;
    switch (electrical.type) {
      case 'open':
      case 'coupled-primary':
        return undefined;
      case 'impedance':
        return { type: 'impedance', id, a, b, r: electrical.r, x: electrical.x };
      case 'source':
        return { type: 'source', id, a, b, volts: electrical.volts, phase: 0, r: electrical.r, x: electrical.x };
      case 'coupled-secondary': {
        const primary = part.branches.find((p) => p.name === electrical.primary)!;
        return {
          type: 'transformer',
          id: part.id,
          primary: [primary.a, primary.b],
          secondary: [a, b],
          ratio: electrical.ratio,
          r: electrical.r,
          x: electrical.x,
          magnetisingR: electrical.magnetisingR,
          magnetisingX: electrical.magnetisingX,
        };
      }
    }
  }

  /** Electrical ids of a person's interventions. */
  static readonly unplugged = OPEN_ID;
  static readonly bypassed = CLOSED_ID;
}

/** Nets that something may join: the branches of one part among each other (they may be coupled), and what a fault shorts. */
function* joinable(model: Model): Iterable<readonly number[]> {
  for (const part of model.parts) {
    const coupled = part.branches.some((b) => part.kind.symbol(b.name, part.spec) === 'winding');
    if (coupled) yield part.branches.flatMap(({ a, b }) => [a, b]);
    else for (const { a, b } of part.branches) yield [a, b];
    for (const { shorts } of part.modes) if (shorts) yield [part.branches[0]!.b, model.nets.indexOf(shorts.to)];
  }
}
