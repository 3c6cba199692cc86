import { type Circuit, type Element, type Solution, solve } from '../circuit';
import type { Model, NetIndex } from '../profile';
import type { CircuitState } from '../simulation';

/** What a primary winding is taken for where its profile does not say, ohms. */
const PRIMARY_OHMS = 20;

/** By solved circuit: what an ohmmeter finds of it once the power is off. */
const known = new WeakMap<CircuitState, Solution>();

/** Ohms between two points of a circuit as it is wired and stands, the power off; infinite where nothing joins them. */
export function ohmsBetween(model: Model, state: CircuitState, red: NetIndex, black: NetIndex): number {
  let solution = known.get(state);
  if (!solution) known.set(state, (solution = solve(dead(model, state.circuit))));
  if (solution.island[red] !== solution.island[black]) return Infinity;
  return Math.hypot(...solution.impedanceBetween(red, black));
}

/** Direct current, and no source: coils are their copper, capacitors nothing, the windings of a transformer two. */
function dead(model: Model, circuit: Circuit): Circuit {
  const elements = circuit.elements.flatMap((e): Element[] => {
    if (e.type === 'source' || (e.type === 'impedance' && e.x < 0)) return [];
    if (e.type === 'impedance') return [{ ...e, x: 0 }];
    const spec = model.parts.find((p) => p.id === e.id)?.spec;
    const primary = Number(spec?.['primary-ohms'] ?? PRIMARY_OHMS);
    const winding = (id: string, [a, b]: readonly [number, number], r: number): Element => ({
      type: 'impedance',
      id: `${e.id}.${id}`,
      a,
      b,
      r,
      x: 0,
    });
    return [winding('primary', e.primary, primary), winding('secondary', e.secondary, e.r)];
  });
  return { ...circuit, elements };
}
