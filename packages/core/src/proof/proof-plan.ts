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
  const account = new Account(model, debt, items);
  const candidates = offers
    .map((offer) => account.candidate(offer))
    .filter((c) => c.condemns || c.pays.some((p) => p > 0));
  const enough = chosenGreedily(account, candidates);
  const paid = account.paidBy(enough);
  const chosen = withoutSuperfluous(account, enough, paid);
  const share = (amount: number): number => amount / Math.max(account.owed, PAID);
  const shares = new Map<string, number>();
  const minutes = new Map<string, number>();
  const inOrder = preparedTogether(chosen);
  const end = inOrder.reduce((state, c, i) => {
    shares.set(c.offer.id, share(account.pays(c, state)));
    minutes.set(c.offer.id, minutesOf(c, inOrder.slice(0, i)));
    return account.after(c, state);
  }, account.unpaid);
  return {
    shares,
    minutes,
    paid: account.owed <= PAID ? 1 : Math.min(1, share(paid)),
    open: debt.open.filter((_, r) => end.left[r]! > PAID).map((o) => o.hypothesis),
    alone: () => new Map(candidates.map((c) => [c.offer.id, share(account.pays(c, account.unpaid))])),
  };
}

/** What is owed for a proof, and what tests pay of it, alone and after one another. */
class Account {
  readonly owed: number;
  /** Before any test. */
  readonly unpaid: Paid;
  readonly #adding: readonly ((finds: ItemFit, weight: number) => number)[];

  constructor(
    private readonly model: Model,
    private readonly debt: ProofDebt,
    private readonly items: readonly ItemFit[],
  ) {
    const { leading, open, speaking, condemned } = debt;
    this.#adding = open.map(({ hypothesis: h }) => addedWeight(h, speaking, h.breaks === leading.breaks));
    this.owed = open.reduce((sum, o) => sum + o.missing, 0) + CONDEMNING * (1 - condemned);
    this.unpaid = {
      left: Float64Array.from(open, (o) => o.missing),
      own: { by: [], share: condemned, further: new Map() },
    };
  }

  candidate(offer: ProofOffer): Candidate {
    const { open, condemned } = this.debt;
    const { finds, weights, onPart } = offer.finding;
    const pays = new Float64Array(open.length);
    for (let rival = 0; rival < open.length; rival++) {
      const { hypothesis, missing } = open[rival]!;
      const weight = weights[hypothesis.index]!;
      if (weight > 0) pays[rival] = Math.min(missing, this.#adding[rival]!(finds, weight));
    }
    const condemns = condemned < 1 && onPart && this.#condemnedBy(this.unpaid.own, offer).share > condemned;
    return { offer, pays, condemns };
  }

  /** What one more test pays of the exclusion of rivals, when some tests were chosen before it, */
  excludes(c: Candidate, { left }: Paid): number {
    let sum = 0;
    for (let r = 0; r < left.length; r++) sum += Math.min(left[r]!, c.pays[r]!);
    return sum;
  }

  /** and of the condemning. */
  condemns({ condemns, offer }: Candidate, { own }: Paid): number {
    return condemns ? CONDEMNING * (this.#condemnedBy(own, offer).share - own.share) : 0;
  }

  pays(c: Candidate, before: Paid): number {
    return this.excludes(c, before) + this.condemns(c, before);
  }

  after(c: Candidate, { left, own }: Paid): Paid {
    return {
      left: left.map((l, r) => l - Math.min(l, c.pays[r]!)),
      own: c.condemns ? this.#condemnedBy(own, c.offer) : own,
    };
  }

  paidBy(chosen: readonly Candidate[]): number {
    const { left, own } = chosen.reduce((paid, c) => this.after(c, paid), this.unpaid);
    return this.owed - left.reduce((sum, l) => sum + l, 0) - CONDEMNING * (1 - own.share);
  }

  #condemnedBy(before: Condemned, offer: ProofOffer): Condemned {
    let more = before.further.get(offer);
    if (!more) {
      const by = [...before.by, offer.finding.finds];
      const { condemned, leading } = this.debt;
      const share = Math.max(condemned, condemn(this.model, leading, [...this.items, ...by]).share);
      before.further.set(offer, (more = { by, share, further: new Map() }));
    }
    return more;
  }
}

/** Takes the test that pays most per minute, again and again, until no other pays anything. */
function chosenGreedily(account: Account, candidates: readonly Candidate[]): Candidate[] {
  const chosen: Candidate[] = [];
  // The more is chosen, the less of the rivals is left to exclude: what a test paid last is the most it can pay now.
  const most = new Map(candidates.map((c) => [c, account.excludes(c, account.unpaid)]));
  for (let state = account.unpaid; ;) {
    let best: Candidate | undefined;
    let rate = 0;
    for (const c of candidates) {
      if (chosen.includes(c)) continue;
      const minutes = minutesOf(c, chosen);
      const hope = c.condemns ? CONDEMNING * (1 - state.own.share) : 0;
      if (most.get(c)! + hope < rate * minutes) continue;
      const excluded = account.excludes(c, state);
      most.set(c, excluded);
      if (excluded + hope < rate * minutes) continue;
      const more = excluded + account.condemns(c, state);
      if (more > PAID && more / minutes > rate) [best, rate] = [c, more / minutes];
    }
    if (!best) return chosen;
    chosen.push(best);
    state = account.after(best, state);
  }
}

/** Drops, the dearest first, what the others have made superfluous. */
function withoutSuperfluous(account: Account, all: readonly Candidate[], paid: number): readonly Candidate[] {
  let chosen = all;
  for (const candidate of [...all].sort((a, b) => b.offer.minutes - a.offer.minutes)) {
    const rest = chosen.filter((c) => c !== candidate);
    if (paid - account.paidBy(rest) <= PAID) chosen = rest;
  }
  return chosen;
}

/** In the order of choice, but what is prepared alike one after the other. */
const preparedTogether = (chosen: readonly Candidate[]): Candidate[] =>
  chosen.flatMap((c, i) => {
    if (chosen.slice(0, i).some((b) => alikePrepared(b.offer, c.offer))) return [];
    return [c, ...chosen.slice(i + 1).filter((later) => alikePrepared(c.offer, later.offer))];
  });

const minutesOf = ({ offer }: Candidate, before: readonly Candidate[]): number =>
  before.some((c) => alikePrepared(c.offer, offer)) ? offer.afterwards : offer.minutes;

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
