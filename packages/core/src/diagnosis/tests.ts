import type { Model, Part } from '../profile';
import type { Setup } from '../sequence';
import { questionKey, type Question } from './observation';

/** Something done to the appliance for the length of one test. */
export type Intervention = { readonly unplug: string } | { readonly bypass: string };

/** One thing a technician can do next, and what it answers. */
export interface Test {
  readonly id: string;
  readonly question: Question;
  readonly intervention: Intervention | undefined;
  /** Minutes it takes, reach included. */
  readonly minutes: number;
  /** A probe touches line voltage. */
  readonly line: boolean;
  /** Place in the walk from source to load, for the terminal-by-terminal order. */
  readonly order: number;
}

/** Extra minutes for a jumper: placing it, standing by, taking it off, writing both down. */
const BYPASS_MINUTES = 4;
/** Watching one cue costs little once one stands in front of the burner. */
const CUE_MINUTES = 0.3;

/** Every test the profile allows, in the order of a terminal-by-terminal walk. */
export function testsOf(model: Model): Test[] {
  const tests: Test[] = [];
  const add = (question: Question, minutes: number, line = false, intervention?: Intervention): void => {
    const prefix = !intervention
      ? ''
      : 'unplug' in intervention
        ? `unplug ${intervention.unplug}: `
        : `bypass ${intervention.bypass}: `;
    tests.push({
      id: prefix + questionKey(model, question),
      question,
      intervention,
      minutes,
      line,
      order: tests.length,
    });
  };

  model.looks.forEach((look, i) => look.before && add({ kind: 'look', look: i }, look.minutes));
  add({ kind: 'outcome' }, 0.5);
  if (model.codes.length > 0) add({ kind: 'code' }, 0.4);
  for (const phase of model.phases) add({ kind: 'seen', phase: phase.index }, CUE_MINUTES);

  const probing = model.phases.filter((p) => p.probe);
  // Rungs are written from source to load, and so are the readings along them.
  for (const rung of model.rungs)
    for (const item of rung.items) {
      const point = 'net' in item ? model.points.find((p) => p.net === item.net) : undefined;
      if (!point || tests.some((t) => t.question.kind === 'volts' && t.question.red === point.net)) continue;
      for (const phase of probing)
        add(
          { kind: 'volts', red: point.net, black: point.black, phase: phase.index, input: 'high-impedance' },
          point.minutes,
          point.line,
        );
    }
  for (const part of model.parts)
    if (part.kind.mayOpenRightly?.(part.spec))
      for (const phase of probing) {
        const branch = part.branches[0]!;
        add({ kind: 'volts', red: branch.a, black: branch.b, phase: phase.index, input: 'high-impedance' }, 1.2);
      }
  model.gauges.forEach((gauge, i) => add({ kind: 'gauge', gauge: i }, gauge.minutes));
  model.looks.forEach((look, i) => !look.before && add({ kind: 'look', look: i }, look.minutes));
  for (const part of model.parts)
    for (const dead of part.kind.deadTests(part.spec))
      add({ kind: 'ohms', part: part.index, branch: dead.branch }, part.minutes);
  for (const plug of model.plugs) {
    const unplug = { unplug: plug.id };
    add({ kind: 'outcome' }, plug.minutes + 2, false, unplug);
    if (model.codes.length > 0) add({ kind: 'code' }, plug.minutes + 2, false, unplug);
  }
  for (const part of model.parts)
    if (mayBypass(part)) add({ kind: 'outcome' }, BYPASS_MINUTES, false, { bypass: part.id });
  return tests;
}

/** Safeties whose bypass may be a momentary test. Roll-out and spill switches are marked `never-bypass`. */
export function mayBypass(part: Part): boolean {
  return part.kind.mayOpenRightly?.(part.spec) === true && part.spec['never-bypass'] !== true;
}

/** The setup a test is made in, starting from the present one. */
export function setupFor(present: Setup, intervention: Intervention | undefined): Setup {
  if (!intervention) return present;
  if ('unplug' in intervention)
    return { ...present, unplugged: [...new Set([...present.unplugged, intervention.unplug])] };
  return { ...present, bypassed: [...new Set([...present.bypassed, intervention.bypass])] };
}
