import { Engine, standingOf } from '@zetalysis/core/diagnosis';
import { CircuitStates, FIRST_EPISODE } from '@zetalysis/core/simulation';
import { findPart, type Model } from '@zetalysis/core/profile';
import type { Observation } from '@zetalysis/core/question';
import { FAMILIES, profile } from './models';
import { volts } from './runs';

const poorOf = (model: Model) =>
  model.parts.flatMap((part) => part.modes.filter((m) => m.inSeries !== undefined).map((mode) => ({ part, mode })));

// 1 to 50 ohms before a control's load, 0.3 V up to most of the supply lost: common practice, no source.
describe.each(FAMILIES)('poor contact: %s', (id) => {
  const model = profile(id);

  test('it has its share of what "open" had, and every contact that feeds a load has it', () => {
    const poor = poorOf(model);
    expect(poor.length).toBeGreaterThan(8);
    for (const part of new Set(poor.map((p) => p.part))) {
      const rate = (id: string | undefined): number =>
        part.modes.filter((m) => m.id === id).reduce((sum, m) => sum + m.relativeRate, 0);
      expect(rate('poor') / rate(part.kind.poorly!.instead)).toBeCloseTo(0.25, 6);
      expect(part.modes.find((m) => m.id === 'poor')!.repair).toBe(
        part.modes.find((m) => m.id === part.kind.poorly!.instead)!.repair,
      );
    }
  });

  test('the worse it is, the more of the volts is lost across it, and never all of them', () => {
    const engine = new Engine(model);
    for (const part of new Set(poorOf(model).map((p) => p.part))) {
      const drops = part.modes.filter((m) => m.inSeries).map((m) => m.inSeries!.ohms);
      for (let i = 1; i < drops.length; i++) expect(drops[i]!).toBeGreaterThan(drops[i - 1]!);
      expect(drops.every((r) => r > 0 && Number.isFinite(r))).toBe(true);
    }
    expect(engine.hypotheses.some((h) => /\.poor@/.test(h.id))).toBe(true);
  });
});

describe('a poor contact in a switch of the 24 V string', () => {
  const model = profile('steam-intermittent-pilot');
  const engine = new Engine(model);
  const part = findPart(model, 'pressure-limit')!;
  const at = (red: string, black: string, value: number): Observation => ({
    kind: 'volts',
    red: model.nets.indexOf(red) as never,
    black: model.nets.indexOf(black) as never,
    phase: 0 as never,
    input: 'high-impedance',
    reading: { kind: 'value', value, dimension: 'voltage' },
  });
  const seen = (id: string, answer: boolean): Observation => ({
    kind: 'seen',
    phase: model.phases.findIndex((p) => p.id === id) as never,
    answer,
  });
  const assess = (...observations: Observation[]) =>
    engine.assess(
      {
        episodes: [FIRST_EPISODE],
        items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })),
      },
      { pairs: false },
    );
  const idle = [seen('call', true), seen('damper', false), seen('spark', false)];

  /** Volts behind a poor contact before the damper's motor, 80 + j90 ohms, and across it: Ohm's law. */
  const under = (r: number): { readonly behind: number; readonly lost: number } => {
    const whole = Math.hypot(80 + r, 90);
    return { behind: (26 * Math.hypot(80, 90)) / whole, lost: (26 * r) / whole };
  };

  test.each([75, 110, 160, 240, 400, 800])(
    '%d ohms lose volts under load: that condemns it, though it never fell open',
    (r) => {
      const { behind, lost } = under(r);
      const found = assess(...idle, at('SP', 'C', 26), at('PL', 'C', behind), at('SP', 'PL', lost));
      expect(found.suspects[0]!.leading.family).toBe('pressure-limit.poor');
      expect(standingOf(found)).toBe('proved');
    },
  );

  test('all of the supply across it is an open switch, which may be rightly open: nothing is condemned by that', () => {
    const readings = [...idle, at('SP', 'C', 26), at('PL', 'C', 0.2)];
    const found = assess(...readings);
    expect(found.suspects[0]!.leading.family).not.toBe('pressure-limit.poor');
    expect(standingOf(found)).toBe('suspected');
    // It may be up to pressure: what the switch senses is read before it is condemned.
    const pressure = (psi: number): Observation => ({
      kind: 'gauge',
      gauge: model.gauges.findIndex((g) => g.id === 'steam-pressure'),
      reading: { kind: 'value', value: psi * 6894.757, dimension: 'pressure' },
    });
    const cold = assess(...readings, pressure(0));
    expect(cold.suspects[0]!.repair).toBe('pressure-limit:replace');
    expect(cold.proof!.standing).toBe('proved');
    // Whether it is the switch or where it is set: its pointers say so, before anybody turns or buys anything.
    expect(standingOf(cold)).toBe('suspected');
    const scale = (answer: string): Observation => {
      const look = model.looks.findIndex((l) => l.id === 'limit-scale');
      return { kind: 'look', look, answer: model.looks[look]!.answers.findIndex((a) => a.id === answer) };
    };
    const usual = assess(...readings, pressure(0), scale('usual'));
    expect(usual.suspects[0]!.repair).toBe('pressure-limit:replace');
    expect(standingOf(usual)).toBe('proved');
    const up = assess(...readings, pressure(1.7));
    expect(up.suspects[0]!.repair).toBe('none');
  });

  test('ohms without its load do not clear it', () => {
    const ohms: Observation = {
      kind: 'ohms',
      part: part.index,
      branch: '',
      reading: { kind: 'value', value: 0.3, dimension: 'resistance' },
    };
    const readings = [...idle, at('SP', 'C', 26), at('PL', 'C', under(160).behind)];
    const share = (found: ReturnType<typeof assess>): number =>
      found.suspects.find((s) => s.repair === 'pressure-limit:replace')?.probability ?? 0;
    expect(share(assess(...readings, ohms))).toBeGreaterThan(0.8 * share(assess(...readings)));
  });

  test('the circuit loses what the divider of contact and load says', () => {
    const mode = part.modes.findIndex((m) => m.inSeries !== undefined && m.severity!.place === 2);
    const { trace } = engine.traces.last([{ part: part.index, mode }], [FIRST_EPISODE]);
    const across = volts(model, trace, 'SP', 'PL', 1000);
    const load = volts(model, trace, 'PL', 'C', 1000);
    // The damper's motor, 80 + j90 ohms: Ohm's law over the two in series.
    const ratio = part.modes[mode]!.inSeries!.ohms / Math.hypot(80, 90);
    expect(across / load).toBeCloseTo(ratio, 1);
    expect(new CircuitStates(model).matters.length).toBe(model.branches.length);
  });
});
