import { findReadings, type Found, type Sought } from '@zetalysis/core/analysis';
import { type Assessment, Engine } from '@zetalysis/core/diagnosis';
import {
  type CallView,
  type Drawing,
  drawingOf,
  type Guide,
  guideOf,
  proofView,
  type ProofView,
  snapshot,
  testsView,
  type TestView,
  viewOf,
  type ViewOptions,
} from '@zetalysis/core/presentation';
import { type Build, loadProfile } from '@zetalysis/core/profile';
import type { RankedTest } from '@zetalysis/core/test-choice';
import type { UnitSystem } from '@zetalysis/core/units';
import { type AdviceSnapshot, type CallEvent, type CallState, reduceCall } from '@zetalysis/core/visit';
import { expose } from 'comlink';

let engine: Engine | undefined;
/** The newest answer, and what it was about: looking at another step or world needs no new diagnosis. */
let last: { events: string; state: CallState; assessment: Assessment } | undefined;
let ranking: { about: string; ranked: RankedTest[] } | undefined;

const need = (): Engine => {
  if (!engine) throw new Error('no profile loaded');
  return engine;
};

/** What the page can ask of the engine. Each call answers one question; the page drops answers that come too late. */
const api = {
  load(source: string, file: string, build: Build): Drawing {
    engine = new Engine(loadProfile(source, file, { build }));
    last = undefined;
    ranking = undefined;
    return drawingOf(engine.model);
  },
  /** Suspects, cord and ladder: quick. */
  view(events: readonly CallEvent[], options: ViewOptions): CallView {
    const about = events.map((e) => e.id).join();
    if (last?.events !== about) {
      const state = reduceCall(need().model, events);
      last = { events: about, state, assessment: need().assess(state.evidence, { pairs: false }) };
    }
    return viewOf(need(), last.state, last.assessment, options);
  },
  /** The next tests for the evidence of the last `view`, and the view again when pairs of faults changed it. */
  next(options: ViewOptions): { tests: TestView[]; view: CallView | undefined } {
    if (!last || last.state.danger || last.state.closed) return { tests: [], view: undefined };
    const { events, state } = last;
    const { role, standard } = options;
    const about = `${events}|${role}|${JSON.stringify(standard)}`;
    let paired = false;
    if (ranking?.about !== about) {
      const assessment = need().assess(state.evidence);
      paired = assessment.hypotheses.length > last.assessment.hypotheses.length;
      last = { events, state, assessment };
      const ranked = need().next({ evidence: state.evidence, declined: state.declined, role, standard }, assessment);
      ranking = { about, ranked };
    }
    return {
      tests: testsView(need(), state, last.assessment, ranking.ranked, options),
      view: paired ? viewOf(need(), state, last.assessment, options) : undefined,
    };
  },
  /** What it would take to prove a suspect, for the evidence of the last `view`. */
  toProve(repair: string, options: Pick<ViewOptions, 'role' | 'standard'>): ProofView | undefined {
    return last && proofView(need(), last.state, last.assessment, repair, options);
  },
  /** For the Library: all there is to read about the appliance. */
  guide(units: UnitSystem): Guide {
    return guideOf(need(), { units });
  },
  /** For the Library: the steps and faults under which readings can be found. */
  find(sought: readonly Sought[]): Found[] {
    return findReadings(need(), sought);
  },
  advice(): AdviceSnapshot {
    if (!last) throw new Error('nothing assessed yet');
    return snapshot(need(), last.assessment, ranking?.about.startsWith(`${last.events}|`) ? ranking.ranked : []);
  },
};

export type EngineApi = typeof api;
expose(api);
