import type { Found, LogReading, MeterLog, Sought } from '@zetalysis/core/analysis';
import type { KeptLimit } from '@zetalysis/core/bench';
import type { Weighed } from '@zetalysis/core/book';
import type { MachineEntry } from '@zetalysis/core/history';
import type {
  CallLength,
  CallReport,
  CallView,
  Drawing,
  Guide,
  ProofView,
  ReadingsView,
  ReviewView,
  SwapView,
  ViewOptions,
} from '@zetalysis/core/presentation';
import { type Build, buildKey } from '@zetalysis/core/profile';
import type { Fit, PartValue } from '@zetalysis/core/swap';
import type { UnitSystem } from '@zetalysis/core/units';
import type { AdviceSnapshot, CallEvent, PinnedRates } from '@zetalysis/core/visit';
import { wrap, type Remote } from 'comlink';
import type { Advised, Hang, HungAt, Viewer } from './consultation';
import type { EngineApi } from './worker';
import { profileSource } from '../store/profiles';
import { ratesWith } from '../store/rates';

type Log = readonly CallEvent[];

/** One appliance, loaded in the worker. */
export interface LoadedEngine {
  readonly drawing: Drawing;
  readonly view: (log: Log, options: ViewOptions) => Promise<CallView>;
  readonly next: (log: Log, options: ViewOptions) => Promise<Advised>;
  readonly toProve: (log: Log, repair: string, viewer: Viewer) => Promise<ProofView | undefined>;
  readonly advice: (log: Log, viewer: Viewer) => Promise<AdviceSnapshot>;
  readonly report: (log: Log, options: ViewOptions) => Promise<CallReport>;
  /** The log as a case file; nothing where no case can say how the machine is built. */
  readonly caseFile: (log: Log, title: string, build: Build) => Promise<string | undefined>;
  readonly length: (log: Log, viewer: Viewer) => Promise<CallLength>;
  readonly review: (log: Log, units: UnitSystem) => Promise<ReviewView | undefined>;
  readonly swap: (part: string, units: UnitSystem) => Promise<SwapView | undefined>;
  readonly willItFit: (part: string, values: readonly PartValue[]) => Promise<Fit | { readonly problem: string }>;
  readonly guide: (units: UnitSystem) => Promise<Guide>;
  readonly readings: (
    entries: readonly MachineEntry[],
    kept: readonly KeptLimit[],
    units: UnitSystem,
  ) => Promise<ReadingsView[]>;
  readonly readLog: (log: MeterLog, hung: readonly HungAt[]) => Promise<LogReading>;
  readonly whereToHang: (log: Log) => Promise<Hang[]>;
  readonly find: (sought: readonly Sought[]) => Promise<Found[]>;
  /** Gives its memory back, for one who goes through many appliances. */
  readonly forget: () => Promise<void>;
}

export interface EngineHold {
  /**
   * Loads an appliance; the same one in the same version and build is loaded once.
   * @throws Error with words for the reader, when the profile cannot be had or is not sound
   */
  readonly load: (
    profile: string,
    version: string | undefined,
    build: Build,
    rates?: PinnedRates,
  ) => Promise<LoadedEngine>;
  readonly release: () => void;
}

/** The rates of the shop that a call pins, and the machine that they are for; those that ship where its shop is another one. */
async function weighedBy(profile: string, { version, ...machine }: PinnedRates): Promise<Weighed | undefined> {
  const book = await ratesWith(version);
  return book && { book, of: { profile, ...machine } };
}

/** The one worker of this page, while somebody holds it. */
let running: { readonly worker: Worker; readonly api: Remote<EngineApi>; holders: number } | undefined;

/**
 * Takes hold of the engine. The worker starts with its first holder and ends with its last, so that a long run nobody
 * waits for any more never stands before the next page’s question.
 */
export function holdEngine(): EngineHold {
  if (!running) {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    running = { worker, api: wrap<EngineApi>(worker), holders: 0 };
  }
  const mine = running;
  mine.holders += 1;
  let held = true;
  return {
    load: async (profile, version, build, rates) => {
      const key = `${profile}@${version ?? ''} ${buildKey(build)}${rates ? ` ${JSON.stringify(rates)}` : ''}`;
      const { api } = mine;
      const source = await profileSource(profile, version);
      const drawing = await api.load(key, source, `${profile}.yaml`, build, rates && (await weighedBy(profile, rates)));
      return {
        drawing,
        view: (log, options) => api.view(key, log, options),
        next: (log, options) => api.next(key, log, options),
        toProve: (log, repair, viewer) => api.toProve(key, log, repair, viewer),
        advice: (log, viewer) => api.advice(key, log, viewer),
        report: (log, options) => api.report(key, log, options),
        caseFile: (log, title, build) => api.caseFile(key, log, title, build),
        length: (log, viewer) => api.length(key, log, viewer),
        review: (log, units) => api.review(key, log, units),
        swap: (part, units) => api.swap(key, part, units),
        willItFit: (part, values) => api.willItFit(key, part, values),
        guide: (units) => api.guide(key, units),
        readings: (entries, kept, units) => api.readings(key, entries, kept, units),
        readLog: (log, hung) => api.readLog(key, log, hung),
        whereToHang: (log) => api.whereToHang(key, log),
        find: (sought) => api.find(key, sought),
        forget: () => api.forget(key),
      };
    },
    release: () => {
      if (!held) return;
      held = false;
      mine.holders -= 1;
      if (mine.holders > 0) return;
      mine.worker.terminate();
      if (running === mine) running = undefined;
    },
  };
}
