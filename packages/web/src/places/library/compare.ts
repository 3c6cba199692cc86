import type { DrawnRung, Guide } from '@zetalysis/core/presentation';
import { formatDuration } from '@zetalysis/core/units';

/** What two appliances do not have in common, section by section. */
export interface Difference {
  readonly section: string;
  readonly onlyFirst: readonly string[];
  readonly onlySecond: readonly string[];
  readonly changed: readonly string[];
}

/** Compares two guides by names; what is in both and says something else counts as changed. */
export function compareGuides(a: Guide, b: Guide): Difference[] {
  const sections: [string, (g: Guide) => ReadonlyMap<string, string>][] = [
    [
      'Steps',
      (g) => new Map(g.phases.map((p) => [p.title, p.at === undefined ? '' : `about ${formatDuration(p.at)}`])),
    ],
    ['Test points', (g) => new Map(g.points.map((p) => [p.net, p.reach]))],
    ['Dead tests', (g) => new Map(g.deadTests.map((d) => [d.part, d.limits]))],
    ['Gauges', (g) => new Map(g.gauges.map((x) => [x.title, x.good]))],
    ['Faults', (g) => new Map(g.faults.map((f) => [f.words, f.signature.join('; ')]))],
    ['Codes', (g) => new Map(g.codes.map((c) => [c.id, c.title]))],
  ];
  return sections
    .map(([section, read]) => {
      const [first, second] = [read(a), read(b)];
      return {
        section,
        onlyFirst: [...first.keys()].filter((k) => !second.has(k)),
        onlySecond: [...second.keys()].filter((k) => !first.has(k)),
        changed: [...first]
          .filter(([k, v]) => second.has(k) && second.get(k) !== v)
          .map(([k, v]) => (section === 'Faults' ? k : `${k}: ${v || '—'} → ${second.get(k) || '—'}`)),
      };
    })
    .filter((d) => d.onlyFirst.length + d.onlySecond.length + d.changed.length > 0);
}

/** Rungs that are not wired alike in the other drawing, by id. */
export function changedRungs(own: readonly DrawnRung[], other: readonly DrawnRung[]): ReadonlySet<string> {
  const path = (rung: DrawnRung): string =>
    rung.items.map((i) => (i.kind === 'net' ? `=${i.name}` : `${i.part}.${i.branch}`)).join(' ');
  const known = new Set(other.map(path));
  return new Set(own.filter((rung) => !known.has(path(rung))).map((rung) => rung.id));
}
