import type { Model, Part } from '../profile';
import { answerShows, isAbout, jointsOf } from '../question';
import { disturbers, FINDING } from './causes';
import { type Checklist, partly } from './checklist';
import { type Inquiry, is, odd, tells } from './inquiry';

/** A look that is right this often condemns by itself; any other finding is a share of a proof. */
const CAREFUL = 0.949;

/** What is wrong was found: by a careful look or gauge, or by two findings; `measured` lets no looks count. */
export function found(q: Inquiry, part: Part, mode: string, measured = false): Checklist {
  const { model, h, items } = q;
  let weight = 0;
  const by: string[] = [];
  const counted = new Set<string>();
  // A look does not decide alone against what was seen of the part itself.
  const doubt = items.some((i) =>
    is(i, 'seen', (o) => model.phases[o.phase]!.cue.parts.includes(part.index) && odd(i.fits[h.index], i)),
  );
  for (const i of items) {
    const own = i.fits[h.index];
    if (!own || !tells(q, i) || counted.has(i.group)) continue;
    const o = i.item.observation;
    let worth = 0;
    if (o.kind === 'look' && !measured && answerShows(model, o.look, o.answer, part, mode))
      worth = !doubt && 1 - own.blunder >= CAREFUL ? 1 : FINDING;
    else if (o.kind === 'joint' && !measured && jointsOf(model)[o.joint]!.parts.includes(part.index)) worth = 1;
    else if (o.kind === 'gauge') worth = shownByGauge(model, part, model.gauges[o.gauge]!.quantity);
    if (worth === 0) continue;
    counted.add(i.group);
    weight += worth;
    by.push(i.item.id);
  }
  return partly('found', Math.min(1, weight), by);
}

/**
 * How far a quantity that is measured shows this fault: wholly when nothing else changes it (a spark gap, the water in a
 * system), in part when nothing else disturbs it or the fault is a condition.
 */
function shownByGauge(model: Model, part: Part, quantity: number): number {
  if (!isAbout(model, part, quantity)) return 0;
  const alone = disturbers(model, part, [quantity]).length === 0;
  const stands = model.quantities[quantity]!.rules.every(
    ({ when }) => when === undefined || (when.parts.length === 0 && when.quantities.length === 0 && !when.asksVolts),
  );
  if (alone && stands) return 1;
  return alone || part.kind.nature === 'condition' ? FINDING : 0;
}
