import { testTitle } from '../src/presentation';
import { kindOfBody, lineWords } from '../src/question';
import { GRANTS, isNeverBypassed, safetyOf } from '../src/rules';
import { mayPropose, testsOf } from '../src/test-choice';
import { variantsOf } from '../src/profile';
import { parseEntryLine } from '../src/visit';
import { FAMILIES, profile, profileText } from './models';
import { COPPER_ALPHA_20, judgeDeadTest, windingAt20, withoutLeads } from '../src/bench';
import { sayJudgement } from '../src/presentation/judgement-words';

describe('windings and temperature', () => {
  test('copper: α20 = 0.00393 per kelvin (IEC 60028, value from memory)', () => expect(COPPER_ALPHA_20).toBe(0.00393));

  test('15 Ω at 20 °C reads 13.8 Ω in a van at 0 °C and 18.5 Ω at 80 °C; both are the same winding', () => {
    expect(windingAt20(15 * (1 - 20 * 0.00393), 273.15)).toBeCloseTo(15, 6);
    expect(windingAt20(15 * (1 + 60 * 0.00393), 353.15)).toBeCloseTo(15, 6);
    expect(15 * (1 + 60 * 0.00393)).toBeCloseTo(18.5, 1);
  });

  test('leads are taken off, never below zero', () => {
    expect(withoutLeads(0.5, 0.3)).toBeCloseTo(0.2, 9);
    expect(withoutLeads(0.2, 0.3)).toBe(0);
  });
});

describe('judging a dead test', () => {
  const coil = { branch: '', title: 'coil', low: 12, high: 18 };
  const ohms = (value: number) => ({ kind: 'value' as const, value, dimension: 'resistance' as const });

  // ±10 % good, ±10–20 % usable but noted, beyond bad: common practice, no source.
  test.each([
    [15, 'good'],
    [13.8, 'good'],
    [12.4, 'marginal'],
    [17.6, 'marginal'],
    [11.5, 'bad'],
    [0.2, 'bad'],
    [19, 'bad'],
  ])('%d Ω is %s', (value, verdict) => expect(judgeDeadTest(coil, ohms(value)).verdict).toBe(verdict));

  test('OL is bad for a coil and good for an insulated rod', () => {
    const open = { kind: 'open' as const, dimension: 'resistance' as const };
    const { verdict, says } = judgeDeadTest(coil, open);
    expect(verdict).toBe('bad');
    expect(sayJudgement(says, { units: 'us' })).toBe('OL is out of limits (12 Ω to 18 Ω).');
    expect(judgeDeadTest({ branch: '', title: 'rod', low: 1e6, high: Infinity }, open).verdict).toBe('good');
  });
});

describe('a part with several windings', () => {
  const combi = profile('combi-condensing');
  const words = lineWords(combi);
  const read = (line: string) => {
    const parsed = parseEntryLine(words, line, combi.phases[0]!.id);
    return parsed.ok ? parsed.value : parsed.message;
  };

  test.each(['OL stepper a2', 'stepper a2 OL', 'a2 OL stepper', 'A2 stepper ol'])('%s', (line) => {
    expect(read(line)).toMatchObject({
      type: 'ohms',
      part: 'stepper',
      branch: 'a2',
      reading: { kind: 'open' },
    });
  });

  test('which winding it was has to be said, on every part that has more than one', () => {
    expect(read('OL stepper')).toMatch(/Which of it: a1, a2, b1, b2/);
    for (const id of FAMILIES) {
      const model = profile(id);
      for (const [part, passages] of Object.entries(lineWords(model).parts)) {
        if (passages.length < 2) continue;
        const entry = {
          type: 'ohms' as const,
          part,
          reading: { kind: 'open', dimension: 'resistance' } as const,
          typed: 'OL',
        };
        expect(kindOfBody('ohms')!.read(model, entry)).toMatchObject({ kind: 'problem' });
        for (const branch of passages)
          expect(kindOfBody('ohms')!.read(model, { ...entry, branch })).toMatchObject({ observation: { branch } });
      }
    }
  });

  test('no test is listed twice, and none on line voltage loses its warning', () => {
    for (const id of FAMILIES) {
      const model = profile(id);
      const titles = testsOf(model).map((t) => testTitle(model, t));
      expect([id, titles.filter((title, i) => titles.indexOf(title) !== i)]).toEqual([id, []]);
      for (const { question: q, line, id: test } of testsOf(model))
        if (q.kind === 'volts') {
          const live = [q.red, q.black].some((net) => model.levels[net] === 'line');
          expect([test, line]).toEqual([test, live]);
        }
    }
  });
});

describe('what no family ever proposes (common practice, no source)', () => {
  const builds = FAMILIES.flatMap((id) => [
    [id, undefined] as const,
    ...variantsOf(profileText(id), id).map((v) => [id, v.id] as const),
  ]);

  test.each(builds)('%s %s', (id, variant) => {
    const model = profile(id, variant);
    const engine = testsOf(model);
    const technician = { role: 'technician', grants: GRANTS } as const;
    const offered = engine.filter((t) => mayPropose(model, t, technician));
    // No meter on a terminal that sparks, and no current in series with a lead that does.
    const sparks = new Set(
      model.branches.filter((b) => model.parts[b.part]!.kind.name === 'spark-gap').map((b) => b.a),
    );
    for (const { question: q, id: test } of offered) {
      if (q.kind === 'volts') expect([test, sparks.has(q.red) || sparks.has(q.black)]).toEqual([test, false]);
      if (q.kind === 'gauge' && model.gauges[q.gauge]!.work === 'microamps') {
        // A lead of its own for the flame: something else makes the spark, or nothing does.
        const senses = model.parts.filter((p) => p.kind.name === 'flame-rod');
        const shared = senses.some((p) => p.branches.some((b) => sparks.has(b.a) || sparks.has(b.b)));
        expect([test, senses.length > 0 && !shared]).toEqual([test, true]);
      }
      if (q.kind === 'gauge' && model.quantities[model.gauges[q.gauge]!.quantity]!.id.startsWith('gas-'))
        expect([test, model.gauges[q.gauge]!.work]).toEqual([test, 'pressure-tap']);
    }
    // Nothing is opened with the gas on, and no last guard is gone round.
    for (const { ask } of model.looks) expect(ask).not.toMatch(/gas on\b.*(tube|union|line|pipe)|tube off.*gas on/i);
    for (const t of offered)
      if (t.intervention && 'bypass' in t.intervention) {
        const { bypass } = t.intervention;
        const part = model.parts.find((p) => p.id === bypass)!;
        expect([bypass, isNeverBypassed(safetyOf(part.safety!))]).toEqual([bypass, false]);
      }
  });

  test('every safety of the families has a kind, and every action that goes round one says which', () => {
    for (const id of FAMILIES) {
      const unnamed = profile(id).parts.filter((p) => p.safety === 'unnamed' && p.id !== 'fan-switch');
      expect([id, unnamed.map((p) => p.id)]).toEqual([id, []]);
    }
  });
});
