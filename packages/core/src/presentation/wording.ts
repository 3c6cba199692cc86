import type { PartSymbol } from '../parts';
import type { Model, Part } from '../profile';
import {
  answersOf,
  COMPLAINTS,
  levelOf,
  type Observation,
  type Prediction,
  type Question,
  readsOpen,
  voltsRangeOf,
} from '../question';
import type { Outcome } from '../simulation';
import { isToCommon, type Test } from '../test-choice';
import {
  capital,
  formatMillivolts,
  formatNumber,
  formatQuantity,
  formatReading,
  type Reading,
  type UnitSystem,
} from '../units';

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  dead: 'Nothing happens at all',
  stuck: 'Stops at a step and waits',
  'starts-over': 'Stops and starts over, again and again',
  'locks-out': 'Gives up: locked out',
  cycles: 'Heats, stops, heats again',
  runs: 'Runs normally',
};

/** A net in words: its name and where it is reached. */
function netWords(model: Model, net: number): string {
  const point = model.points.find((p) => p.net === net);
  const name = model.nets[net]!;
  if (!name.startsWith('~')) return point ? `${name} (${point.reach})` : name;
  const branch = model.branches.find((b) => b.a === net || b.b === net)!;
  return `a terminal of the ${model.parts[branch.part]!.title}`;
}

export function partWords(part: Part, branch: string): string {
  return branch === '' ? part.title : `${part.title}, ${branch.replaceAll('-', ' ')}`;
}

/** What to do, as an instruction to somebody with a meter in one hand. */
export function instruction(model: Model, test: Test): string {
  const before = !test.intervention
    ? ''
    : 'unplug' in test.intervention
      ? `Power off, pull the ${plugTitle(model, test.intervention.unplug)}, power on and let it try once more. `
      : 'action' in test.intervention
        ? `${actionOf(model, test.intervention.action).how} `
        : `Put a jumper across the ${partTitle(model, test.intervention.bypass)} for this one test, stay beside it, and take it off again. `;
  return before + questionWords(model, test.question);
}

const actionOf = (model: Model, id: string): Model['actions'][number] => model.actions.find((a) => a.id === id)!;
const plugTitle = (model: Model, id: string): string => model.plugs.find((p) => p.id === id)!.title;
const partTitle = (model: Model, id: string): string => model.parts.find((p) => p.id === id)!.title;

/** A voltage reading as its meter shows it: in millivolts where a thermocouple feeds the circuit. */
export function voltsReading(
  model: Model,
  q: { readonly red: number; readonly black: number },
  reading: Reading,
  system: UnitSystem = 'us',
): string {
  return levelOf(model, q) === 'millivolt' ? formatMillivolts(reading) : formatReading(reading, system);
}

/** A reading of a gauge in the unit of its dial, which is that of the largest value it can come to. */
export function gaugeReading(model: Model, gauge: number, reading: Reading, system: UnitSystem = 'us'): string {
  const { start, rules } = model.quantities[model.gauges[gauge]!.quantity]!;
  return formatReading(reading, system, Math.max(...[start, ...rules.map((r) => r.is)].map(Math.abs)));
}

/** What the meter is set to. */
function voltsWords(model: Model, q: { readonly red: number; readonly black: number }): string {
  if (levelOf(model, q) === 'millivolt') return 'DC millivolts';
  return model.frequencies[q.red === model.ground ? q.black : q.red] === 'dc' ? 'DC volts' : 'AC volts';
}

function questionWords(model: Model, q: Question): string {
  switch (q.kind) {
    case 'seen':
      return model.phases[q.phase]!.ask;
    case 'outcome':
      return 'Watch one whole try for heat, hands off. What does it do in the end?';
    case 'code':
      return 'Read the status light through the window before opening the panel. What does it show?';
    case 'volts': {
      const when = q.phase < 0 ? 'as it stands' : `at the step "${model.phases[q.phase]!.title}"`;
      return `${voltsWords(model, q)}, red probe on ${netWords(model, q.red)}, black on ${netWords(model, q.black)}, ${when}.`;
    }
    case 'ohms': {
      const part = model.parts[q.part]!;
      return `Power off. Isolate the ${part.title} and read ohms across ${q.branch === '' ? 'it' : `its ${q.branch} side`}. Zero the leads first.`;
    }
    case 'gauge': {
      const gauge = model.gauges[q.gauge]!;
      return `${gauge.how} ${gauge.title}?`;
    }
    case 'timing':
      return `How long from the call until "${model.phases[q.phase]!.title}"?`;
    case 'look':
      return model.looks[q.look]!.ask;
    case 'told':
      return 'What does the customer say?';
  }
}

/** For learners: what a live and a dead reading at this point prove. Undefined when it is no voltage reading. */
export function provesWords(model: Model, q: Question): string | undefined {
  if (q.kind !== 'volts') return undefined;
  const at = model.nets[q.red]!.startsWith('~') ? 'this point' : model.nets[q.red]!;
  const branch = model.branches.find(
    (b) =>
      [b.a, b.b].includes(q.red) &&
      [b.a, b.b].includes(q.black) &&
      PASSES.includes(model.parts[b.part]!.kind.symbol(b.name, model.parts[b.part]!.spec)),
  );
  if (branch)
    return `Nothing across the ${model.parts[branch.part]!.title} while its load is on: it passes. The whole supply across it: it is open. A reading without the load proves nothing about a poor contact.`;
  const before = upstream(model, q.red);
  const passes = before.length === 0 ? 'the source is there' : `${before.join(', ')} pass`;
  return `Live at ${at}: ${passes}, and the break is further on. Dead at ${at}, with the call on and the common good: the break is between the last live point and here.`;
}

/** What should pass the current on, and drop next to nothing while it does. */
const PASSES: readonly PartSymbol[] = ['contact', 'wire', 'plug', 'fuse'];

/** Titles of the parts that stand before a net in its rung, from the source on. */
function upstream(model: Model, net: number): string[] {
  for (const rung of model.rungs) {
    const at = rung.items.findIndex((item, i) => i > 0 && 'net' in item && item.net === net);
    if (at > 0)
      return rung.items
        .slice(0, at)
        .flatMap((item) => ('branch' in item ? [model.parts[model.branches[item.branch]!.part]!.title] : []));
  }
  return [];
}

/** Short name of a question, for lists. */
export function questionTitle(model: Model, q: Question): string {
  switch (q.kind) {
    case 'seen':
      return model.phases[q.phase]!.title;
    case 'outcome':
      return 'How the try ends';
    case 'code':
      return 'Status light';
    case 'volts':
      return `Volts ${model.nets[q.red]!.replace(/^~.*/, '·')}–${model.nets[q.black]!.replace(/^~.*/, '·')}${q.phase < 0 ? '' : `, ${model.phases[q.phase]!.title.toLowerCase()}`}`;
    case 'ohms':
      return `Ohms, ${partWords(model.parts[q.part]!, q.branch)}`;
    case 'gauge':
      return model.gauges[q.gauge]!.title;
    case 'timing':
      return `Time to "${model.phases[q.phase]!.title}"`;
    case 'look':
      return model.looks[q.look]!.ask;
    case 'told':
      return 'Complaint';
  }
}

/** Short name of a test: the question, and what is done for it. */
export function testTitle(model: Model, { question, intervention }: Test): string {
  const title = questionTitle(model, question);
  if (!intervention) return title;
  if ('unplug' in intervention) return `${capital(plugTitle(model, intervention.unplug))} out: ${title}`;
  if ('action' in intervention) return `${actionOf(model, intervention.action).title}: ${title}`;
  return `Jumper across the ${partTitle(model, intervention.bypass)}: ${title}`;
}

/** A prediction as one would say it: "26 V", "OL", "wanders between 0 and 17 V". */
export function predictionWords(model: Model, q: Question, p: Prediction, system: UnitSystem = 'us'): string {
  switch (p.kind) {
    case 'choice':
      return answerWords(model, q, p.answer);
    case 'volts': {
      // Less than the display tells from nothing; across a closed contact the millivolts are what is read.
      const least = q.kind === 'volts' && isToCommon(model, q) ? voltsRangeOf(model, q).floor : 0.0005;
      const words = (volts: number): string => {
        const value = volts < least ? 0 : volts;
        return q.kind === 'volts'
          ? voltsReading(model, q, { kind: 'value', value, dimension: 'voltage' }, system)
          : formatQuantity(value, 'voltage', system);
      };
      return p.shorter ? `${words(p.volts)}, at times ${words(p.shorter.value)}` : words(p.volts);
    }
    case 'unsteady': {
      const [unit, scale] = inMillivolts(model, q) ? ['mV', 1000] : ['V', 1];
      const low = q.kind === 'volts' && p.low < voltsRangeOf(model, q).floor ? 0 : p.low;
      return `unsteady, between ${formatNumber(low * scale, 2)} and ${formatNumber(p.high * scale, 2)} ${unit}`;
    }
    case 'ghost':
      return `a ghost of a few ${inMillivolts(model, q) ? 'millivolts' : 'volts'}, or nothing`;
    case 'ohms': {
      const words = (ohms: number): string =>
        readsOpen(ohms) ? 'OL' : formatQuantity(Math.max(ohms, 0.1), 'resistance', system);
      return p.shorter ? `${words(p.ohms)}, at times ${words(p.shorter.value)}` : words(p.ohms);
    }
    case 'number': {
      if (q.kind === 'gauge') {
        const { dimension } = model.quantities[model.gauges[q.gauge]!.quantity]!;
        return gaugeReading(model, q.gauge, { kind: 'value', value: p.value, dimension }, system);
      }
      return formatQuantity(p.value, 'time', system);
    }
    case 'never':
      return 'never';
  }
}

/** What a meter shows, in so few characters that it can stand beside a point of a drawing. */
export const inBrief = (words: string): string =>
  words
    .replace(/ \S+, at times /, ' / ')
    .replace(/^unsteady, between (.+) and (.+)$/, '$1–$2 ~')
    .replace(/, unsteady$/, ' ~')
    .replace(/^a ghost.*$/, 'ghost');

const inMillivolts = (model: Model, q: Question): boolean => q.kind === 'volts' && levelOf(model, q) === 'millivolt';

function answerWords(model: Model, q: Question, answer: number): string {
  const id = answersOf(model, q)[answer];
  if (id === undefined) return '—';
  switch (q.kind) {
    case 'seen':
      return id;
    case 'outcome':
      return OUTCOME_WORDS[id as Outcome].toLowerCase();
    case 'code':
      return codeWords(model, id);
    case 'look':
      return model.looks[q.look]!.answers[answer]!.title.toLowerCase();
    default:
      return id;
  }
}

export function codeWords(model: Model, code: string): string {
  if (code === 'none') return 'no fault code';
  if (code === 'dark') return 'light is dark';
  return `code ${code}: ${model.codes.find((c) => c.id === code)?.title ?? ''}`;
}

/** What was observed, in a few words. */
export function observationWords(model: Model, o: Observation, system: UnitSystem = 'us'): string {
  switch (o.kind) {
    case 'seen':
      return `${model.phases[o.phase]!.title}${o.attempt === undefined ? '' : ` (try ${o.attempt})`}: ${o.answer ? 'yes' : 'no'}`;
    case 'outcome':
      return OUTCOME_WORDS[o.outcome];
    case 'code':
      return `Status light: ${codeWords(model, o.code)}`;
    case 'told':
      return `Complaint: ${COMPLAINTS[o.complaint].toLowerCase()}`;
    case 'look':
      return `${model.looks[o.look]!.ask} ${model.looks[o.look]!.answers[o.answer]!.title}`;
    case 'volts':
      return `${questionTitle(model, o)}: ${voltsReading(model, o, o.reading, system)}`;
    case 'gauge':
      return `${questionTitle(model, o)}: ${gaugeReading(model, o.gauge, o.reading, system)}`;
    default:
      return `${questionTitle(model, o)}: ${formatReading(o.reading, system)}`;
  }
}
