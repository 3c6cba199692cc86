/**
 * A circuit at one frequency: nodes are numbered 0…n−1, elements join them.
 * Alternating current is treated as phasors (RMS magnitude, phase), direct current as the same with zero reactance.
 */
export type Frequency = 'ac' | 'dc';

/** Anything passive between two nodes, ohms. A closed contact is an impedance of a few milliohms; an open one is left out. */
interface ImpedanceElement {
  readonly type: 'impedance';
  readonly id: string;
  readonly a: number;
  readonly b: number;
  readonly r: number;
  readonly x: number;
}

/** A voltage source with its inner impedance; `a` is the positive end. Volts are RMS, phase in radians. */
interface SourceElement {
  readonly type: 'source';
  readonly id: string;
  readonly a: number;
  readonly b: number;
  readonly volts: number;
  readonly phase: number;
  readonly r: number;
  readonly x: number;
}

/**
 * Two windings coupled ideally, with the leakage impedance on the secondary side and the magnetising impedance across
 * the primary. `ratio` is secondary volts over primary volts without load.
 */
interface TransformerElement {
  readonly type: 'transformer';
  readonly id: string;
  readonly primary: readonly [number, number];
  readonly secondary: readonly [number, number];
  readonly ratio: number;
  readonly r: number;
  readonly x: number;
  readonly magnetisingR: number;
  readonly magnetisingX: number;
}

export type Element = ImpedanceElement | SourceElement | TransformerElement;

export interface Circuit {
  readonly nodeCount: number;
  /** The node all voltages are given against: chassis ground. */
  readonly ground: number;
  readonly elements: readonly Element[];
}
