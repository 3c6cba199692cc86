/** What one hypothesis says a question will answer. */
export type Prediction =
  /** Index of the answer expected, out of so many; 0 where they are not equally common, and the fit says how common each is. */
  | { readonly kind: 'choice'; readonly answer: number; readonly of: number }
  /**
   * A steady voltage; `absent` when the phase never comes under the hypothesis and the stuck state was taken. In a slow
   * cycle somebody may come in its shorter part, and reads that one as steadily.
   */
  | {
      readonly kind: 'volts';
      readonly volts: number;
      readonly absent: boolean;
      readonly shorter?: ShorterPart;
      readonly reach?: Reach;
    }
  | { readonly kind: 'unsteady'; readonly low: number; readonly high: number; readonly absent: boolean }
  /** Probes not joined by the circuit: whatever couples in. */
  | { readonly kind: 'ghost'; readonly absent: boolean }
  /** Of a part that is isolated; a switch that opens and closes, in either state. */
  | {
      readonly kind: 'ohms';
      readonly ohms: number;
      readonly tolerance: number;
      readonly shorter?: ShorterPart;
      readonly reach?: Reach;
    }
  | {
      readonly kind: 'number';
      readonly value: number;
      readonly tolerance: number;
      readonly absent: boolean;
      readonly reach?: Reach;
    }
  /** The phase never comes: no time, no reading. */
  | { readonly kind: 'never' };

/** Between what the value lies where it is not known better, in the unit of the prediction. */
export interface Reach {
  readonly low: number;
  readonly high: number;
  /** Evenly by the logarithm. */
  readonly byFactors?: true;
  /** The farther gone the part is, the less it is. */
  readonly falls?: true;
}

/** What stands in the shorter part of a slow cycle, in the unit of the prediction, and its share of the time. */
interface ShorterPart {
  readonly value: number;
  readonly share: number;
}

/** Whether two predictions are the same to the last digit. */
export function equal(a: Prediction, b: Prediction): boolean {
  switch (a.kind) {
    case 'choice':
      return b.kind === 'choice' && a.answer === b.answer;
    case 'volts':
      return b.kind === 'volts' && a.volts === b.volts && a.absent === b.absent && sameShorter(a.shorter, b.shorter);
    case 'unsteady':
      return b.kind === 'unsteady' && a.low === b.low && a.high === b.high && a.absent === b.absent;
    case 'ghost':
      return b.kind === 'ghost' && a.absent === b.absent;
    case 'ohms':
      return b.kind === 'ohms' && a.ohms === b.ohms && a.tolerance === b.tolerance && sameShorter(a.shorter, b.shorter);
    case 'number':
      return b.kind === 'number' && a.value === b.value && a.tolerance === b.tolerance && a.absent === b.absent;
    case 'never':
      return b.kind === 'never';
  }
}

const sameShorter = (a: ShorterPart | undefined, b: ShorterPart | undefined): boolean =>
  a?.value === b?.value && a?.share === b?.share;

/** Whether the step of a reading does not come under the hypothesis. */
export const isAbsent = (p: Prediction): boolean => 'absent' in p && p.absent;

/** Beyond what a hand-held meter reads, OL and a huge value are the same. */
export const readsOpen = (ohms: number): boolean => ohms > 5e6;
