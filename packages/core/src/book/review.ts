import { missingPoint, type MissingPoint } from '../analysis';
import { type Assessment, type Engine } from '../diagnosis';
import { type Hypothesis, repairOf } from '../inference';
import { findPart } from '../profile';
import { type EvidenceItem, type Question, untilMended } from '../question';
import { TRAINED } from '../rules';
import { ASSUMED } from '../standards';
import type { Millis } from '../units';
import { type CallState, madeAt } from '../visit';
import { firstItems, toldAndWatched, truthOf } from './case-facts';
import { countedWays } from './ways';
import { type JumperLeft, jumpersLeft, type ResetAgain, resetAgain, showsAfter } from './what-if';

/** A part that somebody might have fitted by what could be believed then. */
interface WrongPart {
  readonly part: string;
  readonly title: string;
  /** That it would have mended it, as could be believed once a try was watched. */
  readonly believed: number;
  /** To fit it and to try again. */
  readonly minutes: number;
}

/** A step of a way to the proof: what is asked, and how long it takes. */
interface WayStep {
  readonly question: Question;
  readonly minutes: number;
}

/** A step that was taken, and what could be believed of what it was afterwards. */
interface TakenStep extends WayStep {
  readonly believed: number;
}

/** What a call is worth afterwards: what would have come otherwise, and its way beside the shortest one. */
export interface CallReview {
  /** What it was. */
  readonly truth: Hypothesis;
  readonly jumpers: readonly JumperLeft[];
  readonly reset: ResetAgain | undefined;
  readonly wrong: readonly WrongPart[];
  /** When it shows again where it was not mended; nothing where a try runs with it. */
  readonly shows: Millis | undefined;
  /** From a watched try on. */
  readonly taken: readonly TakenStep[];
  readonly planned: readonly WayStep[];
  /** Two that nothing told apart, and what would have. */
  readonly open: { readonly other: Hypothesis; readonly by: MissingPoint } | undefined;
}

/** As many other parts are looked at. */
const MOST_WRONG = 3;
/** Suspects that hardly anybody would mend. */
const WORTH = 0.03;
/** Nobody stays at one test longer: the rest was something else. */
const LONGEST = 60;

/** Looks at a call afterwards; nothing where no break was recorded, or none that its model has. */
export function reviewOf(engine: Engine, state: CallState): CallReview | undefined {
  const { record, evidence } = state;
  if (!record) return undefined;
  const items = untilMended(evidence);
  const assess = (until: number): Assessment =>
    engine.assess(firstItems(evidence, items.slice(0, until)), { pairs: false });
  const end = assess(items.length);
  const truth = truthOf(engine, countedWays(engine, record, end)) ?? likeliestOf(engine, record.part, end);
  if (!truth) return undefined;
  const watched = toldAndWatched(items);
  const believed = ({ suspects }: Assessment): number =>
    suspects.find(({ repair }) => repair === truth.repair)?.probability ?? 0;
  const then = assess(watched);
  const seen = firstItems(evidence, items.slice(0, watched));
  const plan = engine.planProof({ evidence: seen, declined: new Set(), person: TRAINED }, then, truth);
  const other = plan.open[0];
  return {
    truth,
    jumpers: jumpersLeft(engine, truth.faults, goneRound(state)),
    reset: resetAgain(engine, truth.faults),
    wrong: then.suspects
      .flatMap(({ repair, probability }): WrongPart[] => {
        const { part, action } = repairOf(repair);
        const title = part === undefined ? undefined : findPart(engine.model, part)?.title;
        if (repair === truth.repair || action !== 'replace' || title === undefined || probability < WORTH) return [];
        const minutes = ASSUMED.minutesToReplace + ASSUMED.minutesToTryAgain;
        return [{ part: part!, title, believed: probability, minutes }];
      })
      .slice(0, MOST_WRONG),
    shows: showsAfter(engine, truth.faults),
    taken: items.slice(watched).map((item, i) => ({
      question: item.observation,
      minutes: minutesBetween(state, items[watched + i - 1], item),
      believed: believed(assess(watched + i + 1)),
    })),
    planned: [...plan.minutes].flatMap(([id, minutes]) => {
      const test = engine.tests.find((t) => t.id === id);
      return test ? [{ question: test.question, minutes }] : [];
    }),
    open: other && { other, by: missingPoint(engine, truth, other) },
  };
}

/** Where nobody can tell in which way the recorded part failed, the likeliest of them. */
function likeliestOf(
  { hypotheses, model }: Engine,
  part: string,
  { probabilities }: Assessment,
): Hypothesis | undefined {
  const broken = findPart(model, part)?.index;
  return hypotheses
    .filter((h) => h.kind === 'fault' && h.occurs === 1 && (h.breaks ?? h.faults[0]?.part) === broken)
    .sort((a, b) => probabilities[b.index]! - probabilities[a.index]!)[0];
}

/** Safeties that somebody went round on this call. */
const goneRound = ({ evidence }: CallState): ReadonlySet<string> =>
  new Set(evidence.episodes.flatMap(({ setup }) => setup.bypassed));

/** Minutes from one answer to the next. */
function minutesBetween({ log }: CallState, before: EvidenceItem | undefined, { id }: EvidenceItem): number {
  const at = (of: string | undefined): number | undefined => {
    const entry = log.find(({ event }) => event.id === of);
    return entry && madeAt(entry.event);
  };
  const from = at(before?.id);
  const to = at(id);
  return from === undefined || to === undefined ? 0 : Math.min(LONGEST, Math.max(0, (to - from) / 60_000));
}
