import { asIndex, type PartIndex } from './indices';
import type { FaultMode } from '../parts';
import type { Compiler } from './compiler';
import type { Expression } from './expression/expression';
import type { Fields } from './fields';
import type { RawPart } from './load-parts';
import type { Branch, Part } from './model';
import { unknownName } from './nearest';
import { touchesOf } from '../rules';
import type { Vary } from './vary';

/** A part as written, with the ways it can fail: those it knows by name, and those that happen in this profile. */
export interface FailingPart extends RawPart {
  readonly known: readonly string[];
}

export const withModes = (raw: RawPart): FailingPart => {
  const all = raw.modes.length > 0 ? raw.modes : raw.kind.modes(raw.spec);
  return { ...raw, known: [...new Set(all.map((m) => m.id))], modes: raw.testOnly ? [] : withRates(all, raw.rates) };
};

/** Applies a profile's own rates; a way of failing with rate 0 is left out. Its severities share its rate. */
function withRates(modes: readonly FaultMode[], rates: ReadonlyMap<string, number>): FaultMode[] {
  return modes
    .map((m) => {
      const own = rates.get(m.id) ?? rates.get('*');
      return own === undefined ? m : { ...m, relativeRate: own * (m.severity?.share ?? 1) };
    })
    .filter((m) => m.relativeRate > 0);
}

/** What the names in parts may stand for. */
interface Known {
  readonly quantities: readonly string[];
  readonly nets: readonly string[];
  readonly branches: readonly Branch[];
}

/** Parts with their expressions compiled, their quantities found and their values varied. */
export function resolveParts(
  fields: Fields,
  written: readonly FailingPart[],
  known: Known,
  compiler: Compiler,
  vary: Vary,
): Part[] {
  const ids = written.map((p) => p.id);
  return written.map((raw, place) => {
    const index = asIndex<PartIndex>(place);
    const { conditions, senses, spec } = resolveSpec(fields, raw, known, compiler, vary);
    for (const t of raw.kind.thresholds?.(spec) ?? []) {
      const quantity = senses.get(t.field);
      if (quantity !== undefined) compiler.noteThreshold(quantity, t.value);
    }
    if (raw.assembly !== undefined && !ids.includes(raw.assembly))
      fields.file.problem([...raw.path, 'assembly'], unknownName('part', raw.assembly, ids));
    for (const mode of raw.modes)
      if (mode.trips !== undefined && !ids.includes(mode.trips))
        fields.file.problem([...raw.path, 'modes', mode.id, 'trips'], unknownName('part', mode.trips, ids));
    return {
      index,
      id: raw.id,
      title: raw.title,
      kind: raw.kind,
      spec,
      modes: raw.modes,
      branches: known.branches.filter((b) => b.part === index),
      conditions,
      senses,
      assembly: raw.assembly === undefined ? index : asIndex(ids.indexOf(raw.assembly)),
      minutes: raw.minutes,
      testOnly: raw.testOnly,
      safety: raw.safety,
      touches: raw.touches ?? touchesOf(raw.kind.name),
      ...(raw.caution === undefined ? {} : { caution: raw.caution }),
    };
  });
}

function resolveSpec(
  { file }: Fields,
  raw: FailingPart,
  { quantities, nets }: Known,
  compiler: Compiler,
  vary: Vary,
): { conditions: Map<string, Expression>; senses: Map<string, number>; spec: RawPart['spec'] } {
  const conditions = new Map<string, Expression>();
  const senses = new Map<string, number>();
  const spec = { ...raw.spec };
  for (const [field, rule] of Object.entries(raw.kind.fields)) {
    const value = spec[field];
    if (rule.type === 'expression')
      conditions.set(field, compiler.watched(String(value), [...raw.path, field], 'boolean'));
    if (rule.type === 'quantity') {
      const found = quantities.indexOf(String(value));
      if (found < 0) file.problem([...raw.path, field], unknownName('quantity', String(value), quantities));
      else senses.set(field, found);
    }
    if (rule.type === 'net' && value !== '' && !nets.includes(String(value)))
      file.problem([...raw.path, field], unknownName('net', String(value), nets));
    if (rule.tolerance !== undefined && typeof value === 'number')
      spec[field] = vary(`${raw.id}.${field}`, value, rule.tolerance);
  }
  return { conditions, senses, spec };
}
