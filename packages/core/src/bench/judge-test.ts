import type { Dimension } from '../units';
import { suspicious } from './detectors';
import { type Instruments, type Problems, readGiven, type Typed } from './given';
import { LIMITS, ofBook } from './limits';
import {
  type Ask,
  type ChoiceAsk,
  type Given,
  isAnswered,
  type Measure,
  type Verdict,
  type Worked,
  type Zoning,
} from './spec';
import { expanded } from './uncertainty';
import { judgeZones, narrowedBy, type Uncertain, type Zones } from './zones';

/** Limits that somebody else set: a plate, a maker's sheet or the shop, from the least to the most that holds. */
export interface Limits {
  readonly whose: 'plate' | 'shop' | 'family';
  readonly source: string;
  readonly zones: Zones;
}

/** What is known of this very part and of this shop. SI. */
export interface Surroundings {
  readonly instruments?: Instruments;
  readonly limits?: Limits | undefined;
  /** The first good value of this part on this machine. */
  readonly own?: number | undefined;
  /** The reading of a known-good part of the same kind, at the same temperature. */
  readonly twin?: number | undefined;
}

/** Whose limits were used. */
export type Whose = 'profile' | 'family' | 'shop' | 'plate' | 'twin' | 'book';

/** Why it was judged so. */
export type Because =
  | { readonly kind: 'said'; readonly words: string }
  | { readonly kind: 'missing'; readonly asks: readonly string[] }
  | { readonly kind: 'within' }
  | { readonly kind: 'near'; readonly unsafe: boolean; readonly own: boolean }
  | { readonly kind: 'outside'; readonly side: 'low' | 'high' }
  | { readonly kind: 'too-coarse' }
  | { readonly kind: 'assumed'; readonly asks: readonly string[] };

export interface Judged {
  readonly verdict: Verdict;
  /** What it speaks of: the part, or what feeds it. */
  readonly about: string;
  readonly because: Because;
  readonly x?: Uncertain;
  readonly dimension?: Dimension;
  /** Zones that held, and whose they are. */
  readonly zones?: Zones;
  readonly whose?: Whose;
  readonly source?: string;
  readonly own?: number;
  readonly notes: readonly string[];
}

/** A ratio to a known-good part: chosen by us. */
const TWIN: Zones = ofBook(1, 0.05, 0.1);

/**
 * Judges one measure of a component test from what was typed. Missing conditions lead to `repeat` or to a wider interval, never to a
 * false verdict.
 */
export function judgeMeasure(
  measure: Measure,
  typed: Typed,
  around: Surroundings = {},
): { readonly judged: Judged; readonly problems: Problems } {
  const { given, problems } = readGiven(measure.asks, typed, around.instruments);
  return { judged: judge(measure, given, around, typed), problems };
}

function judge(measure: Measure, given: Given, around: Surroundings, typed: Typed): Judged {
  const row = measure.rows?.find((r) => isAnswered(r.when, given.choice));
  const asked = measure.asks.filter((a) => isAnswered(a.when, given.choice));
  const lacking = asked.filter((a) => a.need === 'must' && !hasAnswer(a, given));
  const openLine = measure.open && asked.some((a) => given.reading(a.id)?.kind === 'open');
  if (openLine && row?.verdict !== 'bad') return said(measure, measure.open);
  if (row && (row.verdict === 'repeat' || row.atOnce || lacking.length === 0)) return said(measure, row);
  if (lacking.length > 0)
    return said(measure, { verdict: 'repeat' }, { kind: 'missing', asks: lacking.map((a) => a.title) });
  // Which variant it is was not said: every one has to agree.
  const open = asked.find((a): a is ChoiceAsk => a.need === 'agree' && a.kind === 'choice' && !hasAnswer(a, given));
  if (open) return agreed(measure, open, around, typed);
  if (row) return said(measure, row);
  const worked = measure.work ? measure.work(given) : plain(measure, given);
  if (!worked) return said(measure, { verdict: 'repeat' }, { kind: 'missing', asks: asked.map((a) => a.title) });
  if ('verdict' in worked) return said(measure, worked);
  return byZones(measure, given, worked, around);
}

/** Read with an instrument and corrected for nothing. */
function plain({ asks }: Measure, given: Given): Worked | undefined {
  const ask = asks.find((a) => a.kind === 'number' && a.instrument !== undefined && given.number(a.id) !== undefined);
  if (!ask) return undefined;
  const { value, u } = given.measured(ask.id);
  // The probes may be swapped; the size is what it gives.
  return { x: { value: Math.abs(value), u } };
}

function agreed(measure: Measure, open: ChoiceAsk, around: Surroundings, typed: Typed): Judged {
  const all = open.options.map(({ id }) => judgeMeasure(measure, { ...typed, [open.id]: id }, around).judged);
  const [first] = all;
  return first && first.verdict !== 'repeat' && all.every((j) => j.verdict === first.verdict)
    ? first
    : said(measure, { verdict: 'repeat' }, { kind: 'missing', asks: [open.title] });
}

function byZones(
  measure: Measure,
  given: Given,
  worked: Extract<Worked, { x: Uncertain; zones?: Zones }>,
  around: Surroundings,
): Judged {
  const { assumed = [], notes = [], atMost } = worked;
  const held = limitsOf(measure, given, worked, around);
  const about = measure.about;
  const shown = { about, x: worked.x, notes, ...(measure.dimension && { dimension: measure.dimension }) };
  if (!held) return { ...shown, verdict: 'repeat', because: { kind: 'said', words: NO_LIMITS } };
  const { x, zones, whose, source, own, dropped, dimension = measure.dimension } = held;
  const base = {
    ...shown,
    x,
    zones,
    whose,
    ...(dropped && { notes: [...notes, OWN_DROPPED] }),
    ...(dimension && { dimension }),
    ...(source !== undefined && { source }),
    ...(own !== undefined && { own }),
  };
  const doubt = suspicious(measure, given, x, zones);
  if (doubt !== undefined) return { ...base, verdict: 'repeat', because: { kind: 'said', words: doubt } };
  const missing = whose === 'twin' ? [] : assumedIn(measure, given, assumed);
  const zoned = judgeZones(x, zones, missing.length > 0);
  if (zoned.verdict === 'repeat')
    return {
      ...base,
      verdict: 'repeat',
      because:
        zoned.because === 'assumed' || missing.length > 0 ? { kind: 'assumed', asks: missing } : { kind: 'too-coarse' },
    };
  if (zoned.verdict === 'good' && atMost)
    return { ...base, verdict: 'marginal', because: { kind: 'said', words: atMost.because } };
  return { ...base, verdict: zoned.verdict, because: zoneReason(x, zones, zoned.verdict, own !== undefined) };
}

const OWN_DROPPED = 'What it read when it was good lies outside of these limits, and was left out.';

const NO_LIMITS = 'No limits are known for this: type those of the plate or of the maker’s sheet.';

function zoneReason(
  { value, u }: Uncertain,
  zones: Zones,
  verdict: 'good' | 'marginal' | 'bad',
  own: boolean,
): Because {
  if (verdict === 'good') return { kind: 'within' };
  const outside =
    value + u < (zones.marginal.from ?? -Infinity)
      ? 'low'
      : value - u > (zones.marginal.to ?? Infinity)
        ? 'high'
        : undefined;
  if (verdict === 'bad' && outside) return { kind: 'outside', side: outside };
  return { kind: 'near', unsafe: verdict === 'bad', own };
}

interface Held {
  readonly x: Uncertain;
  readonly zones: Zones;
  readonly whose: Whose;
  readonly source?: string;
  readonly own?: number;
  /** Its own first value lies outside of these limits, and narrows nothing. */
  readonly dropped?: true;
  readonly dimension?: Dimension;
}

/** Whose limits hold: plate or maker's sheet, then the shop's, then a known-good twin, then the profile's; its own first value narrows. */
function limitsOf(
  measure: Measure,
  given: Given,
  worked: Extract<Worked, { x: Uncertain; zones?: Zones }>,
  around: Surroundings,
): Held | undefined {
  const { x } = worked;
  const { limits, twin, own } = around;
  const zoning = measure.zones?.find(
    (z) => isAnswered(z.when, given.choice) && (!('book' in z) || given.number(z.book) !== undefined),
  );
  const profile = worked.zones ?? (zoning && zonesOf(zoning, given));
  if (limits?.whose === 'plate')
    return narrowed({ x, zones: unsafeAs(limits.zones, profile), whose: 'plate', source: limits.source });
  if (twin !== undefined && measure.dimension === 'resistance') {
    // Read by one meter in one range at one temperature: only its digits and the contacts stay, and neither is corrected for warmth.
    const read = measure.asks.find((a) => a.kind === 'number' && a.instrument !== undefined)!;
    const net = { mine: given.number(read.id)! - given.leads.value, other: twin - given.leads.value };
    const scatter = given.scatter(read.id);
    const value = net.mine / net.other;
    return {
      x: { value, u: value * expanded(scatter / net.mine, scatter / net.other) },
      zones: TWIN,
      whose: 'twin',
      dimension: 'none',
    };
  }
  if (limits) return narrowed({ x, zones: safe(limits.zones, profile), whose: limits.whose, source: limits.source });
  if (!profile) return undefined;
  return narrowed({ x, zones: profile, whose: zoning && 'book' in zoning ? 'book' : 'profile' });

  function narrowed(held: Held): Held {
    const share = zoning?.own ?? (zoning && 'limit' in zoning ? ownOf(zoning) : undefined);
    if (own === undefined || share === undefined) return held;
    const zones = narrowedBy(held.zones, own, share);
    return zones === held.zones ? { ...held, dropped: true } : { ...held, zones, own };
  }
}

/** A plate or a maker's sheet stands as it is; which end can hurt stays so. */
const unsafeAs = (zones: Zones, profile: Zones | undefined): Zones =>
  profile?.unsafe === undefined ? zones : { ...zones, unsafe: profile.unsafe };

/** A shop's limit beyond which it can hurt somebody moves to the safe side only. */
function safe(zones: Zones, profile: Zones | undefined): Zones {
  const unsafe = profile?.unsafe;
  if (unsafe === undefined || !profile) return zones;
  const tighter = unsafe === 'high' ? 'to' : 'from';
  const best = (a: number | undefined, b: number | undefined): number | undefined =>
    a === undefined ? b : b === undefined ? a : unsafe === 'high' ? Math.min(a, b) : Math.max(a, b);
  const side = (mine: Zones['good'], theirs: Zones['good']): Zones['good'] => {
    const limit = best(mine[tighter], theirs[tighter]);
    return limit === undefined ? mine : { ...mine, [tighter]: limit };
  };
  return { unsafe, good: side(zones.good, profile.good), marginal: side(zones.marginal, profile.marginal) };
}

const ownOf = (zoning: Zoning): number | undefined =>
  'limit' in zoning ? (LIMITS[zoning.limit] as { own?: number }).own : zoning.own;

const zonesOf = (zoning: Zoning, given: Given): Zones =>
  'limit' in zoning
    ? LIMITS[zoning.limit]
    : ofBook(given.number(zoning.book)!, zoning.good, zoning.marginal, zoning.below);

/** Where readings of a measure may lie and whose limits those are, before anything is read; nothing where the measure has none. */
export function limitsBefore(
  measure: Measure,
  typed: Typed,
  around: Surroundings = {},
): Pick<Held, 'zones' | 'whose' | 'source'> | undefined {
  const { given } = readGiven(measure.asks, typed, around.instruments);
  const { twin: _twin, ...others } = around;
  return limitsOf(measure, given, { x: { value: NaN, u: 0 } }, others);
}

/** What was assumed and could have been asked, by its titles. */
const assumedIn = ({ asks }: Measure, given: Given, more: readonly string[]): string[] => [
  ...asks
    .filter(
      (a) => a.need === 'assumed' && !hasAnswer(a, given) && isAnswered(a.when, given.choice) && !beside(a, given),
    )
    .map((a) => a.title),
  ...more,
];

/** A temperature that was measured need not be guessed, and the other way round. */
const beside = ({ id }: Ask, given: Given): boolean =>
  (id === 'T' && given.choice('warm') === 'room') || (id === 'warm' && given.number('T') !== undefined);

const hasAnswer = (ask: Ask, given: Given): boolean =>
  ask.kind === 'choice' ? given.choice(ask.id) !== undefined : given.number(ask.id) !== undefined;

function said(
  measure: Measure,
  { verdict, because, about, x }: { verdict: Verdict; because?: string; about?: string; x?: Uncertain },
  why: Because = { kind: 'said', words: because ?? '' },
): Judged {
  return {
    verdict,
    about: about ?? measure.about,
    because: why,
    notes: [],
    ...(x && { x, ...(measure.dimension && { dimension: measure.dimension }) }),
  };
}
