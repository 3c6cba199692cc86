import { measureVolts } from '@zetalysis/core/circuit';
import { codeWords, OUTCOME_WORDS } from '@zetalysis/core/presentation';
import { type Model, unknownName } from '@zetalysis/core/profile';
import { codeShown } from '@zetalysis/core/question';
import {
  CircuitStates,
  type FaultRef,
  findFault,
  NORMAL_SETUP,
  quantityAt,
  run,
  type Trace,
} from '@zetalysis/core/simulation';
import { inSeconds } from '@zetalysis/core/units';
import { parseArgs } from 'node:util';
import { openProfile } from './files';
import type { Command } from './main';
import { UsageError } from './usage';

export interface Simulated {
  readonly model: Model;
  readonly faults: readonly FaultRef[];
  readonly trace: Trace;
}

/** Reads PROFILE, --variant and --fault, and runs one try for heat. */
export function simulateFrom(id: string | undefined, variant: string | undefined, names: readonly string[]): Simulated {
  if (id === undefined) throw new UsageError('name a profile: zetalysis profiles lists them');
  const model = openProfile(id, variant === undefined ? {} : { variant });
  const faults = names.map((name) => {
    try {
      return findFault(model, name);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      const known = model.parts.flatMap((p) => p.modes.filter((m) => m.other !== true).map((m) => `${p.id}.${m.id}`));
      throw new UsageError(unknownName('fault', name, known));
    }
  });
  return { model, faults, trace: run(new CircuitStates(model), faults, NORMAL_SETUP) };
}

export const simulate: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      fault: { type: 'string', multiple: true, default: [] },
      variant: { type: 'string' },
      json: { type: 'boolean', default: false },
      csv: { type: 'boolean', default: false },
      log: { type: 'string' },
      lasts: { type: 'string', default: '120' },
    },
  });
  if ([values.json, values.csv, values.log !== undefined].filter(Boolean).length > 1)
    throw new UsageError('choose one of --json, --csv and --log');
  const { model, trace } = simulateFrom(positionals[0], values.variant, values.fault);
  if (values.log !== undefined) return { text: asLog(model, trace, values.log, values.lasts), exit: 0 };
  if (values.csv) return { text: asCsv(model, trace), exit: 0 };
  if (values.json) return { text: asJson(model, trace, values.fault), exit: 0 };
  return { text: asText(model, trace, values.fault), exit: 0 };
};

/** Volts between two nets in a segment of a run; not a number where nothing joins the probes. */
function voltsIn(trace: Trace, segment: number, red: number, black: number): number {
  const m = measureVolts(trace.segments[segment]!.circuit.solution, red, black, 'high-impedance');
  return m.kind === 'volts' ? m.volts : NaN;
}

/** Rows a second of a logging meter. */
const LOG_RATE = 10;
/** A log longer than this is a mistake, seconds. */
const LOG_LASTS = 86_400;

/** What a logging meter writes that hangs on some points during the try: `R,GV` against their commons. */
function asLog(model: Model, trace: Trace, at: string, lasts: string): string {
  const seconds = Number(lasts);
  if (!(seconds > 0 && seconds <= LOG_LASTS))
    throw new UsageError(`--lasts takes seconds up to a day; "${lasts}" is not`);
  const points = at.split(',').map((name) => {
    const point = model.points.find((p) => model.nets[p.net]!.toLowerCase() === name.trim().toLowerCase());
    const known = model.points.map((p) => model.nets[p.net]!);
    if (!point) throw new UsageError(unknownName('test point', name.trim(), known));
    return point;
  });
  const header = ['time [s]', ...points.map((p) => `${model.nets[p.net]!}-${model.nets[p.black]!} [V]`)].join(',');
  const rows = Array.from({ length: Math.round(seconds * LOG_RATE) + 1 }, (_, i) => {
    const t = i / LOG_RATE;
    const moment = within(trace, t * 1000);
    const found = trace.segments.findIndex((s) => s.to > moment);
    const segment = found < 0 ? trace.segments.length - 1 : found;
    const cells = points.map((p) => Math.abs(voltsIn(trace, segment, p.net, p.black)) || 0);
    return [t.toFixed(1), ...cells.map((v) => v.toFixed(3))].join(',');
  });
  return [header, ...rows].join('\r\n');
}

/** A moment of a run that repeats, within what was run. */
const within = ({ cycle, end }: Trace, at: number): number =>
  cycle && at >= end ? cycle.from + ((at - cycle.from) % cycle.length) : at;

function asCsv(model: Model, trace: Trace): string {
  const channels = [...model.points.map((p) => model.nets[p.net]!), ...model.quantities.map((q) => q.id)];
  const rows = trace.segments.map(({ from }, i) => {
    const cells = [
      ...model.points.map((p) => voltsIn(trace, i, p.net, p.black)),
      ...model.quantities.map((q) => quantityAt(trace, q.index, from)),
    ];
    return [inSeconds(from), ...cells.map((c) => (Number.isNaN(c) ? '' : Number(c.toPrecision(6))))].join(',');
  });
  return [['time_s', ...channels].join(','), ...rows].join('\r\n');
}

function asJson(model: Model, trace: Trace, faults: readonly string[]): string {
  const voltsOf = (segment: number, { net, black }: { readonly net: number; readonly black: number }) => {
    const v = voltsIn(trace, segment, net, black);
    return [model.nets[net]!, Number.isNaN(v) ? null : Number(v.toPrecision(5))];
  };
  const result = {
    profile: model.id,
    faults,
    outcome: trace.outcome,
    code: trace.code,
    end: inSeconds(trace.end),
    cycle: trace.cycle ? { from: inSeconds(trace.cycle.from), length: inSeconds(trace.cycle.length) } : null,
    phases: model.phases.map((p) => ({
      id: p.id,
      seen: trace.cues[p.index]!.map((i) => [inSeconds(i.from), inSeconds(i.to)]),
      window: trace.windows[p.index]!.map((i) => [inSeconds(i.from), inSeconds(i.to)]),
    })),
    segments: trace.segments.map((s, i) => ({
      from: inSeconds(s.from),
      to: inSeconds(s.to),
      volts: Object.fromEntries(model.points.map((p) => voltsOf(i, p))),
    })),
  };
  return JSON.stringify(result, null, 2);
}

function asText(model: Model, trace: Trace, faults: readonly string[]): string {
  const lines = [`${model.title}${faults.length > 0 ? `, ${faults.join(' and ')}` : ', healthy'}`];
  for (const phase of model.phases) {
    const seen = trace.cues[phase.index]!;
    const times = seen
      .slice(0, 4)
      .map((i) => `${inSeconds(i.from)}–${i.to >= trace.end && !trace.cycle ? '…' : inSeconds(i.to)} s`);
    lines.push(
      `  ${phase.title.padEnd(28)} ${seen.length === 0 ? 'never' : times.join(', ')}${seen.length > 4 ? ', …' : ''}`,
    );
  }
  lines.push(`  ${OUTCOME_WORDS[trace.outcome]}; ${codeWords(codeShown(model, trace.code))}.`);
  if (trace.cycle) lines.push(`  Repeats for ever every ${inSeconds(trace.cycle.length)} s.`);
  return lines.join('\n');
}
