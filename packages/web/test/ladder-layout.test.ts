import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadProfile } from '@zetalysis/core/profile';
import { type Drawing, drawingOf, type LadderView } from '@zetalysis/core/presentation';
import { parse } from 'yaml';
import { labelsOf, tradeName } from '../src/diagrams/ladder-labels';
import { type Box, folded, LABEL, layoutLadder, type LadderLayout } from '../src/diagrams/ladder-layout';

const PROFILES = join(__dirname, '../../../profiles');
const DRAWINGS: (readonly [string, Drawing])[] = readdirSync(PROFILES).flatMap((file) => {
  const text = readFileSync(join(PROFILES, file), 'utf8');
  const { variants = {} } = parse(text) as { variants?: Record<string, unknown> };
  return [undefined, ...Object.keys(variants)].map((variant) => {
    const model = loadProfile(text, file, variant === undefined ? {} : { variant });
    return [`${file.replace('.yaml', '')}${variant === undefined ? '' : `, ${variant}`}`, drawingOf(model)] as const;
  });
});

/** On a phone; the circuit column of a call at 1280 × 800, and wider ones. */
const WIDTHS = [344, 374, 520, 556, 640, 760, 1100];
/** How high it may be there, below its heading. */
const HEIGHT = 482;

const BARE: LadderView = { nets: {}, suspected: {}, bypassed: [], apart: [], lifted: [] };
const nets = (drawing: Drawing): string[] => [
  ...new Set(drawing.rungs.flatMap((r) => r.items.flatMap((i) => (i.kind === 'net' && i.point ? [i.name] : [])))),
];
const parts = (drawing: Drawing): string[] => [
  ...new Set(drawing.rungs.flatMap((r) => r.items.flatMap((i) => (i.kind === 'part' ? [i.part] : [])))),
];
const net = (more: Partial<LadderView['nets'][string]>): LadderView['nets'][string] => ({
  state: 'live',
  good: '120 V',
  bad: undefined,
  sound: '120 V',
  measured: undefined,
  there: undefined,
  ...more,
});
const READINGS = ['0 V', '118.4 V', '15–18 V ~', '750 mV', 'OL'];

/** Worst things to draw: everything suspected, everything measured, everything different. */
const VIEWS: readonly (readonly [string, (drawing: Drawing) => LadderView])[] = [
  ['nothing known', () => BARE],
  ['every part suspected', (d) => ({ ...BARE, suspected: Object.fromEntries(parts(d).map((p) => [p, 97])) })],
  ['every part gone round', (d) => ({ ...BARE, bypassed: parts(d) })],
  ['every part out and every lead lifted', (d) => ({ ...BARE, lifted: [...parts(d), ...nets(d)] })],
  [
    'every point read',
    (d) => ({
      ...BARE,
      nets: Object.fromEntries(nets(d).map((n, i) => [n, net({ measured: READINGS[i % READINGS.length]! })])),
      suspected: Object.fromEntries(parts(d).map((p) => [p, 12])),
    }),
  ],
  [
    'every point different in another world',
    (d) => ({
      ...BARE,
      nets: Object.fromEntries(
        nets(d).map((n) => [n, net({ there: { shows: 'x', briefly: '26.1 / 0 V', differs: true } })]),
      ),
    }),
  ],
];

const boxesOf = ({ rungs }: LadderLayout): { words: string; box: Box }[] =>
  rungs.flatMap(({ placed }) =>
    placed.flatMap((p) => [...p.lines, ...(p.plate ? [p.plate] : []), ...(p.beside ? [p.beside] : [])]),
  );
const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

test('labels are never smaller than twelve pixels', () => expect(LABEL).toBeGreaterThanOrEqual(12));

describe.each(DRAWINGS)('%s', (_name, drawing) => {
  test.each(VIEWS)('%s: no label reaches into another or out of the drawing', (_what, viewOf) => {
    const wrong: string[] = [];
    for (const width of WIDTHS) {
      const rungs = width < 500 ? folded(drawing.rungs) : drawing.rungs;
      const layout = layoutLadder(rungs, labelsOf(viewOf(drawing), undefined), width);
      const boxes = boxesOf(layout);
      for (const [i, { words, box }] of boxes.entries()) {
        if (box.x < -0.5 || box.x + box.width > width + 0.5 || box.y < 0)
          wrong.push(`${width}: "${words}" is out of it`);
        for (const other of boxes.slice(i + 1))
          if (overlap(box, other.box)) wrong.push(`${width}: "${words}" reaches into "${other.words}"`);
      }
      expect(boxes.length).toBeGreaterThan(0);
    }
    expect(wrong).toEqual([]);
  });

  test('the whole of it stands in the circuit’s column without scrolling, and rises no higher than there is room', () => {
    const labels = labelsOf({ ...BARE, suspected: { [parts(drawing)[0]!]: 53 } }, undefined);
    expect(layoutLadder(drawing.rungs, labels, 556).height).toBeLessThanOrEqual(HEIGHT);
    expect(layoutLadder(drawing.rungs, labels, 556, HEIGHT).height).toBeLessThanOrEqual(HEIGHT);
  });

  test('every rung is there once, with every point and part of it, in order', () => {
    const layout = layoutLadder(drawing.rungs, labelsOf(BARE, undefined), 556);
    expect(layout.rungs.map(({ rung }) => rung.id)).toEqual(drawing.rungs.map(({ id }) => id));
    for (const { rung, placed } of layout.rungs) {
      expect(placed.map((p) => p.item)).toEqual(rung.items.filter((i) => i.kind === 'part' || i.point));
      const xs = placed.map((p) => p.x);
      expect([...xs].sort((a, b) => a - b)).toEqual(xs);
    }
  });
});

test.each(DRAWINGS)('%s: folded for a phone, no part or point is lost', (_name, drawing) => {
  for (const rung of drawing.rungs) {
    const pieces = folded([rung]);
    expect(pieces.flatMap(({ items }, i) => (i === 0 ? items : items.slice(1)))).toEqual(rung.items);
    for (const { items } of pieces) expect(items.filter(({ kind }) => kind === 'part').length).toBeLessThanOrEqual(4);
  }
});

test('parts go by the names of the trade', () => {
  const part = (short: string, branch: string, symbol: 'contact' | 'plug' | 'winding' = 'contact') =>
    tradeName({ kind: 'part', part: 'x', title: short, short, branch, symbol });
  expect(part('control board', 'gas')).toBe('board, gas');
  expect(part('ignition module', 'pv')).toBe('module, pv');
  expect(part('P4 pin 1', '', 'plug')).toBe('plug');
  expect(part('transformer', 'secondary', 'winding')).toBe('transformer');
  expect(part('vent damper', 'end-switch')).toBe('vent damper end switch');
  expect(part('stepper', 'a2', 'winding')).toBe('stepper a2');
});
