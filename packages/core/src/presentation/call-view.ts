import { type Millis, millis } from '../units';
import { byTelephone, type Carried, partsToCarry } from '../analysis';
import { type Assessment, type Engine, standingOf } from '../diagnosis';
import { type Complaint, kindOf } from '../question';
import type { Authority, Wanted } from '../rules';
import { predicts, waysOfFailing } from '../inference';
import type { Setup } from '../simulation';
import type { TestingStandard } from '../standards';
import { workOfQuestion } from '../test-choice';
import {
  type Adjusted,
  type BreakRecord,
  type CallState,
  type ListedWire,
  type NeededPart,
  observationOfEntry,
  type Recommendation,
} from '../visit';
import { draftRecord, sayRecord } from './break-record';
import { type CondemningReading, condemningOf, type Returning, returnsOf, tripsAfter } from './condemning';
import { type CordView, cordView } from './cord-view';
import { explain } from './explain';
import { type LadderView, ladderView } from './ladder-view';
import { type OldAndNew, oldAndNew } from './old-and-new';
import { type LogLine, logOf } from './log-view';
import { observationWords, questionTitle } from './question-words';
import type { Reader } from './reader';
import { type ClockView, runningOf } from './running';
import { sayRequirement } from './requirement-words';
import { inBrief } from './say';
import { severityWords } from './severity-words';
import { type WhatNow, whatNow } from './what-now';
import { type AnswerFormView, formView, repairWords } from './test-view';

/** What the engine has to say about a call at one moment: plain data. */
export interface CallView {
  readonly suspects: readonly SuspectView[];
  /** Share of everything not listed. */
  readonly rest: number;
  readonly standing: 'proved' | 'suspected';
  /** What the proof of the first suspect asks for, what of it is met, and by which entries. */
  readonly checklist: readonly { readonly words: string; readonly met: boolean; readonly by: readonly string[] }[];
  readonly noHypothesisFits: boolean;
  readonly surprises: readonly string[];
  /** What no explanation at all accounts for. */
  readonly fitsNothing: readonly string[];
  readonly adjustments: readonly (Adjusted & { readonly event: string })[];
  readonly cord: CordView;
  readonly ladder: LadderView;
  readonly log: readonly LogLine[];
  readonly setup: Setup;
  /** What to do when there is no next test. */
  readonly whatNow: WhatNow;
  /** Questions and tests pinned by whoever looks on. */
  readonly pins: readonly {
    readonly event: string;
    readonly words: string;
    readonly test: string | undefined;
    readonly person: string;
    readonly answer: string | undefined;
  }[];
  readonly shown: boolean;
  readonly recommendations: readonly Recommendation[];
  readonly needed: readonly NeededPart[];
  readonly wires: readonly ListedWire[];
  readonly complaint: string;
  readonly pinnedVersion: string | undefined;
  readonly record: BreakRecord | undefined;
  /** The same in words. */
  readonly recordWords: string | undefined;
  readonly draft: Omit<BreakRecord, 'advice'>;
  readonly closed: boolean;
  /** Clocks that run: what was answered too early, and those that were set. */
  readonly timers: readonly ClockView[];
  /** What the customer complained of, as it was chosen. */
  readonly told: Complaint | undefined;
  /** Nothing was seen or measured yet: the telephone's turn. */
  readonly untouched: boolean;
  /** What was answered on the telephone, by question of the list. */
  readonly telephone: Readonly<Record<string, string>>;
  readonly carry: readonly (Carried & { readonly why: string })[];
  /** What condemned the part that was repaired, and how that reads since. */
  readonly condemning: CondemningReading | undefined;
  /** What was read before a repair beside what is read since. */
  readonly oldAndNew: readonly OldAndNew[];
  /** The round of the likeliest suspect that goes off and on again. */
  readonly cycle: { readonly words: string; readonly period: Millis } | undefined;
  /** How long what opened the repaired safeties takes to open them again, minutes by the model; nothing where it does not. */
  readonly tripsAfter: number | undefined;
  /** What would open them again, each with how long that takes. */
  readonly returns: readonly Returning[];
  /** The newest reading, where it proves nothing for want of what it needed. */
  readonly unproved: UnprovedReading | undefined;
  /** The step at which the ladder is drawn. */
  readonly at: string;
  /** The suspect whose world is shown instead of what is known, in words. */
  readonly whatIf: string | undefined;
}

/** A reading that is kept and proves nothing: what it lacked, and how it is answered once more. */
interface UnprovedReading {
  readonly event: string;
  readonly title: string;
  readonly words: string;
  readonly wanted: Wanted;
  readonly needs: readonly string[];
  readonly answer: AnswerFormView;
}

export interface SuspectView {
  readonly repair: string;
  /** The part to be repaired first; nothing for healthy and unknown. */
  readonly part: string | undefined;
  readonly words: string;
  /** The same in as few words as stand beside a bar. */
  readonly brief: string;
  /** How far gone it is by what was measured: “about half of a new one”. */
  readonly remains: string | undefined;
  readonly repairWords: string;
  readonly probability: number;
  readonly proved: boolean;
  /** Names it when its world is asked for. */
  readonly id: string;
  /** Whether its world can be shown: of what the model does not know, nothing can. */
  readonly imaginable: boolean;
  readonly reasons: readonly { readonly for: boolean; readonly sentence: string }[];
}

export interface ViewOptions extends Reader {
  readonly person: Authority;
  readonly standard: TestingStandard;
  /** The step chosen on the cord, or undefined to follow the burn front. */
  readonly phase: string | undefined;
  /** Show everything as it would be under this hypothesis; `healthy` for a sound appliance. */
  readonly whatIf?: string | undefined;
}

const SHOWN = 6;

export function viewOf(engine: Engine, state: CallState, assessment: Assessment, options: ViewOptions): CallView {
  const { model } = engine;
  const standing = standingOf(assessment);
  const world = waysOfFailing(
    assessment.hypotheses.filter((h) => h.family === options.whatIf),
    (h) => assessment.probabilities[h.index]!,
  )[0]?.hypothesis;
  const cord = cordView(engine, state, assessment, options, world);
  const frontBead = cord.beads.find((b) => b.front);
  const at = options.phase ?? frontBead?.id ?? model.phases[0]!.id;
  const shown = assessment.suspects.filter((s) => s.probability >= 0.004).slice(0, SHOWN);
  const words = (id: string): string => {
    const item = assessment.items.find((i) => i.item.id === id)!;
    return observationWords(model, item.item.observation, options);
  };
  return {
    suspects: shown.map((s, i) => ({
      repair: s.repair,
      part: s.leading.faults[0] && model.parts[s.leading.faults[0].part]!.id,
      words: s.leading.words,
      brief: inBrief(s.leading.words),
      remains: severityWords(assessment, s.leading),
      repairWords: repairWords(model, s.repair),
      probability: s.probability,
      proved: i === 0 && standing === 'proved',
      id: s.leading.family,
      imaginable: predicts(s.leading),
      reasons: explain(model, s.leading, engine.healthy, assessment.items, options)
        .slice(0, 8)
        .map((r) => ({ for: r.weight > 0, sentence: r.sentence })),
    })),
    rest: Math.max(0, 1 - shown.reduce((sum, s) => sum + s.probability, 0)),
    standing,
    checklist: (assessment.proof?.requirements ?? []).map((r) => ({
      words: sayRequirement(r),
      met: r.met,
      by: r.by.map(words),
    })),
    noHypothesisFits: assessment.noHypothesisFits,
    surprises: assessment.surprises.map(words),
    fitsNothing: assessment.fitsNothing.map(words),
    adjustments: [...state.adjustments].map(([event, body]) => ({ ...body, event })),
    cord,
    ladder: ladderView(engine, state, assessment, at, options, world),
    log: logOf(engine, state, assessment, options),
    setup: state.setup,
    whatNow: whatNow(model, assessment, state.declined.size > 0),
    pins: state.pins,
    shown: state.shown,
    recommendations: state.recommendations,
    needed: state.needed,
    wires: state.wires,
    complaint: state.opened?.complaint ?? '',
    pinnedVersion: state.opened?.profileVersion,
    record: state.record,
    recordWords: state.record && sayRecord(model, state.record),
    draft: draftRecord(engine, assessment),
    closed: state.closed,
    timers: [
      ...runningOf(engine, state, assessment).values(),
      ...state.log.flatMap(({ event: { id, at: from, body }, retracted }) =>
        body.type === 'timer' && !retracted
          ? [{ event: id, title: body.title, ends: Date.parse(from) + millis(body.seconds) }]
          : [],
      ),
    ],
    told: toldOf(state),
    untouched: state.evidence.items.every((i) => byTelephone(model, i.observation)),
    telephone: Object.fromEntries(state.telephone),
    carry: partsToCarry(engine, assessment).map((c) => ({ ...c, why: inBrief(c.words) })),
    condemning: condemningOf(engine, state, assessment, options),
    oldAndNew: oldAndNew(engine, state, options),
    cycle: cycleOf(engine, state, assessment),
    tripsAfter: tripsAfter(engine, state),
    returns: returnsOf(engine, state),
    unproved: unprovedOf(engine, state, options),
    at,
    whatIf: world?.words,
  };
}

function toldOf({ evidence }: CallState): Complaint | undefined {
  const told = evidence.items.findLast(({ observation }) => observation.kind === 'told')?.observation;
  return told?.kind === 'told' ? told.complaint : undefined;
}

/** By the model, how long a round takes of what is suspected first and goes off and on. */
function cycleOf(engine: Engine, { evidence }: CallState, { suspects }: Assessment): CallView['cycle'] {
  for (const { leading } of suspects.slice(0, SHOWN)) {
    if (!predicts(leading)) continue;
    const { cycle } = engine.traces.last(leading.faults, evidence.episodes).trace;
    if (cycle) return { words: leading.words, period: cycle.length };
  }
  return undefined;
}

/** The newest reading of the log, if it lacked what it needs; anything that was found since takes its place. */
function unprovedOf({ model }: Engine, state: CallState, options: ViewOptions): UnprovedReading | undefined {
  const read = state.log.flatMap(({ event, retracted }) => {
    const observation = retracted ? undefined : observationOfEntry(model, event.body);
    return observation ? [{ event, observation }] : [];
  });
  const newest = read.at(-1);
  if (!newest) return undefined;
  const { event, observation } = newest;
  const needs = (state.followed.marks.get(event.id) ?? []).flatMap((m) => (m.mark === 'without-need' ? [m.need] : []));
  if (needs.length === 0) return undefined;
  const { work = '', of } = workOfQuestion(model, observation);
  return {
    event: event.id,
    title: questionTitle(model, observation),
    words: observationWords(model, observation, options),
    wanted: { work, ...(of !== undefined && { of }) },
    needs,
    answer: formView(kindOf(observation).form(model, observation)),
  };
}
