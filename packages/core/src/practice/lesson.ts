import type { Assessment } from '../diagnosis';
import type { Repair } from '../inference';
import type { Model, PartIndex } from '../profile';
import { TRAINED } from '../rules';
import type { CallState } from '../visit';
import type { Laid } from './draw-exercise';
import { TESTS } from './decision';
import { truthsOf } from './exercise';
import { type ExerciseMark, markOf } from './mark';
import { type Misconception, misconceptionsIn, toldNothing } from './misconceptions';
import { isPractice, type Move, moveOf, stateAfter } from './move';
import { knowing, type Planned } from './planner';

/** A suspect and what is believed of it. */
export interface Believed {
  /** What would be repaired; `others` for all that have no row of their own. */
  readonly repair: Repair | 'others';
  readonly share: number;
}

/** What a move was worth. */
export interface MoveLesson {
  readonly move: number;
  readonly at: number;
  /** What could be believed after it: the rows of the whole exercise, in one order. */
  readonly believed: readonly Believed[];
  /** What it told, bits; nothing for what answers no question. */
  readonly bits: number | undefined;
  /** Minutes since the move before it. */
  readonly minutes: number;
  /** Which parts of the chain could still be what broke. */
  readonly left: readonly boolean[];
  /** The test that was best then, by its id; nothing where this was it, or nothing was to be tested. */
  readonly best: string | undefined;
  /** Whether it proves nothing, because of how it was taken. */
  readonly idle: boolean;
}

/** What an exercise is worth afterwards. */
export interface Lesson {
  readonly mark: ExerciseMark;
  readonly planned: Planned;
  /** Minutes of tests of one who knows. */
  readonly knowing: number | undefined;
  readonly moves: readonly MoveLesson[];
  /** Repairs that have a row of their own, the truth first. */
  readonly rows: readonly Repair[];
  /** Parts that could be what broke at some time, in the order of the circuit. */
  readonly chain: readonly PartIndex[];
  readonly misconceptions: readonly Misconception[];
  /** Tests that told nothing new. */
  readonly wasted: number;
}

/** Suspects that have a row of their own. */
const ROWS = 3;

/** Goes through an exercise move by move: what could be believed, what was best then, what was believed wrongly. */
export function lessonOf(laid: Laid, moves: readonly Move[], planned: Planned): Lesson {
  const { engine, exercise } = laid;
  const states: CallState[] = [];
  const assessments: Assessment[] = [];
  moves.forEach(({ body }, i) => {
    // What no call has changes nothing of what is known.
    const same = i > 0 && (isPractice(body) || body.type === 'proof-line' || body.type === 'need');
    states.push(same ? states[i - 1]! : stateAfter(engine.model, moves.slice(0, i + 1)));
    const evidence = states[i]!.evidence;
    const before = states[i - 1]?.evidence;
    const unchanged =
      before !== undefined &&
      before.items.length === evidence.items.length &&
      before.episodes.length === evidence.episodes.length;
    assessments.push(unchanged ? assessments[i - 1]! : engine.assess(evidence, { pairs: false }));
  });
  const truths = truthsOf(exercise).map(({ repair }) => repair);
  const rows = rowsOf(assessments, truths.length > 0 ? truths : ['none']);
  const chain = chainOf(engine.model, assessments);
  const told = moves.map((_m, i) => {
    const added = i > 0 && states[i]!.evidence.items.length > states[i - 1]!.evidence.items.length;
    return added ? bitsBetween(assessments[i - 1]!, assessments[i]!) : undefined;
  });
  const ended = moves.findIndex(({ body }) => body.type === 'repaired' || body.type === 'closed');
  const lessons = moves.map((move, i): MoveLesson => {
    const testing = told[i] !== undefined && TESTS.has(move.body.type) && (ended < 0 || i < ended);
    return {
      move: i,
      at: move.at,
      believed: believedIn(assessments[i]!, rows),
      bits: told[i],
      minutes: (move.at - (moves[i - 1]?.at ?? 0)) / 60_000,
      left: chain.map((part) => believedBroken(assessments[i]!, part)),
      best: testing ? bestBefore(laid, states[i - 1]!, assessments[i - 1]!, states[i]!) : undefined,
      idle: marksOf(states[i]!, i).some(({ mark }) => mark === 'without-need'),
    };
  });
  return {
    mark: markOf(laid, moves, planned),
    planned,
    knowing: knowing(laid),
    moves: lessons,
    rows,
    chain,
    misconceptions: misconceptionsIn(laid, moves, states, told),
    wasted: told.filter((bits, i) => toldNothing(moves[i]!.body.type, bits)).length,
  };
}

/** What is believed less than this does not count as left, share. */
const LEFT = 0.02;
/** Longer chains are not drawn. */
const LONGEST_CHAIN = 14;

/** Parts that could be what broke at some time, those that were believed most, in the order of the circuit. */
function chainOf({ rungs, branches, parts }: Model, assessments: readonly Assessment[]): PartIndex[] {
  const along = rungs.flatMap(({ items }) => items.flatMap((i) => ('branch' in i ? branches[i.branch]!.part : [])));
  const order = [...new Set([...along, ...parts.map(({ index }) => index)])];
  const most = (part: PartIndex): number => Math.max(...assessments.map((a) => shareOf(a, part)));
  const left = order.filter((part) => most(part) > LEFT);
  const kept = new Set([...left].sort((a, b) => most(b) - most(a)).slice(0, LONGEST_CHAIN));
  return left.filter((part) => kept.has(part));
}

/** How far it is believed that a part is what broke. */
const shareOf = ({ suspects }: Assessment, part: PartIndex): number =>
  suspects.reduce((sum, { leading, probability }) => sum + (leading.breaks === part ? probability : 0), 0);

const believedBroken = (assessment: Assessment, part: PartIndex): boolean => shareOf(assessment, part) > LEFT;

const marksOf = ({ followed }: CallState, move: number) =>
  [...followed.marks].flatMap(([event, marks]) => (moveOf(event) === move ? marks : []));

/** What has a row of its own: the truth, and what was believed most at any time. */
function rowsOf(assessments: readonly Assessment[], truths: readonly Repair[]): Repair[] {
  const most = new Map<Repair, number>();
  for (const { suspects } of assessments)
    for (const { repair, probability } of suspects.slice(0, ROWS + 1))
      most.set(repair, Math.max(most.get(repair) ?? 0, probability));
  const others = [...most].filter(([repair]) => !truths.includes(repair)).sort(([, a], [, b]) => b - a);
  return [...truths, ...others.slice(0, ROWS - truths.length).map(([repair]) => repair)];
}

function believedIn({ suspects }: Assessment, rows: readonly Repair[]): Believed[] {
  const own: Believed[] = rows.map((repair) => ({
    repair,
    share: suspects.find((s) => s.repair === repair)?.probability ?? 0,
  }));
  const rest = 1 - own.reduce((sum, { share }) => sum + share, 0);
  return [...own, { repair: 'others', share: Math.max(0, rest) }];
}

/** How much one belief differs from another about what to repair: relative entropy, bits (Kullback and Leibler, 1951). */
function bitsBetween(before: Assessment, after: Assessment): number {
  const had = new Map(before.suspects.map(({ repair, probability }) => [repair, probability]));
  return after.suspects.reduce((sum, { repair, probability: p }) => {
    const q = had.get(repair) ?? 1e-6;
    return p > 1e-9 ? sum + p * Math.log2(p / Math.max(q, 1e-9)) : sum;
  }, 0);
}

/** The best test before a move, if the move was another one. */
function bestBefore({ engine }: Laid, before: CallState, assessment: Assessment, after: CallState): string | undefined {
  const made = after.evidence.items.at(-1)!.observation;
  const situation = {
    evidence: before.evidence,
    declined: before.declined,
    person: TRAINED,
    followed: before.followed,
  };
  const [best] = engine.next(situation, assessment);
  if (!best) return undefined;
  const { question } = best.test;
  const same =
    question.kind === made.kind &&
    Object.entries(question).every(([key, value]) => (made as unknown as Record<string, unknown>)[key] === value);
  return same ? undefined : best.test.id;
}
