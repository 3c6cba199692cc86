import { inSeconds, type Millis } from '../units';
import { ENV, type Model, type PartIndex, type Scope } from '../profile';
import { ControlProgram } from './control-program';
import { CycleDetector } from './cycle-detector';
import { type DependencyIndex, Due } from './dependency-index';
import type { DriveState } from './drive-state';
import { Observer } from './observer';
import { PartDynamics } from './part-dynamics';
import { Plant } from './plant';
import { firstSeverity, type FaultRef, type Setup } from './setup';
import type { Memory, Outcome } from './trace';
import type { Trajectory } from './trajectory';

/** Time given to the appliance to settle without a call before the run. */
const SETTLING: Millis = 120_000;
/** How long a lockout is watched before the run is called over. */
const LOCKOUT_WATCH: Millis = 10_000;
/** How long a state that nothing will change any more is drawn out at the end of a trace. */
const STANDING: Millis = 1000;
/** More changes than this at one instant mean that the profile chases its own tail. */
const MAX_CHANGES = 400;

/** A profile whose parts or program never come to rest at one instant. */
export class RestlessError extends Error {}

const CALL = ENV.indexOf('call');
const NO_REGIONS = new Int8Array(0);

/** Tells how the circuit drives the appliance with its branches in these states. */
export type Sense = (branchStates: Uint8Array) => DriveState;

/**
 * The event-driven simulation of one episode. At every instant the circuit, the control, the parts and the quantities
 * are brought to rest together; then time jumps to the next moment at which anything can change. It knows no volts: of the
 * circuit there is only how it drives, and of what is broken only what acts without it (`nonElectrical`).
 */
export class Simulator implements Scope {
  private now: Millis;
  private readonly settings: boolean[];
  private readonly parts: PartDynamics;
  private readonly plant: Plant;
  private readonly program: ControlProgram | undefined;
  private readonly observer: Observer;
  private readonly modes: Int16Array;
  private drive: DriveState | undefined;
  private readonly due: Due;
  /** How many times the circuit was sensed. */
  private sensed = 0;
  /** Whether a part or the program moved since the last record; a quantity alone on its way changes no segment. */
  private moved = true;
  /** Whether nothing but the control is due at the present instant. */
  private onlyControl = false;
  private readonly resets: Millis[] = [];
  private readonly codes: { at: Millis; code: string }[] = [];

  constructor(
    private readonly model: Model,
    matters: readonly boolean[],
    dependencies: DependencyIndex,
    nonElectrical: readonly FaultRef[],
    private readonly setup: Setup,
    memory: Memory | undefined,
    private readonly sense: Sense,
  ) {
    const waits = model.actions.filter((a) => setup.actions.includes(a.id)).map((a) => a.wait);
    this.now = -Math.max(SETTLING, ...waits);
    this.settings = model.env.map((name) =>
      name === 'power' ? setup.power : name === 'gas' ? setup.gas : setup.actions.includes(name),
    );
    this.modes = new Int16Array(model.parts.length).fill(-1);
    for (const fault of nonElectrical) this.modes[fault.part] = firstSeverity(model.parts[fault.part]!, fault.mode);
    this.due = new Due(dependencies);
    this.parts = new PartDynamics(model, matters, nonElectrical, memory, this.due);
    this.plant = new Plant(model, this.now, memory, this.due, nonElectrical);
    this.observer = new Observer(model, this.due);
    if (model.controller) this.program = new ControlProgram(model.controller, this.due);
  }

  run(): Trajectory {
    this.settle();
    for (;;) {
      const next = this.next();
      if (next > 0) break;
      this.now = next;
      this.settle();
    }
    this.now = 0;
    this.settings[CALL] = this.setup.heatCall;
    this.due.changed('env', CALL);
    this.onlyControl = false;
    this.resets.length = 0;
    this.codes.length = 0;
    this.settle();
    this.record();

    const seen = new CycleDetector();
    let limit: Millis = this.model.watch;
    let lockedOut: Millis | undefined;
    for (;;) {
      const next = this.next();
      if (next === Infinity) return this.finish(undefined, lockedOut, false);
      if (next > limit) {
        this.now = limit;
        return this.finish(undefined, lockedOut, lockedOut === undefined);
      }
      this.now = next;
      if (!this.settle()) continue;
      const moved = this.moved;
      this.record();
      if (lockedOut === undefined && this.program?.lockedOut()) {
        lockedOut = this.now;
        limit = Math.min(limit, this.now + LOCKOUT_WATCH);
      }
      // A state can only come again at a moment at which a part or the program moves.
      if (!moved) continue;
      const before = seen.before(this.now, this.outlook());
      if (before !== undefined) return this.finish({ from: before, length: this.now - before }, lockedOut, false);
    }
  }

  /** Everything that decides how it goes on, times counted from now. */
  private outlook(): number[] {
    const outlook: number[] = [];
    this.program?.outlook(this.now, outlook);
    this.parts.outlook(this.now, outlook);
    this.plant.outlook(this.now, outlook);
    return outlook;
  }

  private readonly onReset = (at: Millis): void => void this.resets.push(at);

  /** Brings everything to rest at the present instant; false when nothing can have come of it. */
  private settle(): boolean {
    this.plant.pass(this.now);
    for (let i = 0; i < MAX_CHANGES; i++) {
      const drive = this.senseDrive();
      let changed = false;
      if (this.program?.move(this.now, drive, this, this.onReset)) {
        this.parts.setOutputs(this.program.outputs);
        changed = true;
      }
      // A timer that ran out and opened nothing.
      if (i === 0 && this.onlyControl && !changed) return false;
      if (this.parts.move(this.now, drive, this)) changed = true;
      if (changed) this.moved = true;
      if (this.plant.move(this.now, this)) changed = true;
      if (!changed) return true;
    }
    throw new RestlessError(
      `${this.model.id}: ${this.now < 0 ? 'before the call' : `at ${inSeconds(this.now)} s`} the program or the parts change for ever without time passing; give a guard an after(…) or a part a delay`,
    );
  }

  /** How the circuit drives, sensed anew when it may have changed. */
  private senseDrive(): DriveState {
    const before = this.drive;
    if (before && !this.parts.stirred) return before;
    const drive = (this.drive = this.sense(this.parts.branchStates));
    this.sensed++;
    this.parts.stirred = false;
    if (!before || drive === before) return drive;
    for (let i = 0; i < drive.parts.length; i++) if (drive.parts[i] !== before.parts[i]) this.due.changed('drive', i);
    for (let i = 0; i < drive.comparisons.length; i++)
      if (drive.comparisons[i] !== before.comparisons[i]) this.due.changed('comparison', i);
    return drive;
  }

  private next(): Millis {
    const control = this.program?.next() ?? Infinity;
    const others = Math.min(this.parts.next(), this.plant.next(this.now));
    this.onlyControl = control < others;
    return Math.min(control, others);
  }

  private record(): void {
    const { program } = this;
    this.observer.observe(this.now, this);
    if (!this.moved) return;
    this.moved = false;
    this.observer.segment(
      this.now,
      this.sensed - 1,
      this.parts.states,
      program?.regionStates ?? NO_REGIONS,
      program?.outputs ?? [],
      program?.supply === 'up',
    );
    this.codes.push({
      at: this.now,
      code: program === undefined ? 'none' : program.supply === 'up' ? (program.code() ?? 'none') : 'dark',
    });
  }

  private finish(cycle: Trajectory['cycle'], lockedOutAt: Millis | undefined, cut: boolean): Trajectory {
    // What stands for ever is shown standing for a while.
    const end = cycle ? this.now : this.now + STANDING;
    this.observer.finish(end);
    const { cues, windows, segments } = this.observer;
    const partStates = new Map<PartIndex, string>();
    const quantities = new Map<number, number>();
    for (const part of this.model.parts) {
      const state = part.kind.states[this.parts.states[part.index]!]!;
      if (part.kind.lasting?.(part.spec).includes(state)) partStates.set(part.index, state);
    }
    for (const quantity of this.model.quantities)
      if (quantity.lasting) quantities.set(quantity.index, this.quantity(quantity.index));
    const outcome = this.outcome(cycle, lockedOutAt !== undefined, end, cut);
    return {
      segments,
      end,
      cycle,
      cut,
      cues,
      windows,
      ramps: this.plant.ramps,
      resets: this.resets,
      outcome,
      code: this.shownCode(cycle?.from ?? (outcome === 'cycles' ? 0 : undefined)),
      codes: this.codes,
      lockedOutAt,
      memory: { partStates, quantities },
    };
  }

  private outcome(cycle: Trajectory['cycle'], lockedOut: boolean, end: Millis, cut: boolean): Outcome {
    const { cues } = this.observer;
    const goal = this.model.phases.find((p) => p.goal);
    const goalTimes = goal ? cues[goal.index]! : [];
    if (lockedOut) return 'locks-out';
    if (cycle) {
      const reached = goalTimes.some((i) => i.to > cycle.from);
      return reached ? 'cycles' : 'starts-over';
    }
    // The watch ended in the middle of a long cycle, wherever in it.
    if (cut && goalTimes.length > 1) return 'cycles';
    if (goalTimes.some((i) => i.to === end)) return 'runs';
    const anything = this.model.phases.some((p) => p.index > 0 && cues[p.index]!.length > 0);
    return anything ? 'stuck' : 'dead';
  }

  /** The code seen for the longest time since repetition began, else the one standing at the end. */
  private shownCode(since: Millis | undefined): string {
    const last = this.codes[this.codes.length - 1]!.code;
    if (since === undefined) return last;
    const shown = new Map<string, number>();
    this.codes.forEach(({ at, code }, i) => {
      const to = this.codes[i + 1]?.at ?? this.now;
      if (code !== 'none' && code !== 'dark' && to > since) shown.set(code, (shown.get(code) ?? 0) + to - at);
    });
    return [...shown].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'none';
  }

  // What expressions ask.
  partIs(part: PartIndex, state: number): boolean {
    return this.parts.states[part] === state;
  }
  outputOn(port: number): boolean {
    return this.program?.outputs[port] ?? false;
  }
  input(index: number): boolean {
    return this.program?.inputs[index] ?? false;
  }
  quantity(index: number): number {
    return this.plant.value(index, this.now);
  }
  env(index: number): boolean {
    return this.settings[index]!;
  }
  fault(part: PartIndex, mode: number): boolean {
    return this.modes[part] === mode;
  }
  regionIs(region: number, state: number): boolean {
    return this.program?.supply === 'up' && this.program.regionStates[region] === state;
  }
  sinceEntry(): number {
    return this.program ? this.now - this.program.entered[this.program.asking]! : 0;
  }
  counter(index: number): number {
    return this.program?.counters[index] ?? 0;
  }
  compared(comparison: number): boolean {
    return this.drive!.comparisons[comparison]!;
  }
  alive(): boolean {
    return this.program?.supply === 'up';
  }
}
