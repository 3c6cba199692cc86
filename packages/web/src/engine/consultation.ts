import {
  findReadings,
  type Found,
  type LogReading,
  type MeterLog,
  readAgainst,
  type Sought,
  whereToHang,
} from '@zetalysis/core/analysis';
import type { KeptLimit } from '@zetalysis/core/bench';
import { reviewOf, type Weighed, weighedEngine } from '@zetalysis/core/book';
import type { MachineEntry } from '@zetalysis/core/history';
import { type Assessment, Engine } from '@zetalysis/core/diagnosis';
import {
  callLength,
  type CallLength,
  type CallReport,
  type CallView,
  type Drawing,
  drawingOf,
  type Guide,
  guideOf,
  proofView,
  type ProofView,
  readingsOverTime,
  reportOf,
  type ReadingsView,
  reviewView,
  type ReviewView,
  snapshot,
  swapView,
  type SwapView,
  testsView,
  type TestView,
  viewOf,
  type ViewOptions,
} from '@zetalysis/core/presentation';
import { type Build, loadProfile } from '@zetalysis/core/profile';
import { type PartValue, willItFit } from '@zetalysis/core/swap';
import type { RankedTest } from '@zetalysis/core/test-choice';
import type { UnitSystem } from '@zetalysis/core/units';
import { type AdviceSnapshot, type CallEvent, type CallState, caseOf, reduceCall } from '@zetalysis/core/visit';

type Log = readonly CallEvent[];
/** Who looks, and by whose limits. */
export type Viewer = Pick<ViewOptions, 'person' | 'standard'>;

/** Where a column of a meter's log hung. */
export interface HungAt {
  readonly column: number;
  readonly red: string;
  readonly black: string;
}

/** A place for a channel of a logger, and the share of what is open that it tells. */
export type Hang = ReturnType<typeof whereToHang>[number];

/** So many suspects are told apart by a logger. */
const SUSPECTS_TOLD_APART = 8;

/** Everything that is shown of one log. */
export interface Advised {
  readonly tests: readonly TestView[];
  readonly view: CallView;
}

/** What is known of one log. */
interface Considered {
  readonly log: string;
  readonly state: CallState;
  /** Single faults at first; pairs of faults too once the next tests were asked for. */
  assessment: Assessment;
  paired: boolean;
  ranking: { readonly by: string; readonly ranked: RankedTest[] } | undefined;
  advised?: { readonly by: string; readonly advised: Advised };
}

/**
 * One loaded appliance being consulted. Every question names the log it is about, and the answer is for that log and no
 * other; the newest log's diagnosis is kept, so that looking at another step or world costs no new one.
 */
export class Consultation {
  readonly #engine: Engine;
  readonly #written: { readonly source: string; readonly file: string; readonly build: Build };
  #newest: Considered | undefined;

  /** @throws ProblemError when the profile, or the profile in this build, is not sound */
  constructor(source: string, file: string, build: Build, weighed?: Weighed) {
    this.#written = { source, file, build };
    const model = loadProfile(source, file, { build });
    this.#engine = weighed ? weighedEngine(model, weighed) : new Engine(model);
  }

  drawing(): Drawing {
    return drawingOf(this.#engine.model);
  }

  /** Suspects, cord and ladder: quick. */
  view(log: Log, options: ViewOptions): CallView {
    const { state, assessment } = this.#consider(log);
    return viewOf(this.#engine, state, assessment, options);
  }

  /** The next tests, and the view with the pairs of faults that were weighed for them. */
  next(log: Log, options: ViewOptions): Advised {
    const known = this.#consider(log);
    const by = JSON.stringify(options);
    if (known.advised?.by !== by) {
      const ranked = known.state.closed ? [] : this.#rank(known, options);
      const { state, assessment } = known;
      const tests = testsView(this.#engine, state, assessment, ranked, options);
      known.advised = { by, advised: { tests, view: viewOf(this.#engine, state, assessment, options) } };
    }
    return known.advised.advised;
  }

  /** What it would take to prove a suspect. */
  toProve(log: Log, repair: string, viewer: Viewer): ProofView | undefined {
    const { state, assessment } = this.#consider(log);
    return proofView(this.#engine, state, assessment, repair, viewer);
  }

  /** What a record of a break keeps: the suspects and the advice for exactly this log. */
  advice(log: Log, viewer: Viewer): AdviceSnapshot {
    const known = this.#consider(log);
    const ranked = known.state.closed ? [] : this.#rank(known, viewer);
    return snapshot(this.#engine, known.assessment, ranked);
  }

  /** How a part is swapped. */
  swap(part: string, units: UnitSystem): SwapView | undefined {
    return swapView(this.#engine.model, part, { units });
  }

  /** Whether a new part goes with the others. */
  willItFit(part: string, values: readonly PartValue[]): ReturnType<typeof willItFit> {
    const { source, file, build } = this.#written;
    return willItFit(source, file, build, part, values);
  }

  /** How long a visit would take from here. */
  length(log: Log, viewer: Viewer): CallLength {
    const { state, assessment } = this.#consider(log);
    return callLength(this.#engine, state, assessment, viewer);
  }

  /** What is put on paper about exactly this log. */
  report(log: Log, options: ViewOptions): CallReport {
    const { state, assessment } = this.#consider(log);
    return reportOf(this.#engine, state, assessment, options);
  }

  /** What a call is worth afterwards; nothing where its record names nothing that this machine can have. */
  review(log: Log, units: UnitSystem): ReviewView | undefined {
    const { state } = this.#consider(log);
    const review = reviewOf(this.#engine, state);
    return review && reviewView(this.#engine.model, review, { units });
  }

  /** This log as a case file; nothing where the machine is built as no case can say: of several options, or wired in its own order. */
  caseFile(log: Log, title: string, { options, order }: Build): string | undefined {
    if (options.length > 1 || Object.keys(order).length > 0) return undefined;
    const { state } = this.#consider(log);
    return caseOf({ title, profile: this.#engine.model.id, variant: options[0] }, state);
  }

  /** All there is to read about the appliance. */
  guide(units: UnitSystem): Guide {
    return guideOf(this.#engine, { units });
  }

  /** The steps and faults under which readings can be found. */
  find(sought: readonly Sought[]): Found[] {
    return findReadings(this.#engine, sought);
  }

  /** What was read on this machine over the years. */
  readings(entries: readonly MachineEntry[], kept: readonly KeptLimit[], units: UnitSystem): ReadingsView[] {
    return readingsOverTime(this.#engine.model, entries, kept, units);
  }

  /** The log of a logging meter, beside the model. */
  readLog(log: MeterLog, hung: readonly HungAt[]): LogReading {
    const channels = hung.map(({ column, red, black }) => ({ red, black, column: log.columns[column]! }));
    return readAgainst(this.#engine, log, channels);
  }

  /** Where a logger would tell most of what is suspected now. */
  whereToHang(log: Log): Hang[] {
    const { assessment } = this.#consider(log);
    return whereToHang(
      this.#engine,
      assessment.suspects
        .filter(({ leading }) => leading.kind === 'fault')
        .slice(0, SUSPECTS_TOLD_APART)
        .map(({ leading, probability }) => ({ hypothesis: leading, share: probability })),
    );
  }

  #consider(events: Log): Considered {
    const log = events.map((e) => e.id).join();
    if (this.#newest?.log !== log) {
      const state = reduceCall(this.#engine.model, events);
      const assessment = this.#engine.assess(state.evidence, { pairs: false });
      this.#newest = { log, state, assessment, paired: false, ranking: undefined };
    }
    return this.#newest;
  }

  #rank(known: Considered, { person, standard }: Viewer): RankedTest[] {
    const by = JSON.stringify([person, standard]);
    if (known.ranking?.by !== by) {
      const { evidence, declined, followed } = known.state;
      if (!known.paired) known.assessment = this.#engine.withPairs(evidence, known.assessment);
      known.paired = true;
      known.ranking = {
        by,
        ranked: this.#engine.next({ evidence, declined, person, followed, standard }, known.assessment),
      };
    }
    return known.ranking.ranked;
  }
}
