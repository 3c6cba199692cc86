import { solve, type Circuit, type Element, type Solution } from '../circuit';
import type { Electrical } from '../parts';
import type { Model } from '../profile';
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
  private readonly electricals: Electrical[] = [{ type: 'open' }, { type: 'impedance', r: 0.01, x: 0 }];
  private readonly interned = new Map<string, number>();
  private readonly solved = new Map<string, CircuitState>();
  /** How many circuits were solved, for the benchmark. */
  solves = 0;

  constructor(readonly model: Model) {}

  /** Number of the electrical behaviour of a branch whose part is in a state. */
  electricalId(branch: number, state: string, fault: string | undefined): number {
    const key = `${branch}|${state}|${fault ?? ''}`;
    let id = this.interned.get(key);
    if (id === undefined) {
      const b = this.model.branches[branch]!;
      const part = this.model.parts[b.part]!;
      const electrical = part.kind.electrical(part.spec, state, fault, b.name, b.frequency);
      id = electrical.type === 'open' ? OPEN_ID : this.electricals.push(electrical) - 1;
      this.interned.set(key, id);
    }
    return id;
  }

  electrical(id: number): Electrical {
    return this.electricals[id]!;
  }

  /** The solved circuit for one electrical id per branch, with the shorts that active faults add. */
  state(ids: Uint16Array, faults: readonly FaultRef[]): CircuitState {
    let key = '';
    for (const id of ids) key += String.fromCharCode(id + 32);
    for (const fault of faults)
      if (this.model.parts[fault.part]!.modes[fault.mode]!.shorts) key += `;${fault.part}.${fault.mode}`;
    let state = this.solved.get(key);
    if (!state) {
      const circuit = this.build(ids, faults);
      state = { id: this.solved.size, circuit, solution: solve(circuit) };
      this.solves++;
      this.solved.set(key, state);
    }
    return state;
  }

  private build(ids: Uint16Array, faults: readonly FaultRef[]): Circuit {
    const { model } = this;
    const elements: Element[] = [];
    for (const branch of model.branches) {
      const electrical = this.electricals[ids[branch.index]!]!;
      const { a, b } = branch;
      const part = model.parts[branch.part]!;
      const id = branch.name === '' ? part.id : `${part.id}.${branch.name}`;
      switch (electrical.type) {
        case 'open':
        case 'coupled-primary':
          break;
        case 'impedance':
          elements.push({ type: 'impedance', id, a, b, r: electrical.r, x: electrical.x });
          break;
        case 'source':
          elements.push({
            type: 'source',
            id,
            a,
            b,
            volts: electrical.volts,
            phase: 0,
            r: electrical.r,
            x: electrical.x,
          });
          break;
        case 'coupled-secondary': {
          const primary = part.branches.find((p) => p.name === electrical.primary)!;
          elements.push({
            type: 'transformer',
            id: part.id,
            primary: [primary.a, primary.b],
            secondary: [a, b],
            ratio: electrical.ratio,
            r: electrical.r,
            x: electrical.x,
            magnetisingR: electrical.magnetisingR,
            magnetisingX: electrical.magnetisingX,
          });
        }
      }
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

  /** Electrical ids of a person's interventions. */
  static readonly unplugged = OPEN_ID;
  static readonly bypassed = CLOSED_ID;
}
