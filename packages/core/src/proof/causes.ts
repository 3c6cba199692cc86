import type { Model, Part } from '../profile';
import { isAbout, looksAt, type Observation } from '../question';
import type { Episode } from '../simulation';
import { type Checklist, partly, type RequirementName } from './checklist';
import { type Inquiry, odd, tells } from './inquiry';

/** What looks alone are worth where something could be measured: any finding is this share of a proof. */
export const FINDING = 0.6;

/** Share of the things that may rightly make a switch open (or a thermocouple cold) that were found in order. */
export const causesCleared = (q: Inquiry, part: Part): Checklist =>
  cleared(q, part, [...part.senses.values()], 'causes-cleared');

/**
 * Share of what disturbs some quantities, the part itself apart, that was looked at and found in order; the quantities
 * measured speak for all of it. Met when there is nothing that could be looked at.
 */
export function cleared(
  q: Inquiry,
  part: Part,
  quantities: readonly number[],
  requirement: RequirementName,
): Checklist {
  const { model, h, items } = q;
  const measured = items.find((i) => isGaugeOf(model, i.item.observation, quantities) && !odd(i.fits[h.index], i));
  if (measured) return partly(requirement, 1, [measured.item.id]);
  // It was given what it should sense, and did as little: what may disturb that is out of it.
  const given = items.find(
    (i) =>
      i.item.observation.kind === 'volts' &&
      tells(q, i) &&
      quantities.every((quantity) => givenByHand(model, i.episode, quantity)),
  );
  if (given) return partly(requirement, 1, [given.item.id]);
  const askable = disturbers(model, part, quantities).filter(
    (c) =>
      model.looks.some((_, look) => looksAt(model, c, look)) || model.gauges.some((g) => isAbout(model, c, g.quantity)),
  );
  // A switch that opens and closes by itself may be doing its work: what it senses has to be known.
  if (askable.length === 0)
    return opensByItself(part)
      ? partly(requirement, sensed(q, quantities).length > 0 ? 1 : 0, sensed(q, quantities))
      : partly(requirement, 1, []);
  const by: string[] = [];
  const inOrder = askable.filter((c) => {
    const asked = items.filter((i) => isAsked(model, i.item.observation, c));
    const fine = asked.length > 0 && asked.every((i) => !odd(i.fits[h.index], i));
    if (fine) by.push(asked[0]!.item.id);
    return fine;
  });
  // What can be measured is not believed from looks alone.
  const gauged = model.gauges.some((g) => quantities.includes(g.quantity));
  return partly(requirement, Math.min(inOrder.length / askable.length, gauged ? FINDING : 1), by);
}

const opensByItself = ({ kind, spec }: Part): boolean =>
  kind.mayOpenRightly?.(spec) === true && kind.manualReset?.(spec) !== true;

/** What showed that a switch is given what should close it: a look or a step that is about it, or it was given by hand. */
function sensed({ model, h, items }: Inquiry, quantities: readonly number[]): string[] {
  const about = (o: Observation, episode: Episode): boolean => {
    if (o.kind === 'look')
      return model.looks[o.look]!.answers.some(({ when }) => when.quantities.some((c) => quantities.includes(c)));
    if (o.kind === 'seen') return model.phases[o.phase]!.cue.quantities.some((c) => quantities.includes(c));
    return quantities.every((quantity) => givenByHand(model, episode, quantity));
  };
  const found = items.find((i) => about(i.item.observation, i.episode) && !odd(i.fits[h.index], i));
  return found ? [found.item.id] : [];
}

/** Whether a gauge was read of a quantity, or of the one from which it follows (boiler pressure, felt by its limit). */
const isGaugeOf = (model: Model, o: Observation, quantities: readonly number[]): boolean =>
  o.kind === 'gauge' &&
  quantities.some((q) => {
    const gauged = model.gauges[o.gauge]!.quantity;
    const from = model.quantities[q]!.rules.flatMap(({ when }) => when?.quantities ?? []);
    return q === gauged || (from.length > 0 && from.every((f) => f === gauged));
  });

/** Whether an answer is about a cause. */
function isAsked(model: Model, o: Observation, cause: Part): boolean {
  if (o.kind === 'gauge') return isAbout(model, cause, model.gauges[o.gauge]!.quantity);
  return o.kind === 'look' && looksAt(model, cause, o.look);
}

/** Whether something done in an episode decides a quantity, whatever else is the matter (a probe bridged to ground). */
function givenByHand({ quantities, env }: Model, { setup }: Episode, quantity: number): boolean {
  const given = quantities[quantity]!.rules[0]!.when;
  if (!given || given.faults.length + given.parts.length + given.quantities.length > 0) return false;
  return given.settings.length > 0 && given.settings.every((s) => setup.actions.includes(env[s]!));
}

/** The other parts of which the faults disturb some quantities, or make this part trip by way of others. */
export const disturbers = (model: Model, part: Part, quantities: readonly number[]): Part[] =>
  model.parts.filter(
    (c) =>
      c.index !== part.index &&
      (quantities.some((quantity) => isAbout(model, c, quantity)) || c.modes.some((m) => m.trips === part.id)),
  );
