import type { Model } from '../profile';
import { type Fit, likelihood } from '../question';
import type { Episode } from '../simulation';
import { ASSUMED } from '../standards';
import type { Hypothesis } from './hypothesis';
import { logOf, logSum } from './log-likelihood';
import type { ItemFit } from './posterior';

/** How something noted after a repair sits with a repair that went otherwise than it should. */
export interface SinceRepair {
  /** The new part is bad or badly fitted: the old fault lives on. */
  readonly bad: Fit;
  /** The gas pipe was opened, and there is still air in it: as with the gas shut. */
  readonly air?: Fit;
}

/** Work on these opens the gas pipe. */
const OPENS_GAS = ['gas-joint', 'air-in-pipe'];

/**
 * The same for a hypothesis that was repaired before the last episode of a chain; nothing where it was not. `fitIn` says how
 * the item would sit with it in another chain.
 */
export function fitsSinceRepair(
  model: Model,
  h: Hypothesis,
  chain: readonly Episode[],
  fitIn: (chain: readonly Episode[]) => Fit,
): SinceRepair | undefined {
  const mends = ({ repaired }: Episode): boolean => h.faults.some((f) => repaired.includes(f.part));
  if (h.kind !== 'fault' || !mends(chain[chain.length - 1]!)) return undefined;
  const bad = fitIn(
    chain.map((e) => ({ ...e, repaired: e.repaired.filter((part) => !h.faults.some((f) => f.part === part)) })),
  );
  const opened = h.faults.some((f) => model.parts[f.part]!.touches.some((list) => OPENS_GAS.includes(list)));
  if (!opened) return { bad };
  const air = fitIn(chain.map((e) => (mends(e) ? { ...e, setup: { ...e.setup, gas: false } } : e)));
  return { bad, air };
}

/** One course that things may have taken since a repair: how each item noted since sits with it. */
interface Course {
  readonly share: number;
  readonly fits: readonly Fit[];
}

/**
 * How repairs go: good from the start; bad from the start; good for a while and then as before; or without gas until the air
 * was out of the pipe. Where something changes, every moment is as likely.
 */
function coursesOf(h: Hypothesis, noted: readonly ItemFit[], badShare: number): Course[] {
  const good = noted.map((i) => i.fits[h.index]!);
  const bad = noted.map((i) => i.sinceRepair.get(h.index)!.bad);
  const air = noted.map((i) => i.sinceRepair.get(h.index)!.air);
  const changing = (share: number, first: readonly Fit[], then: readonly Fit[], moments: number): Course[] =>
    Array.from({ length: moments }, (_, k) => ({
      share: share / moments,
      fits: [...first.slice(0, k + 1), ...then.slice(k + 1)],
    }));
  const others = [
    { share: badShare, fits: bad },
    ...changing(ASSUMED.curesForAWhile, good, bad, noted.length - 1),
    ...(air.every((fit) => fit !== undefined) ? changing(ASSUMED.airAfterOpening, air, good, noted.length) : []),
  ];
  return [{ share: 1 - others.reduce((sum, { share }) => sum + share, 0), fits: good }, ...others];
}

/** How much likelier (log) all that was noted since a repair is once it is thought of how repairs go. */
export function repairHistory(
  h: Hypothesis,
  items: readonly ItemFit[],
  /** What each item counts beside others like it. */
  worthOf: ReadonlyMap<ItemFit, number>,
  badShare: number,
): number {
  const noted = items.filter((i) => i.sinceRepair.has(h.index));
  if (noted.length === 0) return 0;
  const log = ({ fits }: Course): number =>
    fits.reduce((sum, fit, k) => sum + worthOf.get(noted[k]!)! * logOf(likelihood(fit)), 0);
  const courses = coursesOf(h, noted, badShare);
  return logSum(courses.map((c) => Math.log(c.share) + log(c))) - log(courses[0]!);
}

/** The items as they sit with a hypothesis if its repair took the course that explains them best. */
export function inHindsight(h: Hypothesis, items: readonly ItemFit[]): readonly ItemFit[] {
  const noted = items.filter((i) => i.sinceRepair.has(h.index));
  if (noted.length === 0) return items;
  const [best] = coursesOf(h, noted, ASSUMED.badRepair)
    .map(({ share, fits }) => ({
      fits,
      log: Math.log(share) + fits.reduce((sum, fit) => sum + logOf(likelihood(fit)), 0),
    }))
    .sort((a, b) => b.log - a.log);
  return items.map((i) => {
    const k = noted.indexOf(i);
    return k < 0 ? i : { ...i, fits: i.fits.with(h.index, best!.fits[k]!) };
  });
}
