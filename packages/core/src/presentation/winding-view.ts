import type { WindingCourse } from '../bench';
import { formatNumber, type UnitSystem } from '../units';

/** The ohms of a winding over its temperature, as it is drawn: Ω upwards, °C or °F across. */
export interface WindingView {
  readonly across: Axis;
  readonly up: Axis;
  /** Zones, the widest first: the ohms of their ends at the left and at the right. */
  readonly zones: readonly { readonly kind: 'good' | 'marginal'; readonly low: Ends; readonly high: Ends }[];
  /** What was read, and what that is where the limits hold. */
  readonly read: Point;
  readonly corrected: Point;
  readonly words: string;
}

interface Axis {
  readonly unit: string;
  readonly from: number;
  readonly to: number;
  readonly ticks: readonly number[];
}
type Ends = readonly [number, number];
interface Point {
  readonly at: number;
  readonly ohms: number;
  readonly label: string;
}

/** The axis of temperature, in each system’s own round figures. */
const ACROSS = { si: { from: -20, to: 80, each: 20 }, us: { from: 0, to: 180, each: 30 } } as const;
const ABOVE = 1.12;

/** Draws a winding over its temperature. */
export function windingView(course: WindingCourse, system: UnitSystem): WindingView {
  const { from, to, each } = ACROSS[system];
  const kelvin = (t: number): number => (system === 'us' ? (t - 32) / 1.8 : t) + 273.15;
  const shown = (k: number): number => (system === 'us' ? (k - 273.15) * 1.8 + 32 : k - 273.15);
  const unit = system === 'us' ? '°F' : '°C';
  const { read, at20 } = course;
  const corners = (['marginal', 'good'] as const).map((kind) => ({
    kind,
    left: course.zone(kind, kelvin(from)),
    right: course.zone(kind, kelvin(to)),
  }));
  const ends = corners.flatMap(({ left, right }) => [left.from, left.to, right.from, right.to]);
  const known = [...ends.filter((v) => v !== undefined), read.ohms, at20.value];
  const step = roundStep((Math.max(...known) - Math.min(...known)) / 5);
  const bottom = Math.max(0, Math.floor((Math.min(...known) * 0.97) / step) * step);
  const top = Math.max(...known) * ABOVE - Math.min(...known) * (ABOVE - 1);
  return {
    across: { unit, from, to, ticks: range(from, to, each) },
    up: { unit: 'Ω', from: bottom, to: top, ticks: range(bottom, top, step) },
    zones: corners.map(({ kind, left, right }) => ({
      kind,
      low: [left.from ?? bottom, right.from ?? bottom],
      high: [left.to ?? top, right.to ?? top],
    })),
    read: {
      at: shown(read.kelvin),
      ohms: read.ohms,
      label: `${formatNumber(read.ohms, 3)} at ${formatNumber(shown(read.kelvin), 2)} ${unit}`,
    },
    corrected: { at: shown(293.15), ohms: at20.value, label: formatNumber(at20.value, 3) },
    words: `Ohms of the winding over its temperature: read ${formatNumber(read.ohms, 3)} Ω at ${formatNumber(shown(read.kelvin), 2)} ${unit}, which is ${formatNumber(at20.value, 3)} Ω at ${formatNumber(shown(293.15), 2)} ${unit}`,
  };
}

const range = (from: number, to: number, each: number): number[] =>
  Array.from({ length: Math.floor((to - from) / each + 1e-9) + 1 }, (_, i) => Number((from + i * each).toPrecision(6)));

/** One, two or five, times a power of ten. */
function roundStep(about: number): number {
  const power = 10 ** Math.floor(Math.log10(about));
  return ([1, 2, 5, 10].find((n) => n * power >= about) ?? 10) * power;
}
