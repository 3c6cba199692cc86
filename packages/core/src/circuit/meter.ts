import type { Solution } from './solve';

/** How a voltmeter loads the circuit: the usual 10 MΩ, or a low-impedance range that makes ghosts vanish. */
export type MeterInput = 'high-impedance' | 'low-impedance';

const INPUT_OHMS: Readonly<Record<MeterInput, number>> = { 'high-impedance': 10e6, 'low-impedance': 3000 };

export type Measured =
  /** The probes are joined by the circuit: a true voltage, RMS. */
  | { readonly kind: 'volts'; readonly volts: number }
  /** Nothing joins the probes: the display shows whatever couples in from neighbouring wires. */
  | { readonly kind: 'ghost' };

/**
 * What a voltmeter shows between two nodes, its own input resistance being part of the circuit (Thévenin).
 * Floating pairs read as a ghost on a high-impedance meter and as zero on a low-impedance one.
 */
export function measureVolts(solution: Solution, red: number, black: number, input: MeterInput): Measured {
  if (solution.island[red] !== solution.island[black])
    return input === 'low-impedance' ? { kind: 'volts', volts: 0 } : { kind: 'ghost' };
  const dr = solution.re[red]! - solution.re[black]!;
  const di = solution.im[red]! - solution.im[black]!;
  const open = Math.hypot(dr, di);
  if (open < 1e-9) return { kind: 'volts', volts: 0 };
  if (input === 'high-impedance' && solution.stiff[red] === solution.stiff[black])
    return { kind: 'volts', volts: open };
  const [zr, zi] = solution.impedanceBetween(red, black);
  const load = INPUT_OHMS[input];
  return { kind: 'volts', volts: (open * load) / Math.hypot(load + zr, zi) };
}
