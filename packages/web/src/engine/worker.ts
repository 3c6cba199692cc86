import type { Found, LogReading, MeterLog, Sought } from '@zetalysis/core/analysis';
import type { Weighed } from '@zetalysis/core/book';
import type { KeptLimit } from '@zetalysis/core/bench';
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
import type { Build } from '@zetalysis/core/profile';
import type { Fit, PartValue } from '@zetalysis/core/swap';
import type { UnitSystem } from '@zetalysis/core/units';
import type { AdviceSnapshot, CallEvent } from '@zetalysis/core/visit';
import { expose } from 'comlink';
import { type Advised, Consultation, type Hang, type HungAt, type Viewer } from './consultation';

/** The appliances loaded here, by the key the client gave them. */
const consulted = new Map<string, { readonly source: string; readonly consultation: Consultation }>();

const need = (key: string): Consultation => {
  const one = consulted.get(key);
  if (!one) throw new Error('This appliance is not loaded any more. Load the page again.');
  return one.consultation;
};

/** What can be asked of the engine, over one message each. Every question says which appliance and which log. */
const api = {
  load(key: string, source: string, file: string, build: Build, weighed?: Weighed): Drawing {
    // A profile that was brought in anew since is another one, whatever its key.
    if (consulted.get(key)?.source !== source)
      consulted.set(key, {
        source,
        consultation: new Consultation(source, file, build, weighed),
      });
    return need(key).drawing();
  },
  forget(key: string): void {
    consulted.delete(key);
  },
  view(key: string, log: readonly CallEvent[], options: ViewOptions): CallView {
    return need(key).view(log, options);
  },
  next(key: string, log: readonly CallEvent[], options: ViewOptions): Advised {
    return need(key).next(log, options);
  },
  toProve(key: string, log: readonly CallEvent[], repair: string, viewer: Viewer): ProofView | undefined {
    return need(key).toProve(log, repair, viewer);
  },
  advice(key: string, log: readonly CallEvent[], viewer: Viewer): AdviceSnapshot {
    return need(key).advice(log, viewer);
  },
  caseFile(key: string, log: readonly CallEvent[], title: string, build: Build): string | undefined {
    return need(key).caseFile(log, title, build);
  },
  report(key: string, log: readonly CallEvent[], options: ViewOptions): CallReport {
    return need(key).report(log, options);
  },
  review(key: string, log: readonly CallEvent[], units: UnitSystem): ReviewView | undefined {
    return need(key).review(log, units);
  },
  length(key: string, log: readonly CallEvent[], viewer: Viewer): CallLength {
    return need(key).length(log, viewer);
  },
  swap(key: string, part: string, units: UnitSystem): SwapView | undefined {
    return need(key).swap(part, units);
  },
  willItFit(key: string, part: string, values: readonly PartValue[]): Fit | { readonly problem: string } {
    return need(key).willItFit(part, values);
  },
  guide(key: string, units: UnitSystem): Guide {
    return need(key).guide(units);
  },
  readings(
    key: string,
    entries: readonly MachineEntry[],
    kept: readonly KeptLimit[],
    units: UnitSystem,
  ): ReadingsView[] {
    return need(key).readings(entries, kept, units);
  },
  readLog(key: string, log: MeterLog, hung: readonly HungAt[]): LogReading {
    return need(key).readLog(log, hung);
  },
  whereToHang(key: string, log: readonly CallEvent[]): Hang[] {
    return need(key).whereToHang(log);
  },
  find(key: string, sought: readonly Sought[]): Found[] {
    return need(key).find(sought);
  },
};

export type EngineApi = typeof api;
expose(api);
