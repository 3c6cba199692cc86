import { TRAINED } from '../src/rules';
import { Engine } from '../src/diagnosis';
import type { Hypothesis } from '../src/inference';
import { seedPairs } from '../src/inference/pairs';
import { fitEvidence } from '../src/inference/posterior';
import { loadProfile } from '../src/profile';
import { contradiction } from '../src/proof/proof';
import type { Evidence } from '../src/question';
import { NORMAL_SETUP } from '../src/simulation';

/**
 * The polybox of de Kleer and Williams, "Diagnosing Multiple Faults", Artificial Intelligence 32 (1987): X = A·C, Y = B·D,
 * Z = C·E, F = X + Y, G = Y + Z with A=3 B=2 C=2 D=3 E=3; F reads 10 instead of 12, G reads 12. Published answers, from
 * memory: minimal diagnoses {A1}, {M1}, {A2, M2}, {M2, M3}; with equal small priors the best next probe is X.
 */
const OFF = { m1: -2, m2: -2, m3: +2, a1: -2, a2: +2 } as const;
type Component = keyof typeof OFF;

/** Rules of an output that is `sound` plus what each broken component that feeds it adds. */
function rules(sound: number, from: readonly Component[]): string {
  const lines: string[] = [];
  for (let set = (1 << from.length) - 1; set > 0; set--) {
    const broken = from.filter((_, i) => (set & (1 << i)) !== 0);
    const value = broken.reduce((sum, c) => sum + OFF[c], sound);
    lines.push(`      - {when: ${broken.map((c) => `fault(${c}.off)`).join(' && ')}, is: ${value}}`);
  }
  return [...lines, `      - {is: ${sound}}`].join('\n');
}
const quantity = (id: string, sound: number, from: readonly Component[]): string =>
  `  ${id}:\n    unit: ''\n    spread: 0.001\n    rules:\n${rules(sound, from)}`;

const engine = new Engine(
  loadProfile(
    `format: zetalysis-profile/1
id: polybox
version: 1.0.0
title: polybox
ground: C
parts:
  feed: {kind: supply, volts: 24 V, on-when: env.power, weights: {'*': 0}}
  lamp: {kind: motor, runs-at: 18 V, weights: {'*': 0}}
${Object.keys(OFF)
  .map((id) => `  ${id}: {kind: condition, modes: {off: {words: is off, weight: 0.01, mend: replace}}}`)
  .join('\n')}
rungs:
  all: [=R, feed, =C]
  lamp: [=R, lamp, =C]
quantities:
${quantity('x', 6, ['m1'])}
${quantity('y', 6, ['m2'])}
${quantity('z', 6, ['m3'])}
${quantity('f', 12, ['m1', 'm2', 'a1'])}
${quantity('g', 12, ['m2', 'm3', 'a2'])}
phases:
  - {id: on, title: On, cue: lamp.running, goal: true}
gauges:
${['x', 'y', 'z', 'f', 'g'].map((q) => `  ${q}: {of: ${q}, phase: on, title: ${q}, how: probe, minutes: 1}`).join('\n')}
`,
    'polybox.yaml',
  ),
);

const evidence = (readings: Record<string, number>): Evidence => ({
  episodes: [{ setup: NORMAL_SETUP, repaired: [] }],
  items: Object.entries(readings).map(([id, value]) => ({
    id,
    episode: 0,
    observation: {
      kind: 'gauge',
      gauge: engine.model.gauges.findIndex((g) => g.id === id),
      reading: { kind: 'value', value, dimension: 'none' },
    },
  })),
});
const names = (hs: readonly Hypothesis[]): string[] =>
  hs
    .map((h) =>
      h.faults
        .map((f) => engine.model.parts[f.part]!.id)
        .sort()
        .join('+'),
    )
    .sort();

const seen = evidence({ f: 10, g: 12 });

describe('the polybox', () => {
  const assessment = engine.assess(seen);
  const consistent = engine.hypotheses.filter((h) => h.kind === 'fault' && contradiction(h, assessment.items) === 0);

  test('two single diagnoses: the adder A1 or the multiplier M1, equally likely', () => {
    expect(names(consistent)).toEqual(['a1', 'm1']);
    const [p, q] = consistent.map((h) => assessment.probabilities[h.index]!);
    expect(p).toBeCloseTo(q!, 6);
    expect(p! + q!).toBeGreaterThan(0.9);
  });

  test('two more minimal diagnoses, both pairs: {A2, M2} and {M2, M3}', () => {
    const pairs = seedPairs(engine.hypotheses, assessment.items, seen, engine.hypotheses.length);
    const all = [...engine.hypotheses, ...pairs];
    const items = fitEvidence(engine.model, engine.traces, all, seen);
    const singles = new Set(consistent.map((h) => h.faults[0]!.part));
    const minimal = pairs.filter((h) => contradiction(h, items) === 0 && !h.faults.some((f) => singles.has(f.part)));
    expect(names(minimal)).toEqual(['a2+m2', 'm2+m3']);
  });

  test('the best next probe is X', () => {
    const [best] = engine.next({ evidence: seen, declined: new Set(), person: TRAINED }, assessment);
    expect(best!.test.id).toBe('gauge x');
  });

  test('when X is right and Y wrong, no single fault is left, and both pairs come up by themselves', () => {
    const after = engine.assess(evidence({ f: 10, g: 12, x: 6, y: 4 }));
    const leading = after.hypotheses.filter((h) => h.kind === 'fault' && contradiction(h, after.items) === 0);
    expect(names(leading)).toEqual(['a2+m2', 'm2+m3']);
  });
});
