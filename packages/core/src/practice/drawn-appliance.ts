import { loadProfile, type Model } from '../profile';
import { type FaultRef, type Random, VirtualAppliance } from '../simulation';
import { type Band, type Degraded, drawFrom, type World } from './world';

/**
 * An appliance of a world: sound values and what is left of broken parts are drawn from the world's bands; the profile's own
 * tolerances and severities count for nothing. `source` is the profile's text.
 */
export function drawnFrom(
  world: World,
  source: string,
  file: string,
  hidden: readonly FaultRef[],
  random: Random,
): VirtualAppliance {
  const book = loadProfile(source, file);
  const varied = loadProfile(source, file, {
    vary: (path, value) => value * drawFrom(soundBand(world, book, path), random),
  });
  return new VirtualAppliance(asGoneAs(world, varied, hidden, random), hidden);
}

/** Of several names for a value the narrowest counts: its own, the kind's, then what is measured. */
function soundBand(world: World, { parts, quantities }: Model, path: string): Band {
  const [id, field] = path.split('.') as [string, string | undefined];
  const names = field === undefined ? [id, quantities.find((q) => q.id === id)?.dimension] : namesOf(parts, id, field);
  for (const name of names) if (name !== undefined && world.sound[name]) return world.sound[name];
  return world.otherwise;
}

function namesOf(parts: Model['parts'], id: string, field: string): (string | undefined)[] {
  const kind = parts.find((p) => p.id === id)?.kind;
  const type = kind?.fields[field]?.type;
  return [`${kind?.name}.${field}`, type === 'time' ? 'time' : undefined];
}

/** The model with hidden faults as far gone as the world lets them be. */
function asGoneAs(world: World, model: Model, hidden: readonly FaultRef[], random: Random): Model {
  let { parts, quantities } = model;
  for (const fault of hidden) {
    const part = parts[fault.part]!;
    const mode = part.modes[fault.mode]!;
    const degraded = world.broken[`${part.kind.name}.${mode.id}`];
    if (!degraded || !mode.severity) continue;
    const gone = { ...mode, ...drawnMode(degraded, part.spec, mode, random) };
    parts = parts.with(fault.part, { ...part, modes: part.modes.with(fault.mode, gone) });
    if (degraded.quantity) quantities = withQuantity(quantities, fault, drawFrom(degraded.quantity, random));
  }
  return { ...model, parts, quantities };
}

type Part = Model['parts'][number];

function drawnMode(
  { values, shorts, series, share }: Degraded,
  spec: Part['spec'],
  mode: Part['modes'][number],
  random: Random,
): Partial<Part['modes'][number]> {
  const drawn = Object.entries(values).map(([field, { band, times }]) => {
    const by = times === undefined ? 1 : Number(spec[times]);
    return [field, drawFrom(band, random) * by] as const;
  });
  return {
    ...(drawn.length > 0 && { values: { ...mode.values, ...Object.fromEntries(drawn) } }),
    ...(series &&
      mode.inSeries && { inSeries: { ...mode.inSeries, ohms: mode.inSeries.ohms * drawFrom(series, random) } }),
    ...(shorts && mode.shorts && { shorts: { ...mode.shorts, r: drawFrom(shorts, random) } }),
    ...(share && { severity: { ...mode.severity!, at: drawFrom(share, random) } }),
  };
}

/** What follows the fault is this, wherever in its band the profile would have it. */
const withQuantity = (quantities: Model['quantities'], fault: FaultRef, value: number): Model['quantities'] =>
  quantities.map((q) => ({
    ...q,
    rules: q.rules.map((rule) =>
      rule.spread && rule.when?.faults.some((asked) => asked.part === fault.part)
        ? { ...rule, spread: { from: value, to: value } }
        : rule,
    ),
  }));
