import type { Element } from '../circuit';
import type { Electrical } from './part-kind';

/** Where a passage is joined. */
interface Ends {
  readonly a: number;
  readonly b: number;
}

/** The element of a circuit that a passage of a part is; an open one, and one half of a transformer, has none. */
export function circuitElement(
  id: string,
  { a, b }: Ends,
  electrical: Electrical,
  /** The passage that it is coupled with, by name. */
  partner: (name: string) => Ends,
): Element | undefined {
  switch (electrical.type) {
    case 'open':
    case 'coupled-primary':
      return undefined;
    case 'impedance':
      return { type: 'impedance', id, a, b, r: electrical.r, x: electrical.x };
    case 'source':
      return { type: 'source', id, a, b, volts: electrical.volts, phase: 0, r: electrical.r, x: electrical.x };
    case 'coupled-secondary': {
      const primary = partner(electrical.primary);
      return {
        type: 'transformer',
        id,
        primary: [primary.a, primary.b],
        secondary: [a, b],
        ratio: electrical.ratio,
        r: electrical.r,
        x: electrical.x,
        magnetisingR: electrical.magnetisingR,
        magnetisingX: electrical.magnetisingX,
      };
    }
  }
}
