import type { Circuit, Frequency } from './circuit';
import { solve } from './solve';

/** Mains frequency of the modelled appliances, hertz. */
const MAINS_HERTZ = 60;

/**
 * Writes a circuit as a SPICE deck that any ngspice can run: `.ac` at mains frequency for alternating current, `.op`
 * for direct current. `names` gives a label per node; node numbers are used in the deck (ground is 0).
 * Reactances become inductors or capacitors of the right size at mains frequency; a transformer becomes two controlled
 * sources with its leakage and magnetising impedance.
 */
export function toSpice(circuit: Circuit, names: readonly string[], frequency: Frequency, title = 'circuit'): string {
  const lines: string[] = [`* ${title}`];
  const { island } = solve(circuit);
  const omega = 2 * Math.PI * MAINS_HERTZ;
  const node = (i: number): string => (i === circuit.ground ? '0' : `n${i}`);
  let serial = 0;
  const impedance = (a: string, b: string, r: number, x: number): void => {
    serial++;
    if (x === 0 || frequency === 'dc') {
      lines.push(`R${serial} ${a} ${b} ${Math.max(r, 1e-9)}`);
    } else if (r === 0) {
      lines.push(x > 0 ? `L${serial} ${a} ${b} ${x / omega}` : `C${serial} ${a} ${b} ${-1 / (x * omega)}`);
    } else {
      lines.push(`R${serial} ${a} m${serial} ${r}`);
      lines.push(x > 0 ? `L${serial} m${serial} ${b} ${x / omega}` : `C${serial} m${serial} ${b} ${-1 / (x * omega)}`);
    }
  };
  names.forEach((name, i) => lines.push(`* ${node(i)} = ${name}`));
  for (const e of circuit.elements) {
    lines.push(`* ${e.id}`);
    if (e.type === 'impedance') impedance(node(e.a), node(e.b), e.r, e.x);
    else if (e.type === 'source') {
      const inner = `s${++serial}`;
      lines.push(
        frequency === 'ac'
          ? `V${serial} ${inner} ${node(e.b)} DC 0 AC ${e.volts} ${(e.phase * 180) / Math.PI}`
          : `V${serial} ${inner} ${node(e.b)} DC ${e.volts}`,
      );
      impedance(inner, node(e.a), e.r, e.x);
    } else {
      const k = ++serial;
      const [p1, p2] = e.primary.map(node);
      const [s1, s2] = e.secondary.map(node);
      // The secondary is a voltage source of ratio × primary volts; its current, scaled, is drawn from the primary.
      lines.push(`Et${k} t${k} ${s2} ${p1} ${p2} ${e.ratio}`);
      lines.push(`Vt${k} t${k} u${k} DC 0 AC 0`);
      lines.push(`Ft${k} ${p1} ${p2} Vt${k} ${e.ratio}`);
      impedance(`u${k}`, s1!, e.r, e.x);
      impedance(p1!, p2!, e.magnetisingR, e.magnetisingX);
    }
  }
  // A floating part of the circuit has no voltage of its own; ngspice wants one all the same. One tie carries no current.
  const tied = new Set([island[circuit.ground]]);
  for (let i = 0; i < circuit.nodeCount; i++) {
    if (tied.has(island[i])) continue;
    tied.add(island[i]);
    lines.push(`Rf${i} ${node(i)} 0 1`);
  }
  lines.push(frequency === 'ac' ? `.ac lin 1 ${MAINS_HERTZ} ${MAINS_HERTZ}` : '.op', '.end');
  return lines.join('\n') + '\n';
}
