import { findPart, type Model } from '../profile';
import type { Hypothesis } from '../inference';
import { endingWith, type Followed, type Mark as RuleMark, openLines, requirementsOf } from '../rules';
import type { CallState } from '../visit';
import { type CriticalAct, criticalActs } from './critical';
import { decisionsIn, fittedIn, mends, minutesTo, TESTS, testsUntil } from './decision';
import type { Laid } from './draw-exercise';
import { asksRun, runGraded } from './healthy-run';
import { truthsOf } from './exercise';
import { endingOf, type Move, stateAfter } from './move';
import type { Planned } from './planner';
import { condemnedBy, nothingToCondemn } from './proof-share';

/** A part of the mark. */
interface Share {
  /** `times` for minutes where the times of a sound run are guessed. */
  readonly id: 'proof' | 'cause' | 'minutes' | 'times' | 'safety' | 'record';
  readonly got: number;
  readonly of: number;
}

/** What an exercise was worth. */
export interface ExerciseMark {
  /** Of a hundred, as it counts. */
  readonly total: number;
  /** The same without caps. */
  readonly uncapped: number;
  readonly shares: readonly Share[];
  /** Parts that were fitted and had nothing, by id. */
  readonly inVain: readonly string[];
  /** What held the mark down. */
  readonly caps: readonly { readonly at: number; readonly words: string }[];
  readonly critical: readonly CriticalAct[];
  /** Whether break and cause were proved, or nothing was left to prove. */
  readonly proved: boolean;
  readonly minutes: number;
  readonly tests: number;
  readonly hints: number;
  /** What was spent on parts, in units of a usual part. */
  readonly parts: number;
}

const OF = { proof: 30, cause: 15, minutes: 25, safety: 20, record: 10 } as const;
const CAP = { critical: 40, unmeasured: 35 } as const;
const VAIN = 10;
const HINT = 3;
/** A part that is condemned less than this was fitted on a guess. */
const HALF = 0.5;
/** What a slip of safety costs, by what it is. */
const SLIPS: Readonly<Record<RuleMark['mark'], number>> = {
  'without-need': 4,
  'without-right': 4,
  late: 3,
  'beyond-clock': 4,
  'out-of-limits': 4,
  'too-early': 10,
  forbidden: 10,
};

/** The mark of an exercise, from what was done in it alone. */
export function markOf(laid: Laid, moves: readonly Move[], planned: Planned): ExerciseMark {
  const { engine, exercise, appliance } = laid;
  const { model } = engine;
  const truths = truthsOf(exercise);
  const end = stateAfter(model, moves);
  const belongs = mends(truths, model.parts);
  const decisions = decisionsIn(moves, truths, model.parts);
  const decided = Math.max(...decisions);
  const runs = appliance.mended(end.evidence.episodes);
  const ending = endingOf(moves);
  const ours = truths.length > 0 && exercise.kind !== 'refer';
  const named = truths.map((truth) => wasNamed(moves, partNamed(truth, model), truths.length));
  const right = truths.length > 0 && named.every(Boolean);

  const assessments = decisions.map((at) => engine.assess(stateAfter(model, moves.slice(0, at)).evidence));
  const by = meanOf(
    truths.map((truth, i) => (ours && named[i] ? condemnedBy(assessments[i]!, truth, engine) : NOT_CONDEMNED)),
  );
  const run = asksRun(exercise) ? runGraded(laid, moves) : undefined;
  const closed = ending === 'proved' && runs && openLines(end.followed).length === 0;
  const proof = ours
    ? 15 * by.condemned + 10 * by.excluded + (closed ? 5 : 0)
    : nothingToCondemn(exercise.kind, ending, assessments[0]!, end, right, run?.order);

  const minutes = minutesTo(moves, decided);
  const critical = criticalActs(moves, end, runs);
  const fitted = fittedIn(moves);
  const inVain = [...new Set(fitted.flatMap(({ part }) => (belongs(part) ? [] : [part])))];
  const hints = moves.filter(({ body }) => body.type === 'hint').length;
  const pace = Math.min(1, planned.minutes / Math.max(minutes, 0.1));
  const shares: Share[] = [
    { id: 'proof', got: proof, of: OF.proof },
    { id: 'cause', got: OF.cause * causeShare(laid, right, end.record?.cause, ending), of: OF.cause },
    run
      ? { id: 'times', got: OF.minutes * run.times, of: OF.minutes }
      : { id: 'minutes', got: OF.minutes * pace * (proof / OF.proof), of: OF.minutes },
    { id: 'safety', got: critical.length > 0 ? 0 : Math.max(0, OF.safety - slipsIn(end.followed)), of: OF.safety },
    {
      id: 'record',
      got: recordOf(moves, end, endsWell(ending, end.followed), fitted.length > 0 || !ours),
      of: OF.record,
    },
  ];
  const sum = shares.reduce((total, { got }) => total + got, 0);
  const uncapped = Math.max(0, Math.round(sum - VAIN * inVain.length - HINT * hints));
  const measured = testsUntil(moves, fitted[0]?.at ?? 0) > 0 && (!ours || by.condemned >= HALF);
  const caps = [
    ...critical.map(({ words }) => ({ at: CAP.critical, words })),
    ...(fitted.length > 0 && !measured
      ? [{ at: CAP.unmeasured, words: 'A part was fitted before anything condemned it.' }]
      : []),
  ];
  return {
    total: Math.min(uncapped, ...caps.map(({ at }) => at)),
    uncapped,
    shares: shares.map((s) => ({ ...s, got: Math.round(s.got * 10) / 10 })),
    inVain,
    caps,
    critical,
    proved: ours ? by.condemned > 0.99 && by.excluded === 1 : proof >= RIGHTLY_LEFT,
    minutes,
    tests: testsUntil(moves, decided),
    hints,
    parts: fitted.length,
  };
}

/** Nobody condemned what was broken. */
const NOT_CONDEMNED = { condemned: 0, excluded: 0 };

/** How far everything that is hidden was proved: the mean over its faults. */
function meanOf(found: readonly ReturnType<typeof condemnedBy>[]): ReturnType<typeof condemnedBy> {
  const mean = (of: (one: ReturnType<typeof condemnedBy>) => number): number =>
    found.length === 0 ? 0 : found.reduce((sum, one) => sum + of(one), 0) / found.length;
  return { condemned: mean((one) => one.condemned), excluded: mean((one) => one.excluded) };
}

/** Whether a part was written down as what broke; where one thing is hidden, what was written last counts. */
function wasNamed(moves: readonly Move[], part: string, hidden: number): boolean {
  const said = moves.flatMap(({ body }) => (body.type === 'break-recorded' ? [body.part] : []));
  return hidden === 1 ? said.at(-1) === part : said.includes(part);
}
/** Proof of one who left alone what was to be left alone, and ended rightly. */
const RIGHTLY_LEFT = 25;

/** Which part somebody names who is right. */
const partNamed = ({ breaks }: Hypothesis, { parts }: Model): string =>
  breaks === undefined ? 'none' : parts[breaks]!.id;

/** What slips of safety cost together. */
const slipsIn = ({ marks }: Followed): number =>
  [...marks.values()].flat().reduce((sum, { mark }) => sum + SLIPS[mark], 0);

/** Whether it ended in a way that lacks nothing of what its ending asks. */
function endsWell(ended: string | undefined, followed: Followed): boolean {
  const ending = endingWith(ended ?? '');
  return ending !== undefined && requirementsOf(ending, followed).every(({ met }) => met);
}

/** How far the cause was found, 0 or 1: the part that made a safety open; where no other part did, the break itself. */
function causeShare(
  { engine, exercise }: Laid,
  right: boolean,
  said: string | undefined,
  ending: string | undefined,
): number {
  const { truth, kind } = exercise;
  if (!truth || kind === 'refer') return ending === (kind === 'refer' ? 'referred' : 'nothing-found') ? 1 : 0;
  if (!right) return 0;
  return truth.cause === undefined || findPart(engine.model, said ?? '')?.index === truth.cause ? 1 : 0;
}

/** What was written down: the break, at least one reading, the repair, an ending that lacks nothing. */
function recordOf(moves: readonly Move[], { record }: CallState, ends: boolean, repaired: boolean): number {
  const measured = moves.some(({ body }) => TESTS.has(body.type) && body.type !== 'look');
  return (record !== undefined || ends ? 3 : 0) + (measured ? 2 : 0) + (repaired ? 2 : 0) + (ends ? 3 : 0);
}
