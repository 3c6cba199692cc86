import { COPPER_ALPHA_20 } from '../winding';

const T20 = 293.15;

/** Ohms of a copper winding at another temperature: R2 = R1·(1 + α(T2 − 20))/(1 + α(T1 − 20)) (IEC 60028). K, −50 to 150 °C. */
export const copperAt = (ohms: number, from: number, to: number): number =>
  (ohms * (1 + COPPER_ALPHA_20 * (to - T20))) / (1 + COPPER_ALPHA_20 * (from - T20));

/** How warm a copper winding is by its ohms, K: the inverse of `copperAt`. */
export const copperWarmth = (cold: number, from: number, hot: number): number =>
  T20 - 1 / COPPER_ALPHA_20 + (hot / cold) * (from - T20 + 1 / COPPER_ALPHA_20);

/** Diameter of a wire by its number, m: 0.127 mm·92^((36 − n)/39) (ASTM B258). 1/0 is 0, 2/0 is −1. */
export const wireDiameter = (gauge: number): number => 0.127e-3 * 92 ** ((36 - gauge) / 39);

/** Ohms per metre of a solid copper wire at 20 °C: 1/(58 S·m/mm²·A) (IEC 60028). Stranded has 2 % more. */
export const wireOhms = (gauge: number): number => 1 / (58e6 * (Math.PI / 4) * wireDiameter(gauge) ** 2);

/** Volts lost on the way out and back. Wire number, m one way, A. */
export const wireDrop = (gauge: number, oneWay: number, amperes: number): number =>
  2 * oneWay * amperes * wireOhms(gauge);

/** Ohms of an element by its plate: V²/P. */
export const elementOhms = (volts: number, watts: number): number => volts ** 2 / watts;

/** Power of an element at other volts: P·(V'/V)². */
export const elementPower = (watts: number, volts: number, at: number): number => watts * (at / volts) ** 2;

/** Ohms inside a source, from its volts open and under a load: R_L·(E/V − 1). */
export const sourceOhms = (open: number, loaded: number, load: number): number => load * (open / loaded - 1);

/** Volts that a source leaves at a load. */
export const loadedVolts = (open: number, inside: number, load: number): number => (open * load) / (load + inside);

/** Farads of a run capacitor by its current and the volts across it: I/(2π·f·V). */
export const runningCapacitance = (amperes: number, volts: number, hertz: number): number =>
  amperes / (2 * Math.PI * hertz * volts);

/** Slip of an induction motor: share of the speed of its field that it lags behind. Poles, turns per minute, Hz. */
export const slip = (poles: number, turns: number, hertz: number): number => 1 - turns / ((120 * hertz) / poles);

/** Current of a conductor that goes several times through the jaw of a clamp. */
export const throughLoop = (reading: number, passes: number): number => reading / passes;
