import type { Ask, Model, Part } from '../profile';
import { type Episode, type Evidence, type Question, questionKey } from '../question';
import type { Setup } from '../simulation';
import type { TestingStandard } from '../standards';

/** Something done to the appliance for the length of one test. */
export type Intervention = { readonly unplug: string } | { readonly bypass: string } | { readonly action: string };

/** One thing a technician can do next, and what it answers. */
export interface Test {
  readonly id: string;
  readonly question: Question;
  readonly intervention: Intervention | undefined;
  /** Minutes it takes, reach and preparation included. */
  readonly minutes: number;
  /** What has to be prepared for it (a plug pulled, a part isolated), and its minutes once that is done; '' for nothing. */
  readonly preparation: string;
  readonly afterwards: number;
  /** A probe touches line voltage. */
  readonly line: boolean;
  /** Place in the walk from source to load, for the terminal-by-terminal order. */
  readonly order: number;
}

/** Extra minutes for a jumper: placing it, standing by, taking it off, writing both down. */
const BYPASS_MINUTES = 4;
/** Watching one more try while something is unplugged. */
const TRY_MINUTES = 2;
/** Watching one cue costs little once one stands in front of the burner. */
const CUE_MINUTES = 0.3;
/** One more winding of a part that is isolated already, one more thing asked of a try that is watched. */
const ONE_MORE_MINUTES = 0.5;

/** What is watched or read off rather than measured. */
const isCue = ({ kind }: Ask): boolean => kind === 'seen' || kind === 'outcome' || kind === 'code';

/** Every test the profile allows, in the order of a terminal-by-terminal walk. */
export function testsOf(model: Model): Test[] {
  const tests: Test[] = [];
  const add = (
    question: Question,
    minutes: number,
    line = false,
    intervention?: Intervention,
    afterwards = minutes,
  ): void => {
    const done = intervention ? Object.entries(intervention)[0]!.join(' ') : '';
    tests.push({
      id: `${done === '' ? '' : `${done}: `}${questionKey(model, question)}`,
      question,
      intervention,
      minutes,
      preparation: question.kind === 'ohms' ? isolation(model, question.part) : done,
      afterwards: Math.min(minutes, afterwards),
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
      add({ kind: 'ohms', part: part.index, branch: dead.branch }, part.minutes, false, undefined, ONE_MORE_MINUTES);
  const asked = (ask: Ask): { question: Question; minutes: number; line: boolean } => {
    switch (ask.kind) {
      case 'volts': {
        const point = model.points.find((p) => p.net === ask.red);
        const question = { ...ask, input: 'high-impedance' as const };
        return { question, minutes: point?.minutes ?? 1, line: model.levels[ask.red] === 'line' };
      }
      case 'gauge':
        return { question: ask, minutes: model.gauges[ask.gauge]!.minutes, line: false };
      case 'look':
        return { question: ask, minutes: model.looks[ask.look]!.minutes, line: false };
      default:
        return { question: ask, minutes: TRY_MINUTES, line: false };
    }
  };
  // Cues of a try that is watched for another question already cost hardly more.
  const once = (ask: Ask, minutes: number): number => (isCue(ask) ? ONE_MORE_MINUTES : minutes);
  for (const plug of model.plugs)
    for (const ask of plug.asks) {
      const { question, minutes, line } = asked(ask);
      add(question, plug.minutes + minutes, line, { unplug: plug.id }, once(ask, minutes));
    }
  for (const action of model.actions)
    for (const ask of action.asks) {
      const { question, minutes, line } = asked(ask);
      // The minutes of an action go as far as the end of its try.
      const reading = ask.kind === 'outcome' || ask.kind === 'code' ? 0 : minutes;
      add(question, action.minutes + reading, line, { action: action.id }, once(ask, minutes));
    }
  for (const part of model.parts)
    if (mayBypass(part)) add({ kind: 'outcome' }, BYPASS_MINUTES, false, { bypass: part.id });
  return tests;
}

/**
 * Parts whose bypass may be a momentary test: safeties, unless marked `never-bypass` (roll-out, spill), and switches
 * marked `may-join` (thermostats).
 */
export function mayBypass(part: Part): boolean {
  if (part.spec['may-join'] === true) return true;
  return part.kind.mayOpenRightly?.(part.spec) === true && part.spec['never-bypass'] !== true;
}

/** The setup a test is made in, starting from the present one. */
export function setupFor(present: Setup, intervention: Intervention | undefined): Setup {
  if (!intervention) return present;
  if ('unplug' in intervention)
    return { ...present, unplugged: [...new Set([...present.unplugged, intervention.unplug])] };
  if ('action' in intervention) return { ...present, actions: [...new Set([...present.actions, intervention.action])] };
  return { ...present, bypassed: [...new Set([...present.bypassed, intervention.bypass])] };
}

/** The episodes at the end of which a test is answered: an intervention is one more. */
export function episodesFor(episodes: readonly Episode[], { intervention }: Test): readonly Episode[] {
  if (!intervention) return episodes;
  const present = episodes[episodes.length - 1]!;
  return [...episodes, { ...present, setup: setupFor(present.setup, intervention) }];
}

/** What a test of another standard than one's own costs more: slower, and against the grain. */
const OTHER_STANDARD = 1.6;

/** The preparation for a dead test. */
const isolation = (model: Model, part: number): string => `isolated ${model.parts[part]!.id}`;

/** The part that is isolated because its ohms were read last; '' when another reading was the last. */
export function isolated(model: Model, { items }: Evidence): string {
  const last = items[items.length - 1]?.observation;
  return last?.kind === 'ohms' ? isolation(model, last.part) : '';
}

/** Minutes a test takes somebody of a standard; `prepared` names what is still prepared from the test before. */
export function minutesFor(model: Model, test: Test, standard: TestingStandard, prepared = ''): number {
  const way = probingOf(model, test);
  const minutes = test.preparation !== '' && test.preparation === prepared ? test.afterwards : test.minutes;
  return way === undefined || way === standard.probing
    ? minutes
    : minutes * (way === 'to-common' ? 1.2 : OTHER_STANDARD);
}

/** Whether a voltage is read against a place where the black probe rests, not across a device. */
export const isToCommon = (model: Model, { black }: { readonly black: number }): boolean =>
  model.points.some((p) => p.black === black);

/** Which way of looking for an open device a test belongs to. */
function probingOf(model: Model, { question, intervention }: Test): TestingStandard['probing'] | undefined {
  if (intervention) return 'bypass' in intervention ? 'bypass' : undefined;
  if (question.kind === 'volts') return isToCommon(model, question) ? 'to-common' : 'across';
  if (question.kind === 'ohms') return model.parts[question.part]!.kind.mayOpenRightly ? 'dead-ohms' : undefined;
  return undefined;
}
