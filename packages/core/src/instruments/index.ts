/**
 * Instruments: meters that answer by themselves. What they can be set to, what they say (the protocol), when a reading may be
 * taken (listening), and simulated ones in front of a virtual appliance.
 */
export {
  FUNCTION_IDS,
  type FunctionId,
  factsOf,
  functionsOf,
  INSTRUMENT_KINDS,
  type InstrumentKind,
} from './functions';
export { type Display, digitsOf, unitOf } from './display';
export { type Doubt, force, hear, type Heard, listen, type Listening } from './listening';
export {
  type FromInstruments,
  type Garbled,
  type InstrumentCard,
  LONGEST_LINE,
  type MachineSetup,
  PROTOCOL,
  readFromInstruments,
  readToInstruments,
  toLine,
  type ToInstruments,
} from './protocol';
export {
  calibrationDue,
  type Classes,
  classWords,
  instrumentsBy,
  MEASURED_BY,
  readClass,
  usualClass,
} from './register';
export { type Act, type BenchState, type OnBench, readAct, SPEEDS } from './simulated/acts';
export { notThere, type Place } from './simulated/place';
export { SimulatedInstrument } from './simulated/simulated-instrument';
export { type Flue, type Truth, truthOf } from './simulated/truth';
export { type AskedOfInstrument, type Span, type Wanted, wantedOf } from './wanted';
