import type { Hypothesis } from '../inference';
import { findPart, type Model } from '../profile';
import { type AnswerBody, kindOf, kindOfBody, type Prediction, readAnswer } from '../question';
import type { CallState } from '../visit';
import type { Laid } from './draw-exercise';
import { failedParts, TESTS } from './decision';
import { truthsOf } from './exercise';
import { isPractice, type Move } from './move';

/** Something that learners believe and that is not so; named by a rule, never guessed. */
export interface Misconception {
  readonly id: string;
  readonly title: string;
  /** What is so. */
  readonly lesson: string;
  /** The move that shows it. */
  readonly move: number;
  /** The part it was about, by id. */
  readonly part?: string;
}

const SAID: Readonly<Record<string, { readonly title: string; readonly lesson: string }>> = {
  'known-twice': { title: 'Known twice', lesson: 'What was read before told this already: minutes for nothing.' },
  ghost: {
    title: 'A ghost was chased',
    lesson: 'Nothing joins that wire: a light meter shows what couples in. Load it: low impedance shows nothing there.',
  },
  'wrong-function': {
    title: 'The meter was set to another kind of volts',
    lesson: 'AC shows nothing of DC, and DC nothing of AC. Turn the knob before the number is believed.',
  },
  'hot-igniter': {
    title: 'A hot igniter was judged cold',
    lesson: 'A glow igniter reads otherwise while it is warm: power off and ten minutes, or judge it by its current.',
  },
  unloaded: {
    title: 'An unloaded reading was trusted',
    lesson: 'A tired source reads well with nothing on it. Read it while the load runs.',
  },
  standing: {
    title: 'Standing pressure was trusted',
    lesson: 'Gas that stands tells nothing of gas that flows: read the inlet while everything fires.',
  },
  delay: {
    title: 'A delay was called dead',
    lesson: 'It was still on its way. Wait out its longest delay before anything is said of it.',
  },
  leads: {
    title: 'The leads were measured too',
    lesson: 'Leads have a few tenths of an ohm. Hold them together, note it, take it off.',
  },
  symptom: {
    title: 'A symptom was replaced',
    lesson:
      'The new part is in, and what was wrong is still there. What is read at the part decides, not that it does nothing.',
  },
  'safety-blamed': {
    title: 'The safety was blamed',
    lesson: 'It opened because it should. Find what heated it, starved it or drained it, and mend that.',
  },
};

/** What tells less than this told nothing new, bits. */
const NOTHING_NEW = 0.02;

/** Whether a test told what was known already. What is read of a part by itself condemns it, however sure one is. */
export const toldNothing = (type: Move['body']['type'], bits: number | undefined): boolean =>
  bits !== undefined && bits < NOTHING_NEW && TESTS.has(type) && type !== 'ohms' && type !== 'farads';
/** Less than this many ohms, and the leads matter. */
const LEADS_MATTER = 5;
/** Parts that are sources: they sag under load. */
const SOURCES = new Set(['transformer', 'battery', 'thermopile', 'thermocouple', 'supply']);
const TEN_MINUTES = 600_000;

/** What a learner believed that is not so, by what they did and what the machine really did then. */
export function misconceptionsIn(
  { engine, appliance, exercise }: Laid,
  moves: readonly Move[],
  states: readonly CallState[],
  /** What each move told, bits; nothing for moves that answer nothing. */
  told: readonly (number | undefined)[],
): Misconception[] {
  const { model } = engine;
  const { truth } = exercise;
  const failed = new Set(truthsOf(exercise).flatMap((t) => [...failedParts(t, model.parts)]));
  const found: Misconception[] = [];
  const say = (id: string, move: number, part?: string): void => {
    const said = SAID[id]!;
    if (!found.some((f) => f.id === id && f.move === move))
      found.push({ id, ...said, move, ...(part !== undefined && { part }) });
  };
  const zeroed = moves.findIndex(({ body }) => body.type === 'lead-zero');
  moves.forEach(({ at, body }, move) => {
    if (isPractice(body)) return;
    const state = states[move]!;
    const { episodes } = state.evidence;
    const read = kindOfBody(body.type) ? readAnswer(model, body as AnswerBody) : undefined;
    if (body.type === 'volts' && read?.kind === 'problem') say('wrong-function', move);
    if (read?.kind === 'observation') {
      const { observation } = read;
      const is: Prediction = kindOf(observation).predict(appliance.model, appliance.live(episodes), observation);
      if (body.type === 'volts' && body.meter !== 'low-impedance' && is.kind === 'ghost') say('ghost', move);
      if (body.type === 'ohms' && 'reading' in body) {
        const part = findPart(model, body.part)!;
        const low = body.reading.kind === 'value' && body.reading.value < LEADS_MATTER;
        if (low && (zeroed < 0 || zeroed > move)) say('leads', move, body.part);
        if (part.kind.name.includes('igniter') && litWithin(moves, move, at)) say('hot-igniter', move, body.part);
      }
      if (toldNothing(body.type, told[move])) say('known-twice', move);
      const gaveUp =
        body.type === 'outcome' && (body.outcome === 'dead' || body.outcome === 'stuck') && 'after' in body;
      if (gaveUp && body.outcome !== appliance.live(episodes).trace.outcome) say('delay', move);
    }
    if (body.type === 'gauge' && truth && /^gas-(supply|regulator)\.(low|fades)/.test(truth.family)) {
      const fires = state.setup.heatCall && state.setup.gas && state.setup.power;
      if (!fires) say('standing', move, 'gas-supply');
    }
    if (body.type === 'repaired' && body.old !== true && truth)
      if (!failed.has(body.part)) blame(model, body.part, (id) => say(id, move, body.part));
    if (body.type === 'break-recorded' && truth && sags(model, truth) && body.part !== breaksOf(model, truth)) {
      const at = readUnloaded(model, truth, moves, states);
      if (at !== undefined) say('unloaded', at, model.parts[truth.faults[0]!.part]!.id);
    }
  });
  return found;
}

const breaksOf = (model: Model, { breaks }: Hypothesis): string | undefined =>
  breaks === undefined ? undefined : model.parts[breaks]!.id;

/** A part was fitted that was not it: a safety that opened rightly, or something that only showed what was wrong. */
function blame(model: Model, part: string, say: (id: string) => void): void {
  say(findPart(model, part)?.safety === undefined ? 'symptom' : 'safety-blamed');
}

const sags = (model: Model, { family, faults }: Hypothesis): boolean =>
  /\.(weak|flat|low|tired)$/.test(family) && SOURCES.has(model.parts[faults[0]!.part]!.kind.name);

/** The newest reading of what a tired source feeds that was taken while nothing called for heat. */
function readUnloaded(
  model: Model,
  truth: Hypothesis,
  moves: readonly Move[],
  states: readonly CallState[],
): number | undefined {
  const { branches } = model.parts[truth.faults[0]!.part]!;
  const own = new Set(branches.flatMap(({ a, b }) => [model.levels[a], model.levels[b]]));
  // The line feeds a transformer, and is none of what it feeds.
  const feeds = own.size > 1 ? new Set([...own].filter((level) => level !== 'line')) : own;
  const at = moves.findLastIndex(
    ({ body }, i) =>
      body.type === 'volts' && feeds.has(model.levels[model.nets.indexOf(body.red)]) && !states[i]!.setup.heatCall,
  );
  return at < 0 ? undefined : at;
}

/** Whether power was on within the last ten minutes before a move. */
const litWithin = (moves: readonly Move[], move: number, at: number): boolean => {
  const off = moves.slice(0, move).findLast(({ body }) => body.type === 'setup' && !body.power);
  return off === undefined || at - off.at < TEN_MINUTES;
};
