import type { ItemFit } from '../inference';
import type { Branch, Model, NetIndex, Part } from '../profile';
import type { Observation } from '../question';
import { LIVE_DEAD } from '../standards';
import { readingValue } from '../units';
import { type Checklist, partly, type RequirementName } from './checklist';
import { type Inquiry, odd, tells } from './inquiry';

/** Whether a voltage was read across a passage, whichever way round. */
export const across = ({ a, b }: Branch, o: Observation): boolean =>
  o.kind === 'volts' && ((o.red === a && o.black === b) || (o.red === b && o.black === a));

/** What a voltage reading says about the pair of nets it was taken between; `enough` is what the load there needs. */
export function potential(model: Model, o: Observation, enough?: number): 'live' | 'dead' | undefined {
  if (o.kind !== 'volts') return undefined;
  const rated = Math.max(model.ratedVolts[o.red]!, o.black === model.ground ? 0 : model.ratedVolts[o.black]!);
  const volts = Math.abs(readingValue(o.reading));
  if (volts >= (enough ?? LIVE_DEAD.provedLive * rated)) return 'live';
  return volts < LIVE_DEAD.provedDead * rated ? 'dead' : undefined;
}

/** Whether the red probe found one of some nets live; `enough` as above. */
export const foundLive = (
  model: Model,
  { item: { observation: o } }: ItemFit,
  nets: readonly NetIndex[],
  enough?: number,
): boolean => o.kind === 'volts' && nets.includes(o.red) && potential(model, o, enough) === 'live';

/** Power in and not out, at a step at which a sound one would let it through. */
export const blocked = (q: Inquiry, branch: Branch): Checklist =>
  inNotOut(q, branch, 'in-not-out', undefined, (i) => odd(i.sound, i));

/**
 * The whole supply across a device, or one side live and the other dead against one common: half of it is worth 0.5.
 * `counts` says which readings across it, and which second ones of a pair, may be taken so.
 */
export function inNotOut(
  { model, items }: Inquiry,
  branch: Branch,
  requirement: RequirementName,
  enough?: number,
  counts: (i: ItemFit) => boolean = () => true,
): Checklist {
  const whole = items.find(
    (i) => across(branch, i.item.observation) && potential(model, i.item.observation, enough) === 'live' && counts(i),
  );
  if (whole) return partly(requirement, 1, [whole.item.id]);
  let half: string | undefined;
  for (const one of items) {
    const { item: first } = one;
    const o = first.observation;
    if (o.kind !== 'volts' || across(branch, o) || (o.red !== branch.a && o.red !== branch.b)) continue;
    const is = potential(model, o, enough);
    if (is === undefined) continue;
    half ??= first.id;
    const there = o.red === branch.a ? branch.b : branch.a;
    const opposite = is === 'live' ? 'dead' : 'live';
    const other = items.find((second) => {
      const { observation: p, episode } = second.item;
      if (episode !== first.episode || p.kind !== 'volts' || !(counts(one) || counts(second))) return false;
      return p.red === there && p.black === o.black && p.phase === o.phase && potential(model, p, enough) === opposite;
    });
    if (other) return partly(requirement, 1, [first.id, other.item.id]);
  }
  return half === undefined ? partly(requirement, 0, []) : partly(requirement, 0.5, [half]);
}

/** What two readings of one meter, one after the other, may differ by though nothing is lost between them, share of the rating. */
const SAME = 0.04;

/**
 * Volts lost across what should pass them, under load: read across it, or on both sides against one common in the same
 * try, at the same step.
 */
export function lostAcross(q: Inquiry, branch: Branch): Checklist {
  const { model, items } = q;
  const direct = items.find((i) => across(branch, i.item.observation) && tells(q, i));
  if (direct) return partly('volts-across', 1, [direct.item.id]);
  for (const one of items) {
    const o = one.item.observation;
    if (o.kind !== 'volts' || across(branch, o) || (o.red !== branch.a && o.red !== branch.b)) continue;
    const there = o.red === branch.a ? branch.b : branch.a;
    const before = items.find(({ item: { observation: p, episode } }) => {
      if (episode !== one.item.episode || p.kind !== 'volts' || p.red !== there) return false;
      if (p.black !== o.black || p.phase !== o.phase || p.after !== o.after) return false;
      return readingValue(p.reading) - readingValue(o.reading) > SAME * model.ratedVolts[o.red]!;
    });
    if (before && tells(q, one)) return partly('volts-across', 1, [before.item.id, one.item.id]);
  }
  return partly('volts-across', 0, []);
}

/** How far power was measured across a consumer that stands between test points; nothing for anything else. */
export function fedAt(q: Inquiry, part: Part, branch: Branch): Checklist | undefined {
  const enough = part.kind.actsAt?.(part.spec, branch.name);
  const reached = [branch.a, branch.b].some((net) => q.model.points.some((p) => p.net === net));
  return enough === undefined || !reached ? undefined : inNotOut(q, branch, 'power-across', enough);
}
