import { type Display, digitsOf, type FunctionId, type Place } from '../instruments';
import { asIndex, AS_IT_STANDS, findPart, type Model, type NetIndex } from '../profile';
import { answered, kindOf, type Question, waveBetween } from '../question';
import type { Now } from '../simulation';
import { inSeconds, type Millis } from '../units';
import type { EventBody } from '../visit';

/** The entry that keeps what stands on a display, where its probes are and when; in words why there is none. */
export function bodyOfReading(
  model: Model,
  place: Place,
  shown: Omit<Display, 'at'>,
  now: Now,
  elapsed: Millis,
): EventBody | string {
  const question = questionAt(model, place, shown.function, now);
  if (typeof question === 'string') return question;
  const typed = shown.over ? 'OL' : `${digitsOf(shown).replace('-', '')} ${shown.unit}`;
  const read = answered<EventBody>(kindOf(question).form(model, question), typed);
  if (!read.ok) return read.message;
  const body = read.value as EventBody & { readonly phase?: string };
  const atStep = 'phase' in body && body.phase !== undefined;
  const lasts = elapsed >= now.lived.trace.end;
  const timed = body.type === 'volts' || body.type === 'amps' || body.type === 'gauge';
  // A wrong function shows its true wrong number, and the entry says what it was.
  const set = shown.function === 'v-dc' || shown.function === 'mv-dc' ? 'dc' : 'ac';
  const wave = place.at === 'points' && body.type === 'volts' ? waveOf(model, place) : undefined;
  return {
    ...body,
    ...(wave !== undefined && isWrong(wave, set) && { function: set }),
    ...(body.type === 'volts' && shown.function === 'v-ac-low' && { meter: 'low-impedance' }),
    ...(timed && !atStep && !lasts && { after: Math.round(inSeconds(elapsed)) }),
  } as EventBody;
}

const waveOf = (model: Model, { red, black }: Extract<Place, { at: 'points' }>) =>
  waveBetween(model, { red: netOf(model, red), black: netOf(model, black) });

const isWrong = (wave: ReturnType<typeof waveOf>, set: 'ac' | 'dc'): boolean =>
  (wave === 'sine' && set === 'dc') || (wave === 'flat' && set === 'ac');

const netOf = (model: Model, name: string): NetIndex => asIndex(model.nets.indexOf(name));

/** What an instrument asks where it is put, set to a function, at a moment; in words why it asks nothing. */
export function questionAt(model: Model, place: Place, set: FunctionId, { lived, at }: Now): Question | string {
  // The newest step of the run whose stretch for readings is now.
  const step = model.phases.findLast(
    (p) => p.probe && lived.trace.windows[p.index]!.some((w) => w.from <= at && at <= w.to),
  );
  const phase = step?.index ?? AS_IT_STANDS;
  switch (place.at) {
    case 'nowhere':
      return 'The probes touch nothing: put them somewhere first';
    case 'points': {
      const [red, black] = [netOf(model, place.red), netOf(model, place.black)];
      if (set === 'ohms' || set === 'beeper') return { kind: 'between', red, black };
      const volts = { kind: 'volts', red, black, phase, input: 'high-impedance' } as const;
      if (!['v-ac', 'v-ac-low', 'v-dc', 'mv-dc'].includes(set)) return 'That function shows nothing between two points';
      if (waveBetween(model, { red, black }) !== 'rectified') return volts;
      return { ...volts, function: set === 'v-dc' ? 'dc' : 'ac' };
    }
    case 'part': {
      const part = findPart(model, place.part)!;
      const at = { part: part.index, branch: place.branch };
      if (set === 'ohms' || set === 'beeper') return { kind: 'ohms', ...at };
      if (set === 'farads') return { kind: 'farads', ...at };
      if (set === 'a-ac' || set === 'a-dc') return { kind: 'amps', ...at, phase };
      return 'That function shows nothing of a part whose leads are off';
    }
    case 'gauge':
      return { kind: 'gauge', gauge: model.gauges.findIndex((g) => g.id === place.gauge) };
    case 'flue':
      return 'What the flue tells is judged on the Bench';
  }
}
