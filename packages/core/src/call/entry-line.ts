import { findNet, unknownName, type Model } from '../profile';
import { parseReading, type Parsed } from '../units';
import type { EventBody } from './event';

/**
 * Reads a line such as `15.4V MV C` or `15-18 MV`: value, red probe, black probe. Without a black probe the point's own
 * common is taken; a step name after `@` says when (`24 W @call`).
 * Also `0.2 ohm gas-valve` for a dead test, `draft 0.33 inwc` for a gauge and `filter blocked` for something looked at.
 */
export function parseEntryLine(model: Model, line: string, phase?: string): Parsed<EventBody> {
  const at = line.lastIndexOf('@');
  const step = at >= 0 ? line.slice(at + 1).trim() : phase;
  const words = (at >= 0 ? line.slice(0, at) : line)
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '');
  if (words.length < 2) return fail('Type the value and where the probes are, for example: 15.4V MV C');
  if (step !== undefined && !model.phases.some((p) => p.id === step))
    return fail(
      unknownName(
        'step',
        step,
        model.phases.map((p) => p.id),
      ),
    );

  const observed = gaugeOrLook(model, words);
  if (observed) return observed;

  for (let i = words.length - 1; i >= 1; i--) {
    const place = words.slice(i);
    const value = words.slice(0, i).join(' ');
    const part = place.length === 1 ? model.parts.find((p) => p.id === place[0]!.toLowerCase()) : undefined;
    if (part && part.branches.length > 0) {
      const reading = parseReading(value, 'resistance');
      if (!reading.ok) return reading;
      return {
        ok: true,
        value: { type: 'ohms', part: part.id, branch: part.branches[0]!.name, reading: reading.value, typed: value },
      };
    }
    const nets = place.map((name) => findNet(model, name));
    if (place.length > 2 || nets.some((n) => n < 0)) continue;
    // `15.4 V MV C`: prefer the split that leaves two probes.
    if (place.length === 1 && i >= 2 && findNet(model, words[i - 1]!) >= 0) continue;
    const reading = parseReading(value, 'voltage');
    if (!reading.ok) return reading;
    const black = nets[1] ?? model.points.find((p) => p.net === nets[0])?.black;
    if (black === undefined) return fail(`Where is the black probe? Add it: ${value} ${place[0]} C`);
    if (black === nets[0]) return fail('Both probes are on the same point. Put the black one on the common.');
    return {
      ok: true,
      value: {
        type: 'volts',
        red: model.nets[nets[0]!]!,
        black: model.nets[black]!,
        ...(step === undefined ? {} : { phase: step }),
        reading: reading.value,
        typed: value,
      },
    };
  }
  const last = words[words.length - 1]!;
  const known = [
    ...model.nets.filter((n) => !n.startsWith('~')),
    ...model.parts.filter((p) => p.branches.length > 0).map((p) => p.id),
  ];
  return fail(unknownName('test point', last, known));
}

/** `draft 0.33 inwc`, `filter blocked`: begins with the name of a gauge or of a question. */
function gaugeOrLook(model: Model, words: readonly string[]): Parsed<EventBody> | undefined {
  const name = words[0]!.toLowerCase();
  const rest = words.slice(1).join(' ');
  const gauge = model.gauges.find((g) => g.id === name);
  if (gauge) {
    const reading = parseReading(rest, model.quantities[gauge.quantity]!.dimension);
    return reading.ok
      ? { ok: true, value: { type: 'gauge', gauge: name, reading: reading.value, typed: rest } }
      : reading;
  }
  const look = model.looks.find((l) => l.id === name);
  if (!look) return undefined;
  const answers = look.answers.map((a) => a.id);
  if (!answers.includes(rest.toLowerCase())) return fail(unknownName(`answer to "${look.ask}"`, rest, answers));
  return { ok: true, value: { type: 'look', look: name, answer: rest.toLowerCase() } };
}

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });
