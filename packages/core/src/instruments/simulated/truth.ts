import { measureVolts } from '../../circuit';
import { findPart, type Model } from '../../profile';
import { ampsThrough, kindOf, ohmsBetween, SHOWN_OF_RECTIFIED, voltsRangeOf, waveBetween } from '../../question';
import { type CircuitState, type Now, quantityAt } from '../../simulation';
import type { FunctionId } from '../functions';
import { factsOf } from '../functions';
import { netOf, type Place } from './place';

/** What an instrument that errs in nothing would show, SI. */
export type Truth =
  | { readonly is: 'value'; readonly value: number }
  /** Nothing joins the probes: what couples in is about so much. */
  | { readonly is: 'ghost'; readonly mean: number }
  | { readonly is: 'over' }
  /** Ohms where there is voltage: the number means nothing, and the meter may not survive it. */
  | { readonly is: 'accident' };

const value = (value: number): Truth => ({ is: 'value', value });
const ghost = (mean: number): Truth => ({ is: 'ghost', mean });

/** What is in the air of a place where nothing burns (dry air, shares). */
const AIR = { oxygen: 0.209, 'carbon-dioxide': 0.0004, 'carbon-monoxide': 0 } as const;
type FlueFunction = keyof typeof AIR;
/** Carbon dioxide of natural gas burnt without any air to spare, share (stoichiometry of methane, dry). */
const MOST_CARBON_DIOXIDE = 0.117;

/** What an analyser shows of a flue while the burner burns, shares; the model of an appliance knows nothing of it. */
export interface Flue {
  readonly oxygen: number;
  readonly carbonMonoxide: number;
}

/** More than this between its leads, and an ohmmeter shows nothing that means anything, volts. */
const LIVE = 0.2;
/** Probes that touch nothing pick up about so much, volts. */
const HANGING = 0.8;
/** From here on a display says OL, ohms. */
const OPEN = 60e6;

/** What an instrument set to a function shows where it is, at a moment of an appliance. */
export function truthOf(model: Model, now: Now, place: Place, set: FunctionId, flue?: Flue): Truth {
  switch (factsOf(set).dimension) {
    case 'voltage':
      return volts(model, now, place, set);
    case 'resistance':
      return ohms(model, now, place);
    case 'current':
      return set === 'ua-dc' ? reading(model, now, place, 'current', 0) : amps(model, now, place, set);
    case 'capacitance':
      return dead(model, now, place, 'farads') ?? value(0);
    case 'pressure':
      return reading(model, now, place, 'pressure', 0);
    case 'temperature':
      return reading(model, now, place, 'temperature', ROOM);
    case 'fraction':
      return value(flueGas(model, now, place, set as FlueFunction, flue));
    default:
      return value(0);
  }
}

/** A room, kelvin. */
const ROOM = 293.15;

const circuitAt = ({ lived: { trace }, at }: Now): CircuitState =>
  (trace.circuits.findLast((c) => c.from <= at) ?? trace.circuits[0]!).circuit;

function volts(model: Model, now: Now, place: Place, set: FunctionId): Truth {
  if (place.at === 'nowhere') return set === 'v-ac' ? ghost(HANGING) : value(0);
  if (place.at !== 'points') return value(0);
  const pair = { red: netOf(model, place.red), black: netOf(model, place.black) };
  const { solution } = circuitAt(now);
  const measured = measureVolts(
    solution,
    pair.red,
    pair.black,
    set === 'v-ac-low' ? 'low-impedance' : 'high-impedance',
  );
  const alternating = set === 'v-ac' || set === 'v-ac-low';
  const wave = waveBetween(model, pair);
  if (measured.kind === 'ghost')
    return set === 'v-ac' && wave !== 'flat' ? ghost(voltsRangeOf(model, pair).ghost) : value(0);
  const sign = solution.re[pair.red]! < solution.re[pair.black]! ? -1 : 1;
  switch (wave) {
    case 'sine':
      return value(alternating ? measured.volts : 0);
    case 'flat':
      return value(alternating ? 0 : sign * measured.volts);
    default:
      return value(measured.volts * SHOWN_OF_RECTIFIED[alternating ? 'ac' : 'dc']);
  }
}

function ohms(model: Model, now: Now, place: Place): Truth {
  if (place.at === 'points') {
    const red = netOf(model, place.red);
    const black = netOf(model, place.black);
    const circuit = circuitAt(now);
    const stands = measureVolts(circuit.solution, red, black, 'high-impedance');
    if (stands.kind === 'volts' && stands.volts > LIVE) return { is: 'accident' };
    const between = ohmsBetween(model, circuit, red, black);
    return between < OPEN ? value(between) : { is: 'over' };
  }
  return dead(model, now, place, 'ohms') ?? { is: 'over' };
}

/** Of a part that is isolated; nothing where the instrument is elsewhere. */
function dead(model: Model, now: Now, place: Place, kind: 'ohms' | 'farads'): Truth | undefined {
  if (place.at !== 'part') return undefined;
  const { index } = findPart(model, place.part)!;
  const question = { kind, part: index, branch: place.branch };
  const foretold = kindOf(question).predict(model, now.lived, question);
  if (foretold.kind === 'ohms') return foretold.ohms < OPEN ? value(foretold.ohms) : { is: 'over' };
  return value(foretold.kind === 'number' ? foretold.value : 0);
}

/** A clamp for alternating current sees nothing of direct current, and one for direct current reads the mean of the other: nothing. */
function amps(model: Model, now: Now, place: Place, set: FunctionId): Truth {
  if (place.at !== 'part') return value(0);
  const branch = findPart(model, place.part)!.branches.find((b) => b.name === place.branch)!;
  if ((branch.frequency === 'dc') !== (set === 'a-dc')) return value(0);
  return value((place.turns ?? 1) * ampsThrough(model, circuitAt(now), branch));
}

function reading(model: Model, { lived, at }: Now, place: Place, dimension: string, otherwise: number): Truth {
  const gauge = place.at === 'gauge' ? model.gauges.find((g) => g.id === place.gauge) : undefined;
  const quantity = gauge && model.quantities[gauge.quantity]!;
  if (!quantity || quantity.dimension !== dimension) return value(otherwise);
  return value(quantityAt(lived.trace, quantity.index, at));
}

/** Where the profile has a measurement of carbon dioxide, that is what burns there; oxygen follows it. */
function flueGas(model: Model, { lived, at }: Now, place: Place, set: FlueFunction, flue: Flue | undefined): number {
  const goal = model.phases.find((p) => p.goal);
  const burns = goal !== undefined && lived.trace.cues[goal.index]!.some((c) => c.from <= at && at <= c.to);
  if (place.at !== 'flue' || !burns || !flue) return AIR[set];
  if (set === 'carbon-monoxide') return flue.carbonMonoxide;
  const gauge = model.gauges.find((g) => model.quantities[g.quantity]!.dimension === 'fraction');
  const dioxide = gauge
    ? quantityAt(lived.trace, gauge.quantity, at)
    : MOST_CARBON_DIOXIDE * (1 - flue.oxygen / AIR.oxygen);
  return set === 'carbon-dioxide' ? dioxide : AIR.oxygen * (1 - dioxide / MOST_CARBON_DIOXIDE);
}
