import { asIndex, type NetIndex, type PartIndex } from './indices';
import { PART_KINDS } from '../parts';
import type { Data, DataMap } from './document';
import type { Fields, Path } from './fields';
import type { RawPart } from './load-parts';
import type { Branch, Plug, Rung } from './model';
import { unknownName } from './nearest';

/** A branch before it is known what feeds it. */
type BareBranch = Omit<Branch, 'frequency'>;

export interface Netlist {
  readonly nets: string[];
  readonly branches: BareBranch[];
  readonly rungs: Rung[];
  readonly plugs: Omit<Plug, 'asks'>[];
  /** The written parts and the connector pins met in the rungs. */
  readonly parts: RawPart[];
}

/**
 * Turns rungs into nets and branches. `=NAME` is a net, `part` or `part.port` a passage, `PLUG/pin` a connector pin.
 * Two passages in a row are joined by an unnamed net, which the netlist names after the rung (`~valve.3`).
 */
export function readRungs(fields: Fields, data: DataMap, written: readonly RawPart[], plugData: DataMap): Netlist {
  const reader = new RungReader(fields, written);
  for (const [id, raw] of Object.entries(data)) reader.read(id, raw);
  reader.missing();
  return {
    nets: reader.nets,
    branches: reader.branches,
    rungs: reader.rungs,
    plugs: readPlugs(fields, plugData, reader.pins),
    parts: reader.parts,
  };
}

/** Goes along the rungs, one after the other, and notes what it meets. */
class RungReader {
  readonly nets: string[] = [];
  readonly branches: BareBranch[] = [];
  readonly rungs: Rung[] = [];
  readonly parts: RawPart[];
  /** By connector, the branches of its pins. */
  readonly pins = new Map<string, number[]>();
  readonly #partIndex: Map<string, PartIndex>;
  readonly #used = new Set<string>();

  constructor(
    private readonly fields: Fields,
    private readonly written: readonly RawPart[],
  ) {
    this.parts = [...written];
    this.#partIndex = new Map(written.map((part, i) => [part.id, asIndex(i)]));
  }

  read(id: string, raw: Data | undefined): void {
    const path = ['rungs', id];
    const list = this.fields.list(raw, path, '[=R, part, =W, part.port, =C]').map(String);
    const first = list[0];
    const last = list[list.length - 1];
    if (first === undefined || !first.startsWith('=') || !last!.startsWith('=')) {
      this.fields.file.problem(
        path,
        'must begin and end with a net, written =NAME; a rung that ends nowhere carries nothing',
      );
      return;
    }
    const items: Rung['items'][number][] = [];
    let at = this.#net(first.slice(1));
    items.push({ net: at });
    for (let i = 1; i < list.length; i++) {
      const item = list[i]!;
      if (item.startsWith('=')) {
        if (list[i - 1]!.startsWith('='))
          this.fields.file.problem([...path, i], `nets ${list[i - 1]} and ${item} touch; put a part between them`);
        continue;
      }
      const next = list[i + 1]!;
      const to = this.#net(next.startsWith('=') ? next.slice(1) : `~${id}.${i}`);
      const branch = this.#passage(item, at, to, [...path, i]);
      if (branch !== undefined) items.push({ branch });
      at = to;
      items.push({ net: at });
    }
    this.rungs.push({ id, items });
  }

  /** A passage of a part that stands in no rung is a problem. */
  missing(): void {
    for (const part of this.written)
      for (const port of part.kind.branches(part.spec)) {
        const name = port === '' ? part.id : `${part.id}.${port}`;
        if (!this.#used.has(name))
          this.fields.file.problem(part.path, `${name} stands in no rung; put it between the nets it joins`);
      }
  }

  #net(name: string): NetIndex {
    const at = this.nets.indexOf(name);
    return asIndex(at >= 0 ? at : this.nets.push(name) - 1);
  }

  /** One passage between two nets; its branch, or undefined after saying what is wrong. */
  #passage(item: string, a: NetIndex, b: NetIndex, path: Path): number | undefined {
    const slash = item.indexOf('/');
    const dot = slash > 0 ? -1 : item.indexOf('.');
    if (slash > 0) this.#meetPin(item, slash, path);
    const [partId, port] = dot > 0 ? [item.slice(0, dot), item.slice(dot + 1)] : [item, ''];
    const index = this.#partIndex.get(partId);
    const part = index === undefined ? undefined : this.parts[index];
    const problem = (message: string): undefined => void this.fields.file.problem(path, message);
    if (part === undefined) return problem(unknownName('part', partId, [...this.#partIndex.keys()]));
    if (!part.kind.branches(part.spec).includes(port)) {
      const ports = part.kind.branches(part.spec).filter((p) => p !== '');
      return problem(
        ports.length === 0
          ? `${partId} has one passage only; write ${partId} without ".${port}"`
          : unknownName(`port of ${partId}`, port, ports),
      );
    }
    if (this.#used.has(item)) return problem(`${item} stands in two rungs; a passage has one place`);
    this.#used.add(item);
    const branch = this.branches.length;
    this.branches.push({ index: branch, part: index!, name: port, a, b, rung: this.rungs.length });
    if (slash > 0) {
      const plug = item.slice(0, slash);
      this.pins.set(plug, [...(this.pins.get(plug) ?? []), branch]);
    }
    return branch;
  }

  /** A connector pin is a part that nobody wrote down. */
  #meetPin(item: string, slash: number, path: Path): void {
    if (this.#partIndex.has(item)) return;
    const kind = PART_KINDS.get('plug-pin')!;
    this.#partIndex.set(item, asIndex(this.parts.length));
    this.parts.push({
      id: item,
      title: `connector ${item.slice(0, slash)} pin ${item.slice(slash + 1)}`,
      kind,
      spec: { weight: kind.fields['weight']!.default as number },
      modes: [],
      rates: new Map(),
      safety: undefined,
      touches: undefined,
      caution: undefined,
      assembly: undefined,
      testOnly: false,
      minutes: 3,
      path,
    });
  }
}

function readPlugs(fields: Fields, plugData: DataMap, pins: ReadonlyMap<string, readonly number[]>): Netlist['plugs'] {
  for (const id of Object.keys(plugData))
    if (!pins.has(id)) fields.file.problem(['plugs', id], unknownName('connector', id, [...pins.keys()]));
  return [...pins].map(([id, branches]) => {
    const entry = fields.optionalMap(plugData[id], ['plugs', id], 'title and minutes');
    fields.only(entry, ['plugs', id], ['title', 'minutes', 'asks']);
    return {
      id,
      title: fields.text(entry, 'title', ['plugs', id], `connector ${id}`),
      minutes: fields.number(entry, 'minutes', ['plugs', id], 2),
      pins: [...branches],
    };
  });
}
