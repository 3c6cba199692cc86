import type { DrawnItem, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import type { Labels } from './ladder-layout';

type Part = Extract<DrawnItem, { kind: 'part' }>;

/** Passages that every part of their kind has, and whose name tells nothing. */
const SILENT = new Set(['primary', 'secondary', 'input', 'output', 'contact', 'motor', 'power']);
/** Controls, by how they are called at work. */
const CALLED: readonly (readonly [RegExp, string])[] = [
  [/^control board$/, 'board'],
  [/^ignition board$/, 'board'],
  [/^ignition module$/, 'module'],
  [/^low-voltage supply$/, 'supply'],
];

/** What a part is called under its sign. */
export function tradeName({ short, branch, symbol }: Part): string {
  if (symbol === 'plug') return 'plug';
  const called = CALLED.find(([known]) => known.test(short))?.[1] ?? short;
  if (branch === '' || SILENT.has(branch)) return called;
  const passage = branch.replaceAll('-', ' ');
  return called === 'board' || called === 'module' ? `${called}, ${passage}` : `${called} ${passage}`;
}

/** What is there of a part for now. */
export type PartTag = 'bypassed' | 'apart' | 'out';

export function tagOf({ bypassed, apart, lifted }: LadderView, part: string): PartTag | undefined {
  if (bypassed.includes(part)) return 'bypassed';
  if (apart.includes(part)) return 'apart';
  return lifted.includes(part) ? 'out' : undefined;
}

/** What a part is and how it stands, for who cannot see the drawing. */
export const partName = (item: Part, share: number | undefined, tag: PartTag | undefined): string =>
  [
    item.title,
    ...(item.branch === '' ? [] : [item.branch]),
    ...(share === undefined ? [] : [`suspected ${share} %`]),
    ...(tag === undefined ? [] : [tag]),
  ].join(', ');

/** What is written on the ladder as things stand: shares, jumpers, readings, what differs. */
export const labelsOf = (view: LadderView, wires: Wires | undefined): Labels => ({
  part: (item) => {
    const share = view.suspected[item.part];
    if (view.bypassed.includes(item.part)) return `${tradeName(item)}, jumper`;
    if (view.apart.includes(item.part)) return 'apart';
    if (view.lifted.includes(item.part)) return `${tradeName(item)}, out`;
    // Of a control with many passages the signs are heavier; its share stands once, beside it in the list.
    const many = item.branch !== '' && CALLED.some(([known]) => known.test(item.short));
    return share === undefined || many ? tradeName(item) : `${tradeName(item)} ${share} %`;
  },
  point: (net) => {
    const known = view.nets[net];
    const own = wires?.[net]?.terminal || wires?.[net]?.colour || '';
    const name = own === '' ? net : `${net} ${own}`;
    if (known?.there?.differs) return { name, plate: `≠ ${known.there.briefly}`, beside: '' };
    if (known?.measured === undefined) return { name, plate: '', beside: '' };
    return { name, plate: known.measured, beside: known.sound === known.measured ? '' : `sound ${known.sound}` };
  },
});
