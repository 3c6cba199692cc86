import type { Model, PartIndex } from '../profile';

/** A plug with all its pins, or a wire. */
interface Joint {
  readonly id: string;
  readonly title: string;
  readonly parts: readonly PartIndex[];
}

const known = new WeakMap<Model, readonly Joint[]>();

/** Everything that is joined: plugs first, then wires and bonds. */
export function jointsOf(model: Model): readonly Joint[] {
  let joints = known.get(model);
  if (!joints) {
    const plugs = model.plugs.map(({ id, title, pins }) => ({
      id,
      title,
      parts: pins.map((pin) => model.branches[pin]!.part),
    }));
    const wires = model.parts
      .filter((p) => p.kind.name === 'wire' && !p.testOnly)
      .map(({ id, title, index }) => ({ id, title, parts: [index] }));
    known.set(model, (joints = [...plugs, ...wires]));
  }
  return joints;
}
