import type { Model } from '../profile';
import { condemnation } from './condemn';
import type { Hypothesis } from './hypothesis';
import type { Question } from './observation';
import type { ItemFit } from './posterior';
import { addedWeight, touches, type ProofDebt } from './proof';

/** A test that may take part in a proof: what it costs, and what it would find if the leading suspect is right. */
export interface ProofOffer {
  readonly id: string;
  readonly minutes: number;
  /** What has to be prepared for it, and its minutes when another test of the plan has prepared that already. */
  readonly preparation: string;
  readonly afterwards: number;
  readonly question: Question;
  readonly finds: ItemFit;
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
  /** Made on the part itself, or at what may rightly make it open (a look there that finds nothing clears the way), and tells. */
  const condemns = ({ question, finds }: ProofOffer): boolean =>
    debt.condemned < 1 &&
    (question.kind === 'look' || question.kind === 'gauge' || touches(model, leading, question)) &&
    condemnation(model, leading, [...items, finds]) > debt.condemned;
  const adding = open.map(({ hypothesis: h }) => addedWeight(h, speaking, h.breaks === leading.breaks));
  const candidates = offers
    .map((offer): Candidate => {
      const pays = new Float64Array(open.length);
      for (let rival = 0; rival < open.length; rival++)
        pays[rival] = Math.min(open[rival]!.missing, adding[rival]!(offer.finds));
      return { offer, pays, condemns: condemns(offer) };
    })
    .filter((c) => c.condemns || c.pays.some((p) => p > 0));
  const condemned = (by: readonly Candidate[]): number =>
    by.length === 0
      ? debt.condemned
      : Math.max(debt.condemned, condemnation(model, leading, [...items, ...by.map((c) => c.offer.finds)]));
  const owed = open.reduce((sum, o) => sum + o.missing, 0) + CONDEMNING * (1 - debt.condemned);

  /** What one more test pays when some were chosen before it; 0 when that cannot be as much as `atLeast`. */
  const pays = (c: Candidate, before: Paid, atLeast = 0): number => {
    let sum = 0;
    for (let r = 0; r < before.left.length; r++) sum += Math.min(before.left[r]!, c.pays[r]!);
    if (!c.condemns) return sum;
    // Condemning is dear to work out.
    if (sum + CONDEMNING * (1 - before.condemned) < atLeast) return 0;
    return sum + CONDEMNING * (condemned([...before.own, c]) - before.condemned);
  };
  const after = (c: Candidate, before: Paid): Paid => {
    const own = c.condemns ? [...before.own, c] : before.own;
    return { left: before.left.map((l, r) => l - Math.min(l, c.pays[r]!)), own, condemned: condemned(own) };
  };
  const unpaid: Paid = { left: Float64Array.from(open, (o) => o.missing), own: [], condemned: debt.condemned };
  const paidBy = (chosen: readonly Candidate[]): number => {
    const { left, condemned } = chosen.reduce((paid, c) => after(c, paid), unpaid);
    return owed - left.reduce((sum, l) => sum + l, 0) - CONDEMNING * (1 - condemned);
  };

  const chosen: Candidate[] = [];
  const minutesOf = ({ offer }: Candidate, before: readonly Candidate[] = chosen): number =>
    before.some((c) => alikePrepared(c.offer, offer)) ? offer.afterwards : offer.minutes;
  for (let state = unpaid; ;) {
    let best: Candidate | undefined;
    let rate = 0;
    for (const c of candidates) {
      if (chosen.includes(c)) continue;
      const minutes = minutesOf(c);
      const more = pays(c, state, rate * minutes);
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

/** Where a debt stands after some tests. */
interface Paid {
  /** By rival, what is still missing. */
  readonly left: Float64Array;
  /** The tests that may condemn the part. */
  readonly own: readonly Candidate[];
  readonly condemned: number;
}
