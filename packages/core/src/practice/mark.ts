import { type Assessment, standingOf } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { proofDebt } from '../proof';
import { endingWith, type Mark as RuleMark, openLines, requirementsOf } from '../rules';
import { type CriticalAct, criticalActs } from './critical';
import type { Laid } from './draw-exercise';
import { endingOf, isPractice, type Move, stateAfter } from './move';
import type { Planned } from './planner';

/** A part of the mark. */
interface Share {
  readonly id: 'proof' | 'cause' | 'minutes' | 'safety' | 'record';
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
/** Below this share of what is believed, rivals that are left do not count much; half the points. */
const NEARLY = 0.05;
/** A part that is condemned less than this was fitted on a guess. */
const HALF = 0.5;
/** A sound appliance is believed sound. */
const SOUND = 0.8;
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
export function markOf({ engine, exercise, appliance }: Laid, moves: readonly Move[], planned: Planned): ExerciseMark {
  const { model } = engine;
  const end = stateAfter(model, moves);
  const runs = appliance.runs(end.evidence.episodes);
  const decided = decisionIn(moves);
  const before = stateAfter(model, moves.slice(0, decided));
  const assessment = engine.assess(before.evidence);
  const { truth } = exercise;
  const named = end.record;
  const right = truth !== undefined && named !== undefined && named.part === partNamed(truth, model.parts);
  const fault = truth !== undefined && exercise.kind !== 'refer';
  const ending = endingOf(moves);
  const endsAsAsked = endsWell(ending, end.followed);

  const debt = fault && right ? debtOf(assessment, truth, engine) : undefined;
  const condemned = debt ? 15 * Math.min(1, debt.condemned) : 0;
  const excluded = debt ? 10 * debt.excluded : 0;
  const closedProved = ending === 'proved' && runs && openLines(end.followed).length === 0;
  const proof = fault
    ? condemned + excluded + (closedProved ? 5 : 0)
    : nothingToCondemn(exercise.kind, ending, assessment, end, right);
  const cause = causeOf(fault, right, truth, named, model.parts, exercise.kind, ending);

  const minutes = minutesTo(moves, decided);
  const critical = criticalActs(moves, end, runs);
  const slips = [...end.followed.marks.values()].flat().reduce((sum, { mark }) => sum + SLIPS[mark], 0);
  const fitted = moves.flatMap(({ body }, at) =>
    body.type === 'repaired' && body.old !== true ? [{ at, ...body }] : [],
  );
  const belongs = new Set((truth?.faults ?? []).map(({ part }) => model.parts[model.parts[part]!.assembly]!.id));
  const mended = (id: string): boolean =>
    belongs.has(id) ||
    (truth?.faults ?? []).some(({ part }) => model.parts[part]!.id === id) ||
    isOpened(truth, id, model.parts);
  const inVain = [...new Set(fitted.filter(({ part }) => !mended(part)).map(({ part }) => part))];
  const hints = moves.filter(({ body }) => body.type === 'hint').length;

  const shares: Share[] = [
    { id: 'proof', got: proof, of: OF.proof },
    { id: 'cause', got: cause, of: OF.cause },
    {
      id: 'minutes',
      got: OF.minutes * Math.min(1, planned.minutes / Math.max(minutes, 0.1)) * (proof / OF.proof),
      of: OF.minutes,
    },
    { id: 'safety', got: critical.length > 0 ? 0 : Math.max(0, OF.safety - slips), of: OF.safety },
    {
      id: 'record',
      got: recordOf(moves, named !== undefined, endsAsAsked, fitted.length > 0 || !fault),
      of: OF.record,
    },
  ];
  const sum = shares.reduce((total, { got }) => total + got, 0);
  const uncapped = Math.max(0, Math.round(sum - VAIN * inVain.length - HINT * hints));
  const measured = moves.slice(0, fitted[0]?.at).some(({ body }) => TESTS.has(body.type));
  const unmeasured = fitted.length > 0 && (!measured || (fault && (debt?.condemned ?? 0) < HALF));
  const caps = [
    ...critical.map(({ words }) => ({ at: CAP.critical, words })),
    ...(unmeasured ? [{ at: CAP.unmeasured, words: 'A part was fitted before anything condemned it.' }] : []),
  ];
  return {
    total: Math.min(uncapped, ...caps.map(({ at }) => at)),
    uncapped,
    shares: shares.map((s) => ({ ...s, got: Math.round(s.got * 10) / 10 })),
    inVain,
    caps,
    critical,
    proved: fault ? debt !== undefined && debt.condemned > 0.99 && debt.excluded === 1 : proof >= 25,
    minutes,
    tests: moves.slice(0, decided).filter(({ body }) => TESTS.has(body.type)).length,
    hints,
    parts: fitted.length,
  };
}

/** Entries that answer a question with an instrument or a look. */
export const TESTS: ReadonlySet<string> = new Set([
  'volts',
  'ohms',
  'amps',
  'farads',
  'gauge',
  'look',
  'lamp',
  'continuity',
  'between',
  'joint',
  'timing',
]);

/** The move with which somebody decided: the break was named, a part was fitted, or it ended, whichever came first. */
export function decisionIn(moves: readonly Move[]): number {
  const at = moves.findIndex(
    ({ body }) => !isPractice(body) && ['break-recorded', 'repaired', 'closed'].includes(body.type),
  );
  return at < 0 ? moves.length : at;
}

/** Minutes of work until a move: watching the first try costs everybody the same and is not counted. */
export function minutesTo(moves: readonly Move[], decided: number): number {
  const began = moves.findIndex(({ body }) => body.type === 'outcome' || TESTS.has(body.type));
  const from = began < 0 || began > decided ? 0 : moves[began]!.at;
  return (moves[Math.min(decided, moves.length - 1)]!.at - from) / 60_000;
}

type Parts = Laid['engine']['model']['parts'];

/** Which part somebody names who is right. */
const partNamed = ({ breaks }: Hypothesis, parts: Parts): string => (breaks === undefined ? 'none' : parts[breaks]!.id);

/** Whether a part is what opened because of the cause that is hidden: to put it back is part of the repair. */
const isOpened = (truth: Hypothesis | undefined, id: string, parts: Parts): boolean =>
  truth?.cause !== undefined && truth.breaks !== undefined && parts[truth.breaks]!.id === id;

/** How far the part is condemned, and its rivals are excluded; 0 to 1 each. */
function debtOf(
  assessment: Assessment,
  truth: Hypothesis,
  { model }: Laid['engine'],
): { readonly condemned: number; readonly excluded: number } {
  if (standingOf(assessment) === 'proved' && assessment.suspects[0]!.repair === truth.repair)
    return { condemned: 1, excluded: 1 };
  // Of several severities the one that explains best is spoken of.
  const own = assessment.hypotheses.filter((h) => h.repair === truth.repair && h.kind === 'fault');
  const best = own.reduce((a, b) => (assessment.probabilities[b.index]! > assessment.probabilities[a.index]! ? b : a));
  const debt = proofDebt(model, assessment.hypotheses, assessment.items, best);
  if (!debt) return { condemned: 0, excluded: 0 };
  const open = debt.open.filter(({ hypothesis }) => hypothesis.breaks !== truth.breaks);
  const believed = open.reduce((sum, { hypothesis }) => sum + assessment.probabilities[hypothesis.index]!, 0);
  return {
    condemned: debt.condemned > 0.999 ? 1 : debt.condemned,
    excluded: open.length === 0 ? 1 : believed < NEARLY ? 0.5 : 0,
  };
}

type End = ReturnType<typeof stateAfter>;

/** Whether it ended in a way that lacks nothing of what its ending asks. */
function endsWell(ended: string | undefined, followed: End['followed']): boolean {
  const ending = endingWith(ended ?? '');
  return ending !== undefined && requirementsOf(ending, followed).every(({ met }) => met);
}

/** Proof where nothing is to condemn: the right ending, what else it might have been, a run that was watched. */
function nothingToCondemn(
  kind: Laid['exercise']['kind'],
  ending: string | undefined,
  { suspects }: Assessment,
  { followed }: End,
  right: boolean,
): number {
  const wanted = kind === 'refer' ? 'referred' : 'nothing-found';
  const first = suspects[0]!;
  const told = kind === 'refer' ? right : first.repair === 'none' && first.probability > SOUND;
  const watched = kind === 'refer' ? right : followed.c.is('smell', 'none') || !followed.c.mayBurn;
  return (ending === wanted ? 15 : 0) + (told ? 10 : 0) + (watched ? 5 : 0);
}

function causeOf(
  fault: boolean,
  right: boolean,
  truth: Hypothesis | undefined,
  named: { readonly part: string; readonly cause: string } | undefined,
  parts: Parts,
  kind: Laid['exercise']['kind'],
  ending: string | undefined,
): number {
  if (!fault) return ending === (kind === 'refer' ? 'referred' : 'nothing-found') ? OF.cause : 0;
  if (!right || !truth) return 0;
  if (truth.cause === undefined) return OF.cause;
  return findPartId(named?.cause, parts) === parts[truth.cause]!.id ? OF.cause : 0;
}

const findPartId = (id: string | undefined, parts: Parts): string | undefined => parts.find((p) => p.id === id)?.id;

/** What was written down: the break, at least one reading, the repair, an ending that lacks nothing. */
function recordOf(moves: readonly Move[], named: boolean, ends: boolean, repaired: boolean): number {
  const measured = moves.some(({ body }) => TESTS.has(body.type) && body.type !== 'look');
  return (named || ends ? 3 : 0) + (measured ? 2 : 0) + (repaired ? 2 : 0) + (ends ? 3 : 0);
}
