import type { AskedMessage } from '../question';
import type { Dimension } from '../units';
import type { Drawing } from './drawing';
import type { LadderView } from './ladder-view';
import { type Asked, sayAsked } from './say';

/** What somebody chose to measure, asked as a proposed test is asked. */
export interface Tapped {
  readonly asked: Asked;
  /** What a bare number answers. */
  readonly form: { readonly dimension: Dimension; readonly unit?: 'mV' };
  /** What a sound appliance shows there, where the drawing knows it. */
  readonly good: string | undefined;
  /** What it shows there if it is bad, and who that would be. */
  readonly bad: { readonly shows: string; readonly suspect: string } | undefined;
  /** The points its probes go to, red first; empty when it is no voltage. */
  readonly probes: readonly string[];
  /** What can hurt there. */
  readonly cautions: readonly string[];
  /** Why nobody ever measures there; nothing where one may. */
  readonly never: string | undefined;
}

/** Points, or a part and one of its passages, or a gauge, as they were tapped at a step. Asks no engine. */
export function tapped(drawing: Drawing, ladder: LadderView, names: readonly string[], at: string): Tapped {
  const [first = '', second] = names;
  const { hazards } = drawing;
  const noProbes = { good: undefined, bad: undefined, probes: [], never: undefined };
  const gauge = drawing.gauges.find((g) => g.id === first);
  if (gauge)
    return {
      ...noProbes,
      cautions: hazards.gauges[first]?.cautions ?? [],
      asked: sayAsked({ message: 'read-gauge', data: gauge }),
      form: { dimension: gauge.dimension },
    };
  const part = drawing.parts.find((p) => p.id === first);
  if (part) {
    const dimension = drawing.words.capacitors.includes(first) ? 'capacitance' : 'resistance';
    const data = { part: part.title, branch: second ?? '', dimension } as const;
    return {
      ...noProbes,
      cautions: hazards.parts[first]?.cautions ?? [],
      asked: sayAsked({ message: 'measure-dead', data }),
      form: { dimension },
    };
  }
  const point = drawing.points[first];
  const black = second ?? point?.black ?? '';
  const met = [first, black].flatMap((net) => hazards.nets[net] ?? []);
  const known = black === point?.black ? ladder.nets[first] : undefined;
  return {
    asked: sayAsked(voltsBetween(drawing, first, black, at)),
    form: { dimension: 'voltage', ...(drawing.words.millivolts.includes(first) && { unit: 'mV' }) },
    good: known?.good,
    bad: known?.bad,
    probes: black === '' ? [] : [first, black],
    cautions: [...new Set(met.flatMap((h) => h.cautions))],
    never: met.some((h) => h.never) ? NEVER : undefined,
  };
}

/** Common practice, no source. */
const NEVER = 'Never volts on a sparking terminal: kilovolts. Look at the spark.';

function voltsBetween(drawing: Drawing, red: string, black: string, at: string): AskedMessage {
  const place = (net: string) => {
    const reach = drawing.points[net]?.reach;
    return reach === undefined ? { net } : { net, reach };
  };
  return {
    message: 'measure-volts',
    data: {
      range: drawing.points[red]?.range ?? drawing.points[black]?.range ?? 'ac-volts',
      red: place(red),
      black: place(black),
      step: drawing.phases.find((p) => p.id === at)?.title,
    },
  };
}
