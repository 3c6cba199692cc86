import type { FromInstruments, InstrumentCard, MachineSetup } from '@zetalysis/core/instruments';

/**
 * What brings instruments into the house: a simulated bench, or the driver of a real meter (serial, Bluetooth, USB). The hub
 * knows nothing else of it.
 */
export interface Adapter {
  readonly name: string;
  /** The appliance it simulates; nothing where the instruments are real. */
  readonly simulates: { readonly profile: string; readonly machine: string } | undefined;
  /** The instruments that are switched on. */
  instruments(): readonly InstrumentCard[];
  /** Begins to measure. Everything that happens is said to `say`, until `stop`. */
  start(say: (said: FromInstruments) => void): void;
  stop(): void;
  /** The call says how the machine stands: only a simulated one can follow. */
  follow?(setup: MachineSetup): void;
}
