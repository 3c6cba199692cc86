import { solve } from '../circuit';
import { circuitElement, CLOSED, type Electrical, type FaultMode, factors, inBand } from '../parts';
import type { Branch, Part } from './model';

/**
 * What a contact in poor state takes of the volts that its load needs: from a few hundredths to most of them. The little ones
 * are seldom called for; those that keep the load from acting are (common practice, no source).
 */
const TAKES = [
  factors(0.02, 0.1, 1, 0.15),
  factors(0.1, 0.4, 1, 0.25),
  factors(0.4, 0.6, 1, 0.25),
  factors(0.6, 0.9, 1, 0.35),
];
/** How many of the contacts that do not pass, by their rates, pass poorly: it is taken from those, not added. */
const OF_OPEN = 0.2;
/** A load beyond this is no load but a sense input: a poor contact takes nothing from it, ohms. */
const NO_LOAD = 20_000;

/**
 * Parts with their poor contacts among the ways they fail: what a switch, a plug, a joint loses of the volts while its load
 * draws current. How many ohms that takes follows from the load it feeds, with everything on.
 */
export function withPoorContacts(
  parts: readonly Part[],
  branches: readonly Branch[],
  nodeCount: number,
  ground: number,
): Part[] {
  const loadOf = loads(parts, branches, nodeCount, ground);
  return parts.map((part) => {
    const open = part.modes.find((m) => m.id === part.kind.poorly?.instead);
    const branch = part.branches.find((b) => b.name === part.kind.poorly?.branch);
    if (!open || !branch || part.testOnly || part.modes.some((m) => m.id === POOR)) return part;
    const load = loadOf(branch);
    if (!(load < NO_LOAD)) return part;
    const poor: FaultMode = {
      id: POOR,
      words: 'makes poor contact: volts are lost across it under load',
      relativeRate: open.relativeRate * OF_OPEN,
      repair: open.repair,
    };
    const severities = inBand(poor, TAKES, (share) => ({
      inSeries: { branch: branch.name, ohms: (load * share) / (1 - share) },
    }));
    const rest = part.modes.map((m) => (m === open ? { ...m, relativeRate: m.relativeRate * (1 - OF_OPEN) } : m));
    return { ...part, modes: [...rest, ...severities] };
  });
}

const POOR = 'poor';

/** Ohms that a passage has before it, with every contact made and everything that consumes at rest. */
function loads(
  parts: readonly Part[],
  branches: readonly Branch[],
  nodeCount: number,
  ground: number,
): (branch: Branch) => number {
  const elements = new Map(
    branches.flatMap((branch) => {
      const part = parts[branch.part]!;
      const partner = (name: string): Branch => part.branches.find((b) => b.name === name)!;
      const element = part.testOnly
        ? undefined
        : circuitElement(`${branch.index}`, branch, conducting(part, branch), partner);
      return element ? [[branch, element] as const] : [];
    }),
  );
  return (branch) => {
    const others = [...elements].flatMap(([b, element]) => (b === branch ? [] : [element]));
    const solution = solve({ nodeCount, ground, elements: others });
    if (solution.island[branch.a] !== solution.island[branch.b]) return Infinity;
    return Math.hypot(...solution.impedanceBetween(branch.a, branch.b));
  };
}

/** What a passage is while it conducts. */
function conducting({ kind, spec }: Part, { name, frequency }: Branch): Electrical {
  if (kind.role(name, spec) === 'contact') return CLOSED;
  const states = kind.nature === 'control' ? [name] : kind.states;
  const all = states.map((state) => kind.electrical(spec, state, undefined, name, frequency));
  return all.find((e) => e.type !== 'open') ?? all[0]!;
}
