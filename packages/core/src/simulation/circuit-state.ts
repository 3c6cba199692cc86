import { type Circuit, type Element, type Layout, layoutOf, type Solution, solve } from '../circuit';
import { circuitElement, CLOSED, type Electrical, OPEN } from '../parts';
import type { Branch, Model } from '../profile';
import { DriveSensing, type DriveState } from './drive-state';
import { type FaultRef, openWhenApart, type Setup, specUnder } from './setup';

/** One solved electrical state of an appliance. */
export interface CircuitState {
  readonly id: number;
  readonly circuit: Circuit;
  readonly solution: Solution;
}

/** A solved circuit, and how it drives the appliance. */
export interface Sensed {
  readonly circuit: CircuitState;
  readonly drive: DriveState;
}

const OPEN_ID = 0;
const CLOSED_ID = 1;

/** A solved circuit, and how it drives with one or the other part broken. */
interface Known extends CircuitState {
  readonly drives: Map<string, DriveState>;
}

/**
 * Solves the appliance's circuit for its states and remembers every answer: hypotheses that look alike electrically
 * share their solves.
 */
export class CircuitStates {
  private readonly electricals: Electrical[] = [OPEN, CLOSED];
  /** The element that stands for each of them; an open branch, and one half of a transformer, has none. */
  private readonly elements: (Element | undefined)[] = [undefined, undefined];
  /** By branch, then by the fault in its part (none first), then by state. */
  private readonly ids: readonly number[][][];
  private readonly layout: Layout;
  private readonly driveSensing: DriveSensing;
  private readonly solved = new Map<string, Known>();
  /** Whether the state of a branch's part makes a difference to the circuit, be it only with the part broken. */
  readonly matters: readonly boolean[];
  /** How many circuits were solved, for the benchmark. */
  solves = 0;

  constructor(readonly model: Model) {
    this.layout = layoutOf(model.nets.length, joinable(model));
    this.driveSensing = new DriveSensing(model, (id) => this.electricals[id]!);
    this.ids = model.branches.map((b) => [undefined, ...model.parts[b.part]!.modes].map(() => []));
    this.matters = model.branches.map((b) => this.differs(b));
  }

  /** Number of the electrical behaviour of a branch; its state is that of its part, and 1 for an output that is on. */
  electricalId(branch: number, state: number, mode = -1): number {
    const known = this.ids[branch]![mode + 1]!;
    return (known[state] ??= this.newId(this.model.branches[branch]!, state, mode));
  }

  private newId(branch: Branch, state: number, mode: number): number {
    const part = this.model.parts[branch.part]!;
    const { kind, modes } = part;
    const name = branch.part !== this.model.controller?.part ? kind.states[state]! : state === 1 ? branch.name : 'idle';
    const failure = modes[mode];
    const electrical = withPoorContact(
      kind.electrical(specUnder(part, failure), name, failure?.id, branch.name, branch.frequency),
      failure?.inSeries?.branch === branch.name ? failure.inSeries.ohms : 0,
    );
    if (electrical.type === 'open') return OPEN_ID;
    // What another state or fault of the branch is as well has its number: it need not be solved anew.
    const same = this.ids[branch.index]!.flat().find((id) => alike(this.electricals[id]!, electrical));
    if (same !== undefined) return same;
    const id = this.electricals.push(electrical) - 1;
    this.elements[id] = this.element(branch, electrical);
    return id;
  }

  private differs({ index, part }: Branch): boolean {
    if (part === this.model.controller?.part) return this.electricalId(index, 0) !== this.electricalId(index, 1);
    const { kind, modes } = this.model.parts[part]!;
    if (!kind.move) return false;
    for (let mode = -1; mode < modes.length; mode++)
      for (let state = 1; state < kind.states.length; state++)
        if (this.electricalId(index, state, mode) !== this.electricalId(index, 0, mode)) return true;
    return false;
  }

  /** The solved circuit for one electrical id per branch, with the shorts that active faults add, and how it drives. */
  sense(ids: readonly number[], faults: readonly FaultRef[]): Sensed {
    const circuit = this.solvedFor(ids, faults);
    let key = '';
    for (const { part, mode } of faults)
      if (this.model.parts[part]!.kind.drive || part === this.model.controller?.part) key += `${part}.${mode};`;
    let drive = circuit.drives.get(key);
    if (!drive) circuit.drives.set(key, (drive = this.driveSensing.of(circuit.solution, ids, faults)));
    return { circuit, drive };
  }

  private solvedFor(ids: readonly number[], faults: readonly FaultRef[]): Known {
    let key = String.fromCharCode(...ids);
    for (let i = 0; i < faults.length; i++) {
      const { part, mode } = faults[i]!;
      if (this.model.parts[part]!.modes[mode]!.shorts) key += `;${part}.${mode}`;
    }
    let state = this.solved.get(key);
    if (!state) {
      const circuit = this.build(ids, faults);
      state = { id: this.solved.size, circuit, solution: solve(circuit, this.layout), drives: new Map() };
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
    // A transformer is one element for both of its windings.
    const id = name === '' || electrical.type === 'coupled-secondary' ? part.id : `${part.id}.${name}`;
    return circuitElement(id, { a, b }, electrical, (other) => part.branches.find((p) => p.name === other)!);
  }
}

/** Electrical ids that a person's interventions give to branches, whatever their parts do; −1 where nothing was done. */
export function setByHand(model: Model, setup: Setup): Int32Array {
  const fixed = new Int32Array(model.branches.length).fill(-1);
  for (const part of model.parts)
    if (setup.bypassed.includes(part.id)) for (const branch of part.branches) fixed[branch.index] = CLOSED_ID;
  const pulled = new Set(setup.unplugged);
  for (const action of model.actions)
    if (setup.actions.includes(action.id)) for (const id of action.unplugs) pulled.add(id);
  for (const plug of model.plugs) if (pulled.has(plug.id)) for (const pin of plug.pins) fixed[pin] = OPEN_ID;
  // A jumper joins the wires of a part that is out, and does not mend a lead that is lifted.
  const open = (setup.apart ?? []).filter((name) => !setup.bypassed.includes(name));
  for (const name of open) for (const branch of openWhenApart(model, name)) fixed[branch] = OPEN_ID;
  return fixed;
}

/** A passage with some ohms more, while it conducts. */
const withPoorContact = (electrical: Electrical, ohms: number): Electrical =>
  electrical.type === 'impedance' && ohms > 0 ? { ...electrical, r: electrical.r + ohms } : electrical;

/** Whether two passages are the same electrically. */
function alike(a: Electrical, b: Electrical): boolean {
  const others: Readonly<Record<string, string | number>> = b;
  return Object.entries(a).every(([field, value]) => others[field] === value);
}

/** Nets that something may join: the branches of one part among each other (they may be coupled), and what a fault shorts. */
function* joinable(model: Model): Iterable<readonly number[]> {
  for (const part of model.parts) {
    if (part.kind.couplings) yield part.branches.flatMap(({ a, b }) => [a, b]);
    else for (const { a, b } of part.branches) yield [a, b];
    for (const { shorts } of part.modes) if (shorts) yield [part.branches[0]!.b, model.nets.indexOf(shorts.to)];
  }
}
