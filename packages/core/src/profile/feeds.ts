import type { Frequency } from '../circuit';
import type { Level } from './model';
import type { Netlist } from './rungs';

/** Volts from which wiring counts as line voltage, and below which as a thermocouple's. */
const LINE_FROM = 60;
const MILLIVOLT_TO = 1;

/** What a net that no source reaches is taken for. */
const UNFED_VOLTS = 24;

/** Wires that one source feeds: what is measured on them moves together. */
export interface FedGroup {
  /** The part that feeds them, and others that do. */
  readonly parts: readonly number[];
  /** The group from which its source is fed, by index. */
  readonly parent: number | undefined;
  /** Between which shares of their reckoned volts sound ones lie, as one; beside what the parent does. */
  readonly sound: { readonly low: number; readonly high: number };
}

/** What feeds every branch and net. */
export interface Feeds {
  readonly branches: readonly Frequency[];
  readonly nets: readonly Frequency[];
  readonly levels: readonly Level[];
  /** By net, whether it carries a rectified sine. */
  readonly rectified: readonly boolean[];
  /** Rated volts of the source that feeds each net. */
  readonly volts: readonly number[];
  readonly sources: readonly FedGroup[];
  /** By net, the index of what feeds it; -1 where nothing does. */
  readonly sourceOf: readonly number[];
  /** Sources of both kinds on the same wires, in words. */
  readonly clashes: readonly string[];
}

/**
 * Follows the wiring from every source. Circuits that meet only at ground do not feed each other, and a transformer
 * couples its windings without joining them; so each group of nets joined by parts has one frequency and one level.
 */
export function feedsOf(netlist: Netlist, ground: number): Feeds {
  const group = Int32Array.from(netlist.nets, (_, i) => i);
  const find = (net: number): number => {
    let at = net;
    while (group[at] !== at) at = group[at]!;
    return at;
  };
  // Tied to ground at one end, a branch does not carry the search across it.
  for (const b of netlist.branches) if (b.a !== ground && b.b !== ground) group[find(b.a)] = find(b.b);
  const end = (b: { a: number; b: number }): number => find(b.a === ground ? b.b : b.a);

  const fed = new Map<number, Group>();
  const clashes: string[] = [];
  for (const branch of netlist.branches) {
    const part = netlist.parts[branch.part]!;
    const feed = part.kind.feeds?.(part.spec, branch.name);
    if (!feed) continue;
    const at = end(branch);
    const known = fed.get(at);
    if (known && known.frequency !== feed.frequency) clashes.push(part.id);
    const parts = [...(known?.parts ?? []), branch.part];
    if (known && feed.volts <= known.volts) fed.set(at, { ...known, parts });
    else {
      const primary = part.kind.couplings?.find((c) => c.secondary === branch.name)?.primary;
      const input = netlist.branches.find((b) => b.part === branch.part && b.name === primary);
      fed.set(at, {
        parts,
        frequency: known?.frequency ?? feed.frequency,
        volts: feed.volts,
        sound: feed.sound,
        from: input && end(input),
      });
    }
  }
  const roots = [...fed.keys()];
  const frequencyOf = (root: number): Frequency => fed.get(root)?.frequency ?? 'ac';
  const voltsOf = (root: number): number => fed.get(root)?.volts ?? UNFED_VOLTS;
  const levelOf = (root: number): Level => {
    const volts = voltsOf(root);
    return volts >= LINE_FROM ? 'line' : volts >= MILLIVOLT_TO ? 'control' : 'millivolt';
  };
  return {
    branches: netlist.branches.map((b) => frequencyOf(end(b))),
    nets: netlist.nets.map((_, net) => frequencyOf(find(net))),
    levels: netlist.nets.map((_, net) => levelOf(find(net))),
    rectified: rectifiedIn(netlist, ground),
    volts: netlist.nets.map((_, net) => voltsOf(find(net))),
    sources: roots.map((root) => {
      const { parts, sound, from } = fed.get(root)!;
      const parent = from === undefined ? -1 : roots.indexOf(find(from));
      return { parts, sound, parent: parent < 0 || parent === roots.indexOf(root) ? undefined : parent };
    }),
    sourceOf: netlist.nets.map((_, net) => (net === ground ? -1 : roots.indexOf(find(net)))),
    clashes,
  };
}

/** Nets that are joined to the far side of a rectifier by anything but a rectifier. Its rung is written from feed to return. */
function rectifiedIn({ nets, branches, parts }: Netlist, ground: number): boolean[] {
  const rectified = nets.map(() => false);
  const isRectifier = ({ part }: { readonly part: number }): boolean => parts[part]!.kind.rectifies === true;
  const spread = (net: number): void => {
    if (net === ground || rectified[net]) return;
    rectified[net] = true;
    for (const b of branches) if (!isRectifier(b) && (b.a === net || b.b === net)) spread(b.a === net ? b.b : b.a);
  };
  for (const b of branches) if (isRectifier(b)) spread(b.name === 'feed' ? b.b : b.a);
  return rectified;
}

interface Group {
  readonly parts: readonly number[];
  readonly frequency: Frequency;
  readonly volts: number;
  readonly sound: FedGroup['sound'];
  /** A net of the group that feeds its source. */
  readonly from: number | undefined;
}
