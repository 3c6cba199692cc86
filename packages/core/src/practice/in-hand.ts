import {
  digitsOf,
  type Display,
  type FunctionId,
  type InstrumentCard,
  notThere,
  type Place,
  SimulatedInstrument,
  unitOf,
} from '../instruments';
import type { Model } from '../profile';
import type { Now, Random } from '../simulation';
import type { Millis } from '../units';

const METER: InstrumentCard = { id: 'm', kind: 'multimeter', title: 'Meter', serial: 'ZM-0001' };
const CARDS: readonly InstrumentCard[] = [
  METER,
  { id: 'c', kind: 'clamp', title: 'Clamp', serial: 'ZC-0001' },
  { id: 'g', kind: 'manometer', title: 'Manometer', serial: 'ZP-0001' },
  { id: 't', kind: 'thermometer', title: 'Thermometer', serial: 'ZT-0001' },
  { id: 'a', kind: 'analyser', title: 'Analyser', serial: 'ZA-0001' },
];

/** What burns well: an analyser in the flue shows about so much. */
const FLUE = { oxygen: 0.055, carbonMonoxide: 24e-6 };

/** What stands on the instrument in the hand. */
export interface InstrumentNow {
  readonly id: string;
  readonly title: string;
  readonly kind: InstrumentCard['kind'];
  readonly set: FunctionId;
  readonly place: Place;
  readonly digits: string;
  readonly unit: string;
}

/** The instruments of an exercise: one is in the hand, the others lie where they were put. */
export class InHand {
  readonly #instruments: ReadonlyMap<string, SimulatedInstrument>;
  #hand = METER.id;
  #shown: Omit<Display, 'at'> | undefined;

  constructor(
    private readonly model: Model,
    random: Random,
  ) {
    this.#instruments = new Map(CARDS.map((card) => [card.id, new SimulatedInstrument(card, model, random, FLUE)]));
  }

  get #held(): SimulatedInstrument {
    return this.#instruments.get(this.#hand)!;
  }

  get place(): Place {
    return this.#held.place;
  }

  get set(): FunctionId {
    return this.#held.set;
  }

  /** What it showed last; nothing before anybody looked. */
  get shown(): Omit<Display, 'at'> | undefined {
    return this.#shown;
  }

  /** Takes another instrument in the hand; an id that is none changes nothing. */
  take(id: string): void {
    if (this.#instruments.has(id)) this.#hand = id;
  }

  turn(set: FunctionId): void {
    this.#held.turn(set);
  }

  /** Puts probes somewhere; in words why not. */
  put(place: Place): string | undefined {
    const why = notThere(this.model, place);
    if (why === undefined) this.#held.put(place);
    return why;
  }

  /** It shows what its probes meet. `real` is the time of whoever looks, `before` what the machine did so long ago. */
  look(real: Millis, before: (ago: Millis) => Now): InstrumentNow & { readonly accident: boolean } {
    const { accident, ...shown } = this.#held.show(real, before);
    this.#shown = shown;
    const { card, set, place } = this.#held;
    return {
      id: card.id,
      title: card.title,
      kind: card.kind,
      set,
      place,
      digits: digitsOf(shown),
      unit: unitOf(shown),
      accident,
    };
  }
}
