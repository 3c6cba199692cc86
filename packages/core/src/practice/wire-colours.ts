import type { Model } from '../profile';
import { pick, Random } from '../simulation';

/** Colours that most installers keep to, by the name of the terminal (common practice, no source). */
const USUAL: Readonly<Record<string, string>> = {
  R: 'red',
  W: 'white',
  Y: 'yellow',
  G: 'green',
  C: 'blue',
  L1: 'black',
  L2: 'red',
  N: 'white',
};
const OTHERS = ['brown', 'orange', 'violet', 'grey', 'tan', 'pink', 'yellow', 'blue'];
/** From this level on, wires of a machine may have other colours than usual: a colour proves nothing. */
const OTHERWISE_FROM = 3;
const OTHERWISE = 0.25;

/** The colour of the wire at each test point of an exercise’s machine, by the point’s name; the same for everybody. */
export function wireColours(
  { nets, points }: Pick<Model, 'nets' | 'points'>,
  { level, seed }: { readonly level: number; readonly seed: number },
): Readonly<Record<string, string>> {
  const random = new Random(seed * 13 + 6);
  return Object.fromEntries(
    points.map(({ net }) => {
      const name = nets[net]!;
      const odd = random.next() < OTHERWISE && level >= OTHERWISE_FROM;
      const other = pick(OTHERS, random);
      return [name, odd ? other : (USUAL[name] ?? other)];
    }),
  );
}
