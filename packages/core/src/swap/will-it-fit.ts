import { Engine } from '../diagnosis';
import { type Build, findPart, loadProfile, type Model, ProblemError } from '../profile';
import { FIRST_EPISODE, type Outcome } from '../simulation';
import type { Millis } from '../units';

/** What of a new part can be put into the model: as its sheet writes it, with its unit. */
export interface PartValue {
  readonly field: string;
  readonly value: string;
}

/** Every step with the old part and with the new one. */
export interface Fit {
  readonly steps: readonly {
    readonly title: string;
    readonly old: Millis | undefined;
    readonly now: Millis | undefined;
  }[];
  readonly ends: { readonly old: Outcome; readonly now: Outcome };
  /** Every step comes that came before, and it ends as before. */
  readonly fits: boolean;
  /** It carries less than the old one: the model does not burn it, the load does. */
  readonly carriesLess: boolean;
}

/** What a part of a kind carries, by the name of its field. */
const CARRIES: Readonly<Record<string, string>> = { transformer: 'va', fuse: 'amps' };

/**
 * Puts the data of a new part into the model of a sound appliance and runs every step. What the model does not know (thread, length,
 * fuel, shape) it cannot say. Gives what cannot be read, in words.
 */
export function willItFit(
  source: string,
  file: string,
  build: Build,
  part: string,
  values: readonly PartValue[],
): Fit | { readonly problem: string } {
  const before = loadProfile(source, file, { build });
  if (!findPart(before, part)) return { problem: `There is no part ${part} in this appliance.` };
  try {
    const fitted = { [part]: Object.fromEntries(values.map(({ field, value }) => [field, value])) };
    const after = loadProfile(source, file, { build, fitted });
    return { ...compared(before, after), carriesLess: carried(after, part) < carried(before, part) };
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    // Where it stands in the file means nothing to whoever typed it.
    return { problem: error.message.replace(/^\S+: parts\.[\w-]+\./gm, '') };
  }
}

/** What a part is rated for, SI; nought where its kind has no such rating. */
function carried(model: Model, id: string): number {
  const { kind, spec } = findPart(model, id)!;
  const rated = spec[CARRIES[kind.name] ?? ''];
  return typeof rated === 'number' ? rated : 0;
}

function compared(before: Model, after: Model): Omit<Fit, 'carriesLess'> {
  const [old, now] = [before, after].map((model) => {
    const engine = new Engine(model);
    return engine.traces.last(engine.healthy.faults, [FIRST_EPISODE]).trace;
  }) as [ReturnType<Engine['traces']['last']>['trace'], ReturnType<Engine['traces']['last']>['trace']];
  const steps = before.phases
    .filter(({ unwanted }) => !unwanted)
    .map(({ title, index }) => ({ title, old: old.cues[index]?.[0]?.from, now: now.cues[index]?.[0]?.from }));
  const comes = steps.every((step) => step.old === undefined || step.now !== undefined);
  return { steps, ends: { old: old.outcome, now: now.outcome }, fits: comes && old.outcome === now.outcome };
}
