import { PART_KINDS } from '../parts';
import type { DataMap } from './document';
import type { Fields } from './fields';
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
  const nets: string[] = [];
  const netIndex = (name: string): number => {
    const at = nets.indexOf(name);
    return at >= 0 ? at : nets.push(name) - 1;
  };
  const parts = [...written];
  const partIndex = new Map(parts.map((part, i) => [part.id, i]));
  const branches: BareBranch[] = [];
  const rungs: Rung[] = [];
  const used = new Set<string>();
  const pins = new Map<string, number[]>();
  const plugPin = PART_KINDS.get('plug-pin')!;

  for (const [id, raw] of Object.entries(data)) {
    const path = ['rungs', id];
    const list = fields.list(raw, path, '[=R, part, =W, part.port, =C]').map(String);
    const first = list[0];
    const last = list[list.length - 1];
    if (first === undefined || !first.startsWith('=') || !last!.startsWith('=')) {
      fields.file.problem(
        path,
        'must begin and end with a net, written =NAME; a rung that ends nowhere carries nothing',
      );
      continue;
    }
    const items: Rung['items'][number][] = [];
    let at = netIndex(first.slice(1));
    items.push({ net: at });
    for (let i = 1; i < list.length; i++) {
      const item = list[i]!;
      if (item.startsWith('=')) {
        if (list[i - 1]!.startsWith('='))
          fields.file.problem([...path, i], `nets ${list[i - 1]} and ${item} touch; put a part between them`);
        continue;
      }
      const next = list[i + 1]!;
      const to = netIndex(next.startsWith('=') ? next.slice(1) : `~${id}.${i}`);
      let partId = item;
      let port = '';
      const slash = item.indexOf('/');
      if (slash > 0) {
        if (!partIndex.has(item)) {
          const plug = item.slice(0, slash);
          partIndex.set(item, parts.length);
          parts.push({
            id: item,
            title: `connector ${plug} pin ${item.slice(slash + 1)}`,
            kind: plugPin,
            spec: { weight: plugPin.fields['weight']!.default as number },
            modes: [],
            rates: new Map(),
            caution: undefined,
            assembly: undefined,
            testOnly: false,
            minutes: 3,
            path: [...path, i],
          });
        }
      } else {
        const dot = item.indexOf('.');
        if (dot > 0) {
          partId = item.slice(0, dot);
          port = item.slice(dot + 1);
        }
      }
      const index = partIndex.get(partId);
      const part = index === undefined ? undefined : parts[index];
      if (part === undefined) {
        fields.file.problem([...path, i], unknownName('part', partId, [...partIndex.keys()]));
      } else if (!part.kind.branches(part.spec).includes(port)) {
        const ports = part.kind.branches(part.spec).filter((p) => p !== '');
        fields.file.problem(
          [...path, i],
          ports.length === 0
            ? `${partId} has one passage only; write ${partId} without ".${port}"`
            : unknownName(`port of ${partId}`, port, ports),
        );
      } else if (used.has(item)) {
        fields.file.problem([...path, i], `${item} stands in two rungs; a passage has one place`);
      } else {
        used.add(item);
        const branch: BareBranch = {
          index: branches.length,
          part: index!,
          name: port,
          a: at,
          b: to,
          rung: rungs.length,
        };
        branches.push(branch);
        items.push({ branch: branch.index });
        if (slash > 0) pins.set(item.slice(0, slash), [...(pins.get(item.slice(0, slash)) ?? []), branch.index]);
      }
      at = to;
      items.push({ net: at });
    }
    rungs.push({ id, items });
  }
  for (const part of written)
    for (const port of part.kind.branches(part.spec)) {
      const name = port === '' ? part.id : `${part.id}.${port}`;
      if (!used.has(name))
        fields.file.problem(part.path, `${name} stands in no rung; put it between the nets it joins`);
    }

  const plugs: Omit<Plug, 'asks'>[] = [...pins].map(([id, branchList]) => {
    const entry = fields.optionalMap(plugData[id], ['plugs', id], 'title and minutes');
    fields.only(entry, ['plugs', id], ['title', 'minutes', 'asks']);
    return {
      id,
      title: fields.text(entry, 'title', ['plugs', id], `connector ${id}`),
      minutes: fields.number(entry, 'minutes', ['plugs', id], 2),
      pins: branchList,
    };
  });
  for (const id of Object.keys(plugData))
    if (!pins.has(id)) fields.file.problem(['plugs', id], unknownName('connector', id, [...pins.keys()]));
  return { nets, branches, rungs, plugs, parts };
}
