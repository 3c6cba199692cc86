import type { Model, Part } from '../profile';
import type { Hypothesis } from './hypothesis';
import type { Question } from './observation';
import type { ItemFit } from './posterior';

/** What has been shown by test, as opposed to what is merely likely. */
export interface Proof {
  /** The component that breaks the sequence. */
  readonly part: number;
  readonly standing: 'proved' | 'suspected';
  /** Why it broke: the part itself failed, or the named condition made it open; undefined while several remain. */
  readonly cause: { readonly hypothesis: number; readonly standing: 'proved' | 'suspected' } | undefined;
  /** Items that touched the part itself and count towards the proof. */
  readonly by: readonly string[];
  /** Hypotheses naming another component that nothing measured has excluded yet. */
  readonly rivals: readonly number[];
}

/** An observation this much rarer than a blind guess contradicts the hypothesis. */
const CONTRADICTS = 0.02;
/** Weight needed to exclude a rival: one instrument reading, or two looks made at different times. */
const ENOUGH = 2;

/**
 * Structural proof. A part is proved to be the break when a test of the part itself speaks, and every hypothesis that
 * names another component is contradicted by a reading (or by two separate looks). Probabilities take no part in it.
 */
export function prove(
  model: Model,
  hypotheses: readonly Hypothesis[],
  items: readonly ItemFit[],
  leading: Hypothesis,
): Proof | undefined {
  const { breaks } = leading;
  if (breaks === undefined || leading.kind !== 'fault') return undefined;
  const direct = items.filter((i) => touches(model, leading, i.item.observation) && tells(hypotheses, i, leading));
  const excluded = (h: Hypothesis): boolean => contradiction(h, items) >= ENOUGH;
  const named = hypotheses.filter((h) => h.kind === 'fault' || h.kind === 'healthy');
  const rivals = named.filter((h) => h.breaks !== breaks && h.repair !== leading.repair && !excluded(h));
  const fits = contradiction(leading, items) < ENOUGH;
  const proved = fits && direct.length > 0 && rivals.length === 0;
  const sameBreak = named.filter((h) => h.breaks === breaks && !excluded(h));
  const repairs = new Set(sameBreak.map((h) => h.repair));
  return {
    part: breaks,
    standing: proved ? 'proved' : 'suspected',
    cause: causeOf(leading, repairs.size === 1, proved),
    by: direct.map((i) => i.item.id),
    rivals: rivals.map((h) => h.index),
  };
}

function causeOf(leading: Hypothesis, alone: boolean, proved: boolean): Proof['cause'] {
  return { hypothesis: leading.index, standing: alone && proved ? 'proved' : 'suspected' };
}

/** How strongly what was observed contradicts a hypothesis: readings weigh 2, a look 1 per time, cues and codes 1 together. */
export function contradiction(h: Hypothesis, items: readonly ItemFit[]): number {
  let weight = 0;
  let soft = 0;
  const looks = new Set<string>();
  for (const i of items) {
    const fit = i.fits[h.index];
    if (!fit || fit.fit >= CONTRADICTS * i.base) continue;
    switch (i.item.observation.kind) {
      case 'volts':
      case 'ohms':
      case 'gauge':
        weight += 2;
        break;
      case 'look':
        looks.add(`${i.group}@${i.item.episode}`);
        break;
      default:
        soft = 1;
    }
  }
  return weight + looks.size + soft;
}

/** Whether the item separates hypotheses at all, and does not itself contradict the leading one. */
function tells(hypotheses: readonly Hypothesis[], i: ItemFit, leading: Hypothesis): boolean {
  const own = i.fits[leading.index];
  if (!own || own.fit < CONTRADICTS * i.base) return false;
  return hypotheses.some((h) => {
    const fit = i.fits[h.index];
    return fit !== undefined && fit.fit < CONTRADICTS * i.base;
  });
}

/** Whether a test is one that can condemn the break or its cause: made on the part itself or on what it senses. */
export function touches(model: Model, h: Hypothesis, o: Question): boolean {
  const parts = [h.breaks, h.cause].filter((p) => p !== undefined).map((p) => model.parts[p]!);
  switch (o.kind) {
    case 'ohms':
      return parts.some((p) => p.index === o.part);
    case 'volts':
      return parts.some((p) => terminals(model, p).has(o.red) || terminals(model, p).has(o.black));
    case 'gauge':
      return parts.some(
        (p) =>
          [...p.senses.values()].includes(model.gauges[o.gauge]!.quantity) ||
          isAbout(model, p, model.gauges[o.gauge]!.quantity),
      );
    case 'look':
      return parts.some((p) => looksAt(model, o.look, p));
    default:
      return false;
  }
}

/** Nets at which a probe touches the part: its own ends, and beyond connectors and unnamed joints the next named net. */
export function terminals(model: Model, part: Part): ReadonlySet<number> {
  // The common and the neutral belong to everybody; touching them says nothing about one part.
  const shared = new Set(model.points.map((p) => p.black));
  const nets = new Set<number>();
  const spread = (net: number): void => {
    if (nets.has(net)) return;
    nets.add(net);
    for (const branch of model.branches)
      if (model.parts[branch.part]!.kind.name === 'plug-pin') {
        if (branch.a === net && !shared.has(branch.b)) nets.add(branch.b);
        if (branch.b === net && !shared.has(branch.a)) nets.add(branch.a);
      }
  };
  for (const branch of part.branches) for (const net of [branch.a, branch.b]) if (!shared.has(net)) spread(net);
  return nets;
}

/** Whether a quantity depends on the way this condition is wrong. */
function isAbout(model: Model, part: Part, quantity: number): boolean {
  return model.quantities[quantity]!.rules.some((r) => r.when?.text.includes(`fault(${part.id}.`));
}

function looksAt(model: Model, look: number, part: Part): boolean {
  return model.looks[look]!.answers.some((a) => {
    if (a.when.text.includes(`fault(${part.id}.`) || a.when.parts.includes(part.index)) return true;
    return a.when.quantities.some((q) => [...part.senses.values()].includes(q) || isAbout(model, part, q));
  });
}
