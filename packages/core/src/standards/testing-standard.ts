/**
 * Where practitioners differ. A standard changes limits, and which kind of test is reached for first; it never changes
 * what the appliance does.
 */
export interface TestingStandard {
  /** How an open device is looked for: volts to common, volts across it, dead ohms, or a momentary bypass. */
  readonly probing: 'to-common' | 'across' | 'dead-ohms' | 'bypass';
  /** Most a closed contact may show isolated, leads taken off, ohms. */
  readonly contactOhms: number;
  /** Working minimum of a thermocouple, open circuit, volts. */
  readonly thermocoupleVolts: number;
  /** Widest spark gap that is accepted, metres: an eighth of an inch, or up to three sixteenths. */
  readonly sparkGap: number;
  /** Share of its book value within which a winding is good; twice that is marginal. */
  readonly windingShare: number;
  /** Best test first, or terminal by terminal from source to load. */
  readonly order: 'best-first' | 'terminal-by-terminal';
}

/** Common practice, no source. */
export const USUAL_STANDARD: TestingStandard = {
  probing: 'to-common',
  contactOhms: 1,
  thermocoupleVolts: 0.02,
  sparkGap: 0.0047625,
  windingShare: 0.1,
  order: 'best-first',
};
