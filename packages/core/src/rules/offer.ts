import type { Followed } from './followed';
import { type Need, needOf, needsOf, workOf } from './needs';
import { resetNeeds, resetVerdict } from './resets';
import { can } from './rights';
import type { Authority } from './role';
import { bypassLimit, isNeverBypassed, MOST_BYPASSES, safetyOf } from './safeties';
import { type Allowed, TRIES_IN_A_ROW } from './stops';
import { keepsGasOff } from './temporary';

/** What somebody wants to do: a kind of work, on what, and what of it the rules look at. */
export interface Wanted {
  readonly work: string;
  /** The part it is done on, by its name in the log. */
  readonly of?: string;
  /** The kind of safety that is gone round or reset. */
  readonly kind?: string;
  /** What a stop may let through. */
  readonly is?: Allowed;
  /** It lets the burner try. */
  readonly fires?: boolean;
}

/** Whether it is offered, and what comes first. */
export type Offer =
  | { readonly offered: true; readonly first: readonly Need[] }
  | {
      readonly offered: false;
      readonly why: 'stop' | 'never' | 'right' | 'second-bypass' | 'twice' | 'reset-again' | 'bypass-on' | 'temporary';
    };

const not = (why: Extract<Offer, { offered: false }>['why']): Offer => ({ offered: false, why });

/** Whether a piece of work is offered to somebody now. An unmet need does not withdraw it: it is proposed first. */
export function offer(wanted: Wanted, followed: Followed, person: Authority): Offer {
  const { c, stops } = followed;
  const [highest] = stops;
  if (highest && !stops.every(({ stop }) => wanted.is !== undefined && stop.allows.includes(wanted.is)))
    return not('stop');
  const work = workOf(wanted.work);
  // Gas that did not light has to leave before the next try.
  if (wanted.fires === true && c.mayBurn && c.tries.length >= TRIES_IN_A_ROW)
    return { offered: true, first: unmet(needsOf(workOf('next-try')!, c.family), followed) };
  if (!work) return { offered: true, first: [] };
  if (work.never) return not('never');
  if (work.grant === 'gas' && can(person, 'gas-work') !== '+') return not('right');
  if (work.grant === 'line' && can(person, 'line-test') !== '+') return not('right');
  if (wanted.work === 'bypass') return bypassOffer(wanted, followed, person);
  if (c.bypasses.length > 0 && ['ohms', 'manual-reset'].includes(wanted.work)) return not('bypass-on');
  if (wanted.fires === true && keepsGasOff(c.temporary.values())) return not('temporary');
  if (wanted.work === 'manual-reset') {
    if (can(person, 'reset') !== '+') return not('right');
    const { of = '', kind = '' } = wanted;
    const pressed = [...followed.before, ...c.resets];
    if (resetVerdict(of, kind, c, pressed) === 'again' && pressed.some((p) => p.safety === of))
      return not('reset-again');
    return { offered: true, first: unmet(resetNeeds(kind), followed, of) };
  }
  return { offered: true, first: unmet(needsOf(work, c.family), followed, wanted.of) };
}

function bypassOffer({ of = '', kind = '' }: Wanted, followed: Followed, person: Authority): Offer {
  const { c } = followed;
  const safety = safetyOf(kind);
  if (isNeverBypassed(safety)) return not('never');
  if (can(person, 'bypass') !== '+') return not('right');
  if (c.bypasses.some((b) => safetyOf(b.kind).rings !== 'only')) return not('second-bypass');
  if ((c.timesBypassed.get(of) ?? 0) >= MOST_BYPASSES) return not('twice');
  const own = safety.needs ?? [];
  // What may only be gone round with the main gas held back asks for that first.
  const held = bypassLimit(kind, false, c.family) === 0 ? ['held'] : [];
  const first = unmet([...own, ...held, ...(safety.rings === 'only' ? [] : ['power-off']), 'watch'], followed, of);
  return { offered: true, first };
}

/** Needs that do not hold now, each after what has to be so while it is done. */
export function unmet(needs: readonly string[], { c }: Followed, of?: string): Need[] {
  const missing: Need[] = [];
  const add = (id: string): void => {
    const need = needOf(id);
    if (need.holds(c, of) || missing.includes(need)) return;
    for (const earlier of need.first ?? []) add(earlier);
    missing.push(need);
  };
  needs.forEach(add);
  return missing;
}
