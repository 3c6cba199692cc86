/** A number that we assume, until a shop's own record or a published source replaces it. */
export interface Assumption {
  readonly value: number;
  /** What it is the value of, with its unit. */
  readonly what: string;
  readonly why: string;
}

const COMMON = 'common practice, no source';

/** Everything that is assumed about people, instruments and appliances: what the shares on screen rest on. */
export const ASSUMPTIONS = {
  // Faults.
  healthyRate: { value: 2, what: 'rate of "nothing is broken", in units of fault rates', why: COMMON },
  unknownRate: {
    value: 0.5,
    what: 'rate of "something the model does not know", in units of fault rates',
    why: COMMON,
  },
  comesAndGoesShows: { value: 0.5, what: 'share of visits in which a fault that comes and goes shows', why: COMMON },
  disturbsNothing: {
    value: 0.3,
    what: 'how often somebody calls for a severity that disturbs nothing, beside one that does',
    why: COMMON,
  },
  pairShare: { value: 0.1, what: 'share of calls with two faults at once', why: COMMON },
  otherLikeListed: {
    value: 0.5,
    what: 'share of unlisted ways of failing that do something like a listed way of the same part',
    why: 'even odds: nothing is known',
  },
  otherUnlike: {
    value: 0.5,
    what: 'worth of an unlisted way that is like none of the listed, beside a blind guess',
    why: 'even odds: nothing is known',
  },
  badRepair: { value: 0.03, what: 'share of repairs with a bad, wrong or badly fitted new part', why: COMMON },
  badThoughMeasured: { value: 0.006, what: 'the same when the new part was measured before fitting', why: COMMON },
  curesForAWhile: {
    value: 0.01,
    what: 'share of repairs that cure for a while and then leave everything as it was',
    why: COMMON,
  },
  airAfterOpening: {
    value: 0.3,
    what: 'share of works on the gas pipe after which the first tries find air in it',
    why: 'depends on what was opened and how it was purged; ' + COMMON,
  },
  // People.
  misseen: { value: 0.04, what: 'share of cues misseen or misheard', why: COMMON },
  misjudgedOutcome: { value: 0.05, what: 'share of tries of which the end is misjudged', why: COMMON },
  miscountedCode: { value: 0.03, what: 'share of codes miscounted', why: COMMON },
  misreadVolts: { value: 0.02, what: 'share of voltages misread or taken at the wrong point', why: COMMON },
  misreadLine: {
    value: 0.004,
    what: 'the same read on the terminals of the line itself: what is far out there is read again before it is written',
    why: COMMON,
  },
  misreadOhms: { value: 0.015, what: 'share of dead tests misread', why: COMMON },
  misreadGauge: { value: 0.02, what: 'share of gauges misread', why: COMMON },
  mistimed: { value: 0.04, what: 'share of times misjudged', why: COMMON },
  mistold: { value: 0.2, what: 'share of complaints that say something else by telephone', why: COMMON },
  falseAlarm: {
    value: 0.2,
    what: 'how often something wrong is seen that is not there, as a share of how often it is overlooked',
    why: COMMON,
  },
  deadRig: {
    value: 0.05,
    what: 'share of tests with a source of one’s own in which that source, a clip or a lead of it is dead',
    why: COMMON,
  },
  readThoughAbsent: { value: 0.35, what: 'chance of a reading at a step that hardly comes', why: COMMON },
  repeatWorth: {
    value: 0.25,
    what: 'what each further reading of the same question adds, as a share of an independent one',
    why: 'the same person, meter and mistake',
  },
  // Work.
  minutesToReset: { value: 1, what: 'what pressing a reset takes, min', why: COMMON },
  minutesToReconnect: { value: 4, what: 'what remaking a joint or a plug takes, min', why: COMMON },
  minutesToCorrect: { value: 6, what: 'what setting something right takes, min', why: COMMON },
  minutesToClean: { value: 12, what: 'what cleaning a part takes, min', why: COMMON },
  minutesToRepair: { value: 20, what: 'what a repair on the spot takes, min', why: COMMON },
  minutesToReplace: { value: 40, what: 'what a new part takes, the way to the van included, min', why: COMMON },
  minutesToTryAgain: { value: 5, what: 'what one more try for heat takes, min', why: COMMON },
  // Instruments.
  meterShare: {
    value: 0.008,
    what: 'error of a voltmeter, share of the value',
    why: 'class of hand-held meters; ' + COMMON,
  },
  voltageTolerance: {
    value: 0.012,
    what: 'how voltages differ between sound installations beside what their sources do, share of the value',
    why: 'wires, joints and loads; ' + COMMON,
  },
  strayShare: { value: 0.25, what: 'share of dead wires beside live ones that show a little', why: COMMON },
  steadyThoughUnsteady: {
    value: 0.15,
    what: 'chance that an unsteady voltage is written down as one value',
    why: COMMON,
  },
  wandersThoughSteady: { value: 0.02, what: 'chance that a steady voltage is written down as wandering', why: COMMON },
  ghostWanders: { value: 0.3, what: 'chance that a ghost is written down as wandering', why: COMMON },
  numberReadWithin: { value: 0.02, what: 'error of a gauge or watch, share of the value', why: COMMON },
  timingTolerance: { value: 0.12, what: 'how the times of sound appliances of one type differ, share', why: COMMON },
  clockSpread: {
    value: 0.1,
    what: 'how far the clock of one control is off, which moves all its steps together, share',
    why: COMMON,
  },
  leadOhms: { value: 0.25, what: 'ohms that leads and contacts add or not, Ω', why: COMMON },
  contactOhms: { value: 0.08, what: 'what is left of that once other readings told of the leads, Ω', why: COMMON },
  warmthOfOhms: {
    value: 0.06,
    what: 'what a cold or a warm room makes of the ohms of all parts together, share',
    why: 'copper: 0.393 % per K from 20 °C (IEC 60028, from memory), 15 K to either side',
  },
  leastOhms: { value: 0.1, what: 'what an ohmmeter tells from nothing, Ω', why: COMMON },
  pressureFloor: { value: 5, what: 'smallest error of a pressure, Pa (0.02 in w.c.)', why: COMMON },
  currentFloor: { value: 0.15e-6, what: 'smallest error of a flame signal, A', why: COMMON },
  clampedWithin: {
    value: 0.06,
    what: 'how currents differ between sound installations, beside what the ohms of the part do, share of the value',
    why: 'the volts behind them, and clamps of class 2 to 3; ' + COMMON,
  },
  asWiredTolerance: {
    value: 0.1,
    what: 'how ohms of what is not isolated differ between sound appliances, share of the value',
    why: 'several parts and their joints; ' + COMMON,
  },
  clampFloor: { value: 0.03, what: 'smallest error of a clamp round one wire, A', why: COMMON },
  capacitanceFloor: { value: 0.05e-6, what: 'smallest error of a capacitor range, F', why: COMMON },
  temperatureFloor: { value: 2, what: 'smallest error of a thermometer, K', why: COMMON },
  fractionFloor: { value: 0.002, what: 'smallest error of an analyser, share of the gas', why: COMMON },
  lengthFloor: { value: 0.0003, what: 'smallest error of a gap gauge, m', why: COMMON },
  anyFloor: { value: 0.01, what: 'smallest error of any other gauge, SI', why: COMMON },
  earlyShare: { value: 0.6, what: 'a step is early before this share of its time on a sound appliance', why: COMMON },
  earlySeconds: { value: 2, what: 'and so much before that, s', why: COMMON },
  lateShare: { value: 1.4, what: 'a step is late after this share of its time on a sound appliance', why: COMMON },
  lateSeconds: { value: 5, what: 'and so much after that, s', why: COMMON },
  timingFloor: { value: 1, what: 'smallest error of a time taken by hand, s', why: COMMON },
} as const satisfies Readonly<Record<string, Assumption>>;

/** The values alone, by name. */
export const ASSUMED = Object.fromEntries(
  Object.entries(ASSUMPTIONS).map(([name, { value }]) => [name, value]),
) as Readonly<Record<keyof typeof ASSUMPTIONS, number>>;
