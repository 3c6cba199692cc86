import type { Ask, Model, Part } from '../profile';
import {
  asUsual,
  type Cost,
  type Evidence,
  kindOf,
  type Question,
  QUESTION_KINDS,
  questionKey,
  WALK,
} from '../question';
import { mayBypassBurning, safetyOf } from '../rules';
import type { Episode, Setup } from '../simulation';
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
/** One more thing asked of a try that is watched. */
const ONE_MORE_MINUTES = 0.5;

/** Every test the profile allows, in the order of a terminal-by-terminal walk. */
export function testsOf(model: Model): Test[] {
  const tests: Test[] = [];
  const add = (
    question: Question,
    { minutes, line }: Cost,
    intervention?: Intervention,
    afterwards: number = minutes,
  ): void => {
    const done = intervention ? Object.entries(intervention)[0]!.join(' ') : '';
    tests.push({
      id: `${done === '' ? '' : `${done}: `}${questionKey(model, question)}`,
      question,
      intervention,
      minutes,
      preparation: kindOf(question).preparation?.(model, question) ?? done,
      afterwards: Math.min(minutes, afterwards),
      line,
      order: tests.length,
    });
  };

  const offers = QUESTION_KINDS.flatMap((kind) => kind.offers(model));
  for (const leg of WALK)
    for (const offer of offers) if (offer.walk === leg) add(offer.question, offer, undefined, offer.afterwards);
  // What is asked of an appliance that is set up in a special way. Cues of a try that is watched for another question already
  // cost hardly more.
  const ask = (asked: Ask, before: number, intervention: Intervention): void => {
    const question: Question = asked.kind === 'volts' ? asUsual(model, asked) : asked;
    const kind = kindOf(question);
    const { minutes, line } = kind.cost(model, question);
    // The minutes of an action go as far as the end of its try.
    const own = 'action' in intervention && kind.endsTry ? 0 : minutes;
    add(question, { minutes: before + own, line }, intervention, kind.weighs === 'cue' ? ONE_MORE_MINUTES : minutes);
  };
  for (const plug of model.plugs) for (const asked of plug.asks) ask(asked, plug.minutes, { unplug: plug.id });
  for (const action of model.actions)
    for (const asked of action.asks) ask(asked, action.minutes, { action: action.id });
  for (const part of model.parts)
    if (mayBypass(part, model.family))
      add({ kind: 'outcome' }, { minutes: BYPASS_MINUTES, line: false }, { bypass: part.id });
  return tests;
}

/** Whether going round a part may be a momentary test with the burner: some safeties, and switches whose wires may be joined. */
export function mayBypass({ safety }: Part, family: Model['family']): boolean {
  if (safety === undefined) return false;
  const rules = safetyOf(safety);
  return rules.proposed !== false && mayBypassBurning(rules, family);
}

/** The setup a test is made in, starting from the present one. */
export function setupFor(present: Setup, intervention: Intervention | undefined): Setup {
  if (!intervention) return present;
  if ('unplug' in intervention)
    return { ...present, unplugged: [...new Set([...present.unplugged, intervention.unplug])] };
  if ('action' in intervention)
    return { ...present, power: true, actions: [...new Set([...present.actions, intervention.action])] };
  // It is placed with the power off, and tells something with the power on.
  return { ...present, power: true, bypassed: [...new Set([...present.bypassed, intervention.bypass])] };
}

/** The episodes at the end of which a test is answered: an intervention is one more. */
export function episodesFor(episodes: readonly Episode[], { intervention }: Test): readonly Episode[] {
  if (!intervention) return episodes;
  const present = episodes[episodes.length - 1]!;
  return [...episodes, { ...present, setup: setupFor(present.setup, intervention) }];
}

/** What a test of another standard than one's own costs more: slower, and against the grain. */
const OTHER_STANDARD = 1.6;

/** What is still prepared for the reading that was taken last; '' when it needed nothing. */
export function stillPrepared(model: Model, { items }: Evidence): string {
  const last = items[items.length - 1]?.observation;
  return (last && kindOf(last).preparation?.(model, last)) ?? '';
}

/** Minutes a test takes somebody of a standard; `prepared` names what is still prepared from the test before. */
export function minutesFor(model: Model, test: Test, standard: TestingStandard, prepared = ''): number {
  const way = probingOf(model, test);
  const minutes = test.preparation !== '' && test.preparation === prepared ? test.afterwards : test.minutes;
  return way === undefined || way === standard.probing
    ? minutes
    : minutes * (way === 'to-common' ? 1.2 : OTHER_STANDARD);
}

/** Which way of looking for an open device a test belongs to. */
function probingOf(model: Model, { question, intervention }: Test): TestingStandard['probing'] | undefined {
  if (intervention) return 'bypass' in intervention ? 'bypass' : undefined;
  return kindOf(question).probing?.(model, question);
}
