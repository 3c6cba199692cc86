import { type Model, unknownName } from '../profile';
import { type Dimension, type Parsed, parseReading } from '../units';
import type { EventBody } from './event';

/** The names an entry line may use, as plain data: a page can read what is typed while the engine is busy elsewhere. */
export interface EntryWords {
  readonly steps: readonly string[];
  readonly gauges: Readonly<Record<string, Dimension>>;
  readonly looks: Readonly<Record<string, { readonly ask: string; readonly answers: readonly string[] }>>;
  /** Parts with a passage to measure, and the first passage of each. */
  readonly parts: Readonly<Record<string, string>>;
  readonly nets: readonly string[];
  /** Where the black probe of a test point rests. */
  readonly blacks: Readonly<Record<string, string>>;
}

export function entryWords(model: Model): EntryWords {
  return {
    steps: model.phases.map((p) => p.id),
    gauges: Object.fromEntries(model.gauges.map((g) => [g.id, model.quantities[g.quantity]!.dimension])),
    looks: Object.fromEntries(model.looks.map((l) => [l.id, { ask: l.ask, answers: l.answers.map((a) => a.id) }])),
    parts: Object.fromEntries(model.parts.filter((p) => p.branches.length > 0).map((p) => [p.id, p.branches[0]!.name])),
    nets: model.nets.filter((n) => !n.startsWith('~')),
    blacks: Object.fromEntries(model.points.map((p) => [model.nets[p.net]!, model.nets[p.black]!])),
  };
}

/**
 * Reads a line such as `15.4V MV C` or `15-18 MV`: value, red probe, black probe. Without a black probe the point's own
 * common is taken; a step name after `@` says when (`24 W @call`).
 * Also `0.2 ohm gas-valve` for a dead test, `draft 0.33 inwc` for a gauge and `filter blocked` for something looked at.
 */
export function parseEntryLine(names: EntryWords, line: string, phase?: string): Parsed<EventBody> {
  const at = line.lastIndexOf('@');
  const step = at >= 0 ? line.slice(at + 1).trim() : phase;
  const words = (at >= 0 ? line.slice(0, at) : line)
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '');
  if (words.length < 2) return fail('Type the value and where the probes are, for example: 15.4V MV C');
  if (step !== undefined && !names.steps.includes(step)) return fail(unknownName('step', step, names.steps));

  const observed = gaugeOrLook(names, words);
  if (observed) return observed;

  for (let i = words.length - 1; i >= 1; i--) {
    const place = words.slice(i);
    const value = words.slice(0, i).join(' ');
    const part = place[0]!.toLowerCase();
    const branch = place.length === 1 ? names.parts[part] : undefined;
    if (branch !== undefined) {
      const reading = parseReading(value, 'resistance');
      if (!reading.ok) return reading;
      return {
        ok: true,
        value: { type: 'ohms', part, branch, reading: reading.value, typed: value },
      };
    }
    const nets = place.map((name) => netNamed(names, name));
    const [red] = nets;
    if (place.length > 2 || red === undefined || nets.includes(undefined)) continue;
    // `15.4 V MV C`: prefer the split that leaves two probes.
    if (place.length === 1 && i >= 2 && netNamed(names, words[i - 1]!) !== undefined) continue;
    const reading = parseReading(value, 'voltage');
    if (!reading.ok) return reading;
    const black = nets[1] ?? names.blacks[red];
    if (black === undefined) return fail(`Where is the black probe? Add it: ${value} ${place[0]} C`);
    if (black === red) return fail('Both probes are on the same point. Put the black one on the common.');
    return {
      ok: true,
      value: {
        type: 'volts',
        red,
        black,
        ...(step === undefined ? {} : { phase: step }),
        reading: reading.value,
        typed: value,
      },
    };
  }
  const last = words[words.length - 1]!;
  return fail(unknownName('test point', last, [...names.nets, ...Object.keys(names.parts)]));
}

/** Names of nets are upper case by custom but matched without regard to case. */
const netNamed = (names: EntryWords, name: string): string | undefined =>
  names.nets.find((n) => n === name) ?? names.nets.find((n) => n.toLowerCase() === name.toLowerCase());

/** `draft 0.33 inwc`, `filter blocked`: begins with the name of a gauge or of a question. */
function gaugeOrLook(names: EntryWords, words: readonly string[]): Parsed<EventBody> | undefined {
  const name = words[0]!.toLowerCase();
  const rest = words.slice(1).join(' ');
  const dimension = names.gauges[name];
  if (dimension !== undefined) {
    const reading = parseReading(rest, dimension);
    return reading.ok
      ? { ok: true, value: { type: 'gauge', gauge: name, reading: reading.value, typed: rest } }
      : reading;
  }
  const look = names.looks[name];
  if (!look) return undefined;
  if (!look.answers.includes(rest.toLowerCase()))
    return fail(unknownName(`answer to "${look.ask}"`, rest, look.answers));
  return { ok: true, value: { type: 'look', look: name, answer: rest.toLowerCase() } };
}

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });
