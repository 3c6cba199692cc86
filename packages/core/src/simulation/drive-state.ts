import type { Solution } from '../circuit';
import { type Electrical, type FaultMode, fed, type Leads, NOTHING } from '../parts';
import type { Branch, Controller, Model, Part } from '../profile';
import { failureModeOf, type FaultRef, specUnder } from './setup';

/**
 * How its circuit drives an appliance: all that its movements take from it. Drive states of one appliance that are equal are
 * one object.
 */
export interface DriveState {
  /** By part; see `PartKind.drive`. */
  readonly parts: readonly number[];
  /** How strongly the control is fed, and each of its inputs: NOTHING, HOLDS or PULLS. */
  readonly supply: number;
  readonly inputs: readonly number[];
  /** By comparison of the model. */
  readonly comparisons: readonly boolean[];
}

/** Voltage between two nodes; zero when nothing joins them. */
export function voltsBetween({ re, im, island }: Solution, a: number, b: number): number {
  if (island[a] !== island[b]) return 0;
  const dr = re[a]! - re[b]!;
  const di = im[a]! - im[b]!;
  // Asked at every change for every coil and contact: the plain root, not the careful one of hypot.
  return Math.sqrt(dr * dr + di * di);
}

/** Reads the drive state of solved circuits for one appliance. */
export class DriveSensing {
  private readonly driven: readonly PartLeads[];
  private readonly known = new Map<string, DriveState>();

  constructor(
    private readonly model: Model,
    electrical: (id: number) => Electrical,
  ) {
    this.driven = model.parts.filter((p) => p.kind.drive).map((p) => new PartLeads(p, electrical));
  }

  /** How a circuit drives, given the electrical id of each branch and what is broken. */
  of(solution: Solution, ids: readonly number[], faults: readonly FaultRef[]): DriveState {
    const { controller, comparisons } = this.model;
    const levels = this.driven.map((leads) => leads.sense(solution, ids, faults));
    const control = controller ? controlDrive(this.model, controller, solution, faults) : [];
    const compared = comparisons.map((holds) => holds((a, b) => voltsBetween(solution, a, b)));
    let key = '';
    for (const level of levels) key += `${level},`;
    for (const level of control) key += level;
    for (const holds of compared) key += holds ? 'y' : 'n';
    let drive = this.known.get(key);
    if (!drive) this.known.set(key, (drive = this.made(levels, control, compared)));
    return drive;
  }

  private made(levels: readonly number[], control: readonly number[], comparisons: readonly boolean[]): DriveState {
    const parts = this.model.parts.map(() => 0);
    this.driven.forEach(({ part }, i) => (parts[part.index] = levels[i]!));
    const [supply = NOTHING, ...inputs] = control;
    return { parts, supply, inputs, comparisons };
  }
}

/** How strongly the supply of a control and its inputs are fed. A dead control notices no supply, a deaf input nothing. */
function controlDrive(
  { parts, branches }: Model,
  { part, supplyBranch, brownOut, restart, inputs }: Controller,
  solution: Solution,
  faults: readonly FaultRef[],
): number[] {
  const takenAway = failureModeOf(parts[part]!, faults)?.takesAway;
  const across = (branch: number): number => voltsBetween(solution, branches[branch]!.a, branches[branch]!.b);
  const supply = takenAway === 'everything' ? NOTHING : fed(across(supplyBranch), brownOut, restart);
  return [
    supply,
    ...inputs.map(({ id, branch, breaks, makes }) =>
      branch === undefined || isDeaf(takenAway, id) ? NOTHING : fed(across(branch), breaks, makes),
    ),
  ];
}

const isDeaf = (takenAway: FaultMode['takesAway'], input: string): boolean =>
  typeof takenAway === 'object' && 'input' in takenAway && takenAway.input === input;

/** The leads of one part, laid to one circuit after the other. */
class PartLeads implements Leads {
  fault: string | undefined;
  spec: Leads['spec'];
  private solution!: Solution;
  private ids!: readonly number[];

  constructor(
    readonly part: Part,
    private readonly electrical: (id: number) => Electrical,
  ) {
    this.spec = part.spec;
  }

  sense(solution: Solution, ids: readonly number[], faults: readonly FaultRef[]): number {
    this.solution = solution;
    this.ids = ids;
    const mode = failureModeOf(this.part, faults);
    this.fault = mode?.id;
    this.spec = specUnder(this.part, mode);
    return this.part.kind.drive!(this);
  }

  readonly volts = (name: string): number => {
    const { index, a, b } = this.branch(name);
    // What is open, or out, is not driven by what stands where it was.
    if (this.electrical(this.ids[index]!).type === 'open') return 0;
    return voltsBetween(this.solution, a, b);
  };

  readonly amps = (name: string): number => {
    const electrical = this.electrical(this.ids[this.branch(name).index]!);
    if (electrical.type !== 'impedance') return 0;
    return this.volts(name) / Math.sqrt(electrical.r * electrical.r + electrical.x * electrical.x);
  };

  private branch(name: string): Branch {
    const { branches } = this.part;
    let at = 0;
    while (at < branches.length - 1 && branches[at]!.name !== name) at++;
    return branches[at]!;
  }
}
