import { findPart, type Model } from '../profile';
import type { Dimension } from '../units';
import { SEALS, type SwapNote, swapNoteFor } from '../swap';
import { quantityWords, type Reader } from './reader';

/** What is told of a part that is taken out: how, on which points it hangs, and what of a new one can be put into the model. */
export interface SwapView {
  readonly title: string;
  readonly note: (Omit<SwapNote, 'seals'> & { readonly seals: readonly string[] }) | undefined;
  /** The points of the drawing that it hangs on. */
  readonly points: readonly string[];
  readonly fields: readonly { readonly field: string; readonly title: string; readonly is: string }[];
}

/** Of what a part is made, and not how often it fails or how fast it moves. */
const PUT_IN: ReadonlySet<string> = new Set<Dimension>([
  'resistance',
  'voltage',
  'current',
  'pressure',
  'temperature',
  'power',
  'capacitance',
  'length',
]);

export function swapView(model: Model, id: string, reader: Reader): SwapView | undefined {
  const part = findPart(model, id);
  if (!part) return undefined;
  const { kind, spec, branches } = part;
  const note = swapNoteFor(kind.name, model.family);
  const points = branches.flatMap(({ a, b }) => [a, b]).map((net) => model.nets[net]!);
  return {
    title: part.title,
    note: note && { ...note, seals: note.seals.map((seal) => SEALS[seal]) },
    points: [...new Set(points)].filter((net) => !net.startsWith('~')),
    fields: Object.entries(kind.fields).flatMap(([field, { type }]) => {
      const is = spec[field];
      const dimension = type === 'sensed' ? sensedBy(model, spec['senses']) : type;
      if (typeof is !== 'number' || dimension === undefined || !PUT_IN.has(dimension)) return [];
      return [{ field, title: field.replaceAll('-', ' '), is: quantityWords(is, dimension as Dimension, reader) }];
    }),
  };
}

const sensedBy = (model: Model, quantity: unknown): string | undefined =>
  model.quantities.find(({ id }) => id === quantity)?.dimension;
