import type { Hypothesis, ItemFit } from '../inference';
import type { Model } from '../profile';
import { condemn } from './condemn';
import { addedWeight, type ProofDebt } from './proof';

/** A test that may take part in a proof: what it costs, and what it would find if the leading suspect is right. */
export interface ProofOffer {
  readonly id: string;
  readonly minutes: number;
  /** What has to be prepared for it, and its minutes when another test of the plan has prepared that already. */
  readonly preparation: string;
  readonly afterwards: number;
  readonly finding: Finding;
}

/** What a test would find if a suspect is right. */
export interface Finding {
  readonly finds: ItemFit;
  /** By hypothesis index, what that weighs against it by itself; of the rivals that are open. */
  readonly weights: readonly number[];
  /** Made on the part itself, or at what may rightly make it open (a look there that finds nothing clears the way). */
  readonly onPart: boolean;
}

/** No tests that would prove anything. */
export const NO_PROOF: ProofPlan = { shares: new Map(), minutes: new Map(), paid: 0, open: [], alone: () => new Map() };

/** Tests that together pay the debt of a proof in few minutes, each answered as the leading suspect expects. */
export interface ProofPlan {
  /** By test id the share of the debt that it pays within the plan; in the order in which the tests are made. */
  readonly shares: ReadonlyMap<string, number>;
  /** By test id the minutes it takes within the plan: what is prepared for one test is not prepared again for the next. */
  readonly minutes: ReadonlyMap<string, number>;
  /** Share of the debt that all of them pay; 1 completes the proof. */
  readonly paid: number;
  /** Rivals that stay open all the same. */
  readonly open: readonly Hypothesis[];
  /** By test id the share that it would pay alone; tests that pay nothing are left out. */
  readonly alone: () => ReadonlyMap<string, number>;
}

/** Condemning the part itself weighs as much in the debt as this much excluding of rivals. */
const CONDEMNING = 4;
/** What is left to rounding. */
const PAID = 1e-3;

/**
 * The cheapest set of tests that excludes every rival and condemns the part: weighted set cover, greedily by debt paid
 * per minute, after which tests that the others made superfluous are dropped, the dearest first. (Greedy cover is within
 * 1 + ln n of the best: Chvátal, A greedy heuristic for the set-covering problem, 1979; cited from memory.)
 */
export function planProof(
  model: Model,
  debt: ProofDebt,
  items: readonly ItemFit[],
  offers: readonly ProofOffer[],
): ProofPlan {
  const { leading, open, speaking } = debt;
  const untouched: Condemned = { by: [], share: debt.condemned, further: new Map() };
  const condemnedBy = (before: Condemned, offer: ProofOffer): Condemned => {
    let more = before.further.get(offer);
    if (!more) {
      const by = [...before.by, offer.finding.finds];
      const share = Math.max(debt.condemned, condemn(model, leading, [...items, ...by]).share);
      before.further.set(offer, (more = { by, share, further: new Map() }));
    }
    return more;
  };
  const adding = open.map(({ hypothesis: h }) => addedWeight(h, speaking, h.breaks === leading.breaks));
  const candidates = offers
    .map((offer): Candidate => {
      const { finds, weights, onPart } = offer.finding;
      const pays = new Float64Array(open.length);
      for (let rival = 0; rival < open.length; rival++) {
        const { hypothesis, missing } = open[rival]!;
        const weight = weights[hypothesis.index]!;
        if (weight > 0) pays[rival] = Math.min(missing, adding[rival]!(finds, weight));
      }
      const condemns = debt.condemned < 1 && onPart && condemnedBy(untouched, offer).share > debt.condemned;
      return { offer, pays, condemns };
    })
    .filter((c) => c.condemns || c.pays.some((p) => p > 0));
  const owed = open.reduce((sum, o) => sum + o.missing, 0) + CONDEMNING * (1 - debt.condemned);

  /** What one more test pays of the exclusion of rivals, when some tests were chosen before it, */
  const excludes = (c: Candidate, { left }: Paid): number => {
    let sum = 0;
    for (let r = 0; r < left.length; r++) sum += Math.min(left[r]!, c.pays[r]!);
    return sum;
  };
  /** and of the condemning. */
  const condemns = ({ condemns, offer }: Candidate, { own }: Paid): number =>
    condemns ? CONDEMNING * (condemnedBy(own, offer).share - own.share) : 0;
  const pays = (c: Candidate, before: Paid): number => excludes(c, before) + condemns(c, before);
  const after = (c: Candidate, { left, own }: Paid): Paid => ({
    left: left.map((l, r) => l - Math.min(l, c.pays[r]!)),
    own: c.condemns ? condemnedBy(own, c.offer) : own,
  });
  const unpaid: Paid = { left: Float64Array.from(open, (o) => o.missing), own: untouched };
  const paidBy = (chosen: readonly Candidate[]): number => {
    const { left, own } = chosen.reduce((paid, c) => after(c, paid), unpaid);
    return owed - left.reduce((sum, l) => sum + l, 0) - CONDEMNING * (1 - own.share);
  };

  const chosen: Candidate[] = [];
  const minutesOf = ({ offer }: Candidate, before: readonly Candidate[] = chosen): number =>
    before.some((c) => alikePrepared(c.offer, offer)) ? offer.afterwards : offer.minutes;
  // The more is chosen, the less of the rivals is left to exclude: what a test paid last is the most it can pay now.
  const most = new Map(candidates.map((c) => [c, excludes(c, unpaid)]));
  for (let state = unpaid; ;) {
    let best: Candidate | undefined;
    let rate = 0;
    for (const c of candidates) {
      if (chosen.includes(c)) continue;
      const minutes = minutesOf(c);
      const hope = c.condemns ? CONDEMNING * (1 - state.own.share) : 0;
      if (most.get(c)! + hope < rate * minutes) continue;
      const excluded = excludes(c, state);
      most.set(c, excluded);
      if (excluded + hope < rate * minutes) continue;
      const more = excluded + condemns(c, state);
      if (more > PAID && more / minutes > rate) [best, rate] = [c, more / minutes];
    }
    if (!best) break;
    chosen.push(best);
    state = after(best, state);
  }
  const paid = paidBy(chosen);
  for (const candidate of [...chosen].sort((a, b) => b.offer.minutes - a.offer.minutes)) {
    const rest = chosen.filter((c) => c !== candidate);
    if (paid - paidBy(rest) <= PAID) chosen.splice(chosen.indexOf(candidate), 1);
  }

  const share = (amount: number): number => amount / Math.max(owed, PAID);
  const shares = new Map<string, number>();
  const minutes = new Map<string, number>();
  const inOrder = chosen.flatMap((c, i) => {
    if (chosen.slice(0, i).some((b) => alikePrepared(b.offer, c.offer))) return [];
    return [c, ...chosen.slice(i + 1).filter((later) => alikePrepared(c.offer, later.offer))];
  });
  const end = inOrder.reduce((state, c, i) => {
    shares.set(c.offer.id, share(pays(c, state)));
    minutes.set(c.offer.id, minutesOf(c, inOrder.slice(0, i)));
    return after(c, state);
  }, unpaid);
  return {
    shares,
    minutes,
    paid: owed <= PAID ? 1 : Math.min(1, share(paid)),
    open: open.filter((_, r) => end.left[r]! > PAID).map((o) => o.hypothesis),
    alone: () => new Map(candidates.map((c) => [c.offer.id, share(pays(c, unpaid))])),
  };
}

const alikePrepared = (a: ProofOffer, b: ProofOffer): boolean =>
  a.preparation !== '' && a.preparation === b.preparation;

interface Candidate {
  readonly offer: ProofOffer;
  /** By rival, what it pays towards excluding it. */
  readonly pays: Float64Array;
  /** It may help to condemn the part. */
  readonly condemns: boolean;
}

/** Tests that may condemn the part: what they find, how far that condemns it, and what each further test makes of it. */
interface Condemned {
  readonly by: readonly ItemFit[];
  readonly share: number;
  readonly further: Map<ProofOffer, Condemned>;
}

/** Where a debt stands after some tests. */
interface Paid {
  /** By rival, what is still missing. */
  readonly left: Float64Array;
  readonly own: Condemned;
}
