import { drawingOf, type LadderView, tapped } from '../src/presentation';
import { FAMILIES, profile } from './models';

const NOTHING_KNOWN: LadderView = { nets: {}, suspected: {}, bypassed: [], apart: [], lifted: [] };

/** Common practice, no source: what is tapped on the drawing is no way round what a proposed test would have to say. */
describe.each(FAMILIES)('what is tapped on the drawing: %s', (id) => {
  const model = profile(id);
  const drawing = drawingOf(model);
  const at = drawing.phases[0]!.id;
  const tap = (...names: string[]) => tapped(drawing, NOTHING_KNOWN, names, at);

  test('nobody is asked for volts on a terminal that sparks, whichever probe is there', () => {
    const sparks = model.branches
      .filter((b) => model.parts[b.part]!.kind.name === 'spark-gap')
      .map((b) => model.nets[b.a]!)
      .filter((net) => !net.startsWith('~'));
    for (const net of sparks) {
      expect(tap(net).never).toMatch(/Never volts on a sparking terminal/);
      expect(
        tap(
          drawing.words.nets.find((n) => n !== net)!,
          net,
        ).never,
      ).toBeDefined();
    }
    const others = Object.keys(drawing.points).filter((net) => !sparks.includes(net));
    expect(others.filter((net) => tap(net).never !== undefined && !sparks.includes(tap(net).probes[1]!))).toEqual([]);
  });

  test('line voltage is warned of at each of its points, and ohms at each part', () => {
    const live = model.cautions.filter((c) => c.when === 'line').map((c) => c.text);
    const points = Object.entries(drawing.points).filter(([, { line }]) => line);
    if (points.length > 0) expect(live.length).toBeGreaterThan(0);
    for (const [net] of points)
      expect({ net, cautions: tap(net).cautions }).toEqual({ net, cautions: expect.arrayContaining(live) });
    const dead = model.cautions.filter((c) => c.when === 'ohms').map((c) => c.text);
    for (const { id: part } of drawing.parts.filter((p) => p.branches.length > 0)) {
      expect(tap(part).cautions).toEqual(expect.arrayContaining(dead));
      expect(tap(part).form.dimension).toBe('resistance');
    }
  });
});
