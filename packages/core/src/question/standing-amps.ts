import type { Branch, Model } from '../profile';
import type { CircuitState, Interval, Trace } from '../simulation';

/** Currents within this share of each other are one on the display. */
const SAME_WITHIN = 0.05;
/** What the last state of a run counts, milliseconds: it stands for as long as anybody cares to look. */
const STANDS = 600_000;

/** Amperes through a branch over a stretch of a trace: what flows for the longest part of it. */
export function ampsIn(model: Model, trace: Trace, branch: Branch, window: Interval): number {
  const stands: { amps: number; weight: number }[] = [];
  for (const stretch of trace.circuits) {
    if (stretch.to < window.from || stretch.from > window.to) continue;
    const lasts = window.to >= trace.end && stretch.to === trace.end && !trace.cycle;
    const weight =
      Math.max(1, Math.min(stretch.to, window.to) - Math.max(stretch.from, window.from)) + (lasts ? STANDS : 0);
    const amps = ampsThrough(model, stretch.circuit, branch);
    const same = stands.find((s) => Math.abs(s.amps - amps) <= SAME_WITHIN * Math.max(s.amps, amps));
    if (same) same.weight += weight;
    else stands.push({ amps, weight });
  }
  return stands.reduce((most, s) => (s.weight > most.weight ? s : most), { amps: 0, weight: 0 }).amps;
}

/** RMS amperes through a branch of a solved circuit; an open one is not part of it. */
export function ampsThrough({ parts }: Model, { circuit, solution }: CircuitState, { part, name, a }: Branch): number {
  const { id } = parts[part]!;
  const element = circuit.elements.find((e) => e.id === `${id}.${name}` || e.id === id);
  if (!element) return 0;
  const amps = Math.hypot(...solution.current(element));
  return element.type === 'transformer' && element.secondary.includes(a) ? amps / element.ratio : amps;
}
