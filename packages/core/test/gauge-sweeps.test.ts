import { type Assessment, Engine } from '../src/diagnosis';
import type { Hypothesis } from '../src/inference';
import type { Model } from '../src/profile';
import { kindOf, type Prediction } from '../src/question';
import { FIRST_EPISODE } from '../src/simulation';
import { FAMILIES, profile } from './models';

/**
 * Every gauge of every family, over all its values: what it reads on a sound machine speaks for a sound one, what it reads where
 * something is broken speaks for that, and from the one to the other it turns over once. (Properties of any honest reading; the bands are
 * those of the profiles. Bands from outside them: `sweeps.test.ts`.)
 */
const STEPS = 10;
/** Beyond so much against a sound machine it may stay as it is. */
const DECIDED = 1 / 50;
/** So far out of what a sound one reads, as a factor, a reading is another one: four times its spread, one in a hundred at least. */
const beyond = (...tolerances: number[]): number => 1 + 4 * Math.max(0.01, ...tolerances);

/**
 * Not met: a seat that lets gas by is assumed to be so rare that after this one reading, with nothing else known, what nobody thought of
 * has a little more (19 to 17 of a hundred).
 */
const UNKNOWN_LEADS: ReadonlySet<string> = new Set(['let-by']);

type Gauge = Model['gauges'][number];
type Numbered = Extract<Prediction, { kind: 'number' }>;

describe.each(FAMILIES)('%s', (id) => {
  const engine = new Engine(profile(id));
  const { model, traces } = engine;
  const before = engine.assess({ episodes: [FIRST_EPISODE], items: [] }, { pairs: false });
  const weightIn = ({ hypotheses, probabilities }: Assessment, family: string): number =>
    hypotheses.reduce((sum, h) => (h.family === family ? sum + probabilities[h.index]! : sum), 0);

  const reads = (gauge: Gauge, faults: Hypothesis['faults']): Numbered | undefined => {
    const question = { kind: 'gauge', gauge: model.gauges.indexOf(gauge) } as const;
    const predicted = kindOf(question).predict(model, traces.last(faults, [FIRST_EPISODE]), question);
    return predicted.kind === 'number' && !predicted.absent ? predicted : undefined;
  };
  /** What is believed after one reading. */
  const after = (gauge: Gauge, value: number): Assessment =>
    engine.assess(
      {
        episodes: [FIRST_EPISODE],
        items: [
          {
            id: 'a',
            episode: 0,
            observation: {
              kind: 'gauge',
              gauge: model.gauges.indexOf(gauge),
              reading: { kind: 'value', value, dimension: model.quantities[gauge.quantity]!.dimension },
            },
          },
        ],
      },
      { pairs: false },
    );
  const soundTo = (family: string, a: Assessment): number =>
    weightIn(a, 'healthy') / weightIn(before, 'healthy') / (weightIn(a, family) / weightIn(before, family));

  const sweeps = model.gauges.flatMap((gauge) => {
    const sound = reads(gauge, []);
    if (!sound) return [];
    const { low, high } = sound.reach ?? { low: sound.value, high: sound.value };
    const broken = new Map<string, number[]>();
    for (const h of engine.hypotheses) {
      const p = h.kind === 'fault' ? reads(gauge, h.faults) : undefined;
      if (!p) continue;
      const factor = beyond(p.tolerance, sound.tolerance);
      if (p.value <= high * factor && p.value >= low / factor) continue;
      broken.set(h.family, [...(broken.get(h.family) ?? []), p.value]);
    }
    return broken.size === 0 ? [] : [[gauge.id, { gauge, sound, low, high, broken }] as const];
  });

  test.each(sweeps)('%s', (name, { gauge, sound, low, high, broken }) => {
    const atSound = after(gauge, sound.value);
    const wrong: string[] = [];
    if (atSound.suspects[0]!.repair === 'unknown') wrong.push(`unknown leads at ${sound.value}`);
    for (const [family, values] of broken) {
      if (soundTo(family, atSound) <= 1) wrong.push(`${sound.value} of a sound one speaks for ${family}`);
      for (const value of values) {
        const a = after(gauge, value);
        if (soundTo(family, a) >= 1) wrong.push(`${value} of ${family} speaks against it`);
        if (!UNKNOWN_LEADS.has(name) && a.suspects[0]!.repair === 'unknown')
          wrong.push(`unknown leads at ${value} of ${family}`);
      }
      const nearest = values.reduce((b, v) => (Math.abs(v - sound.value) < Math.abs(b - sound.value) ? v : b));
      const end = nearest > high ? high : low;
      const odds = Array.from({ length: STEPS + 1 }, (_, i) =>
        soundTo(family, after(gauge, end + ((nearest - end) * i) / STEPS)),
      );
      odds.slice(1).forEach((later, i) => {
        if (later > odds[i]! * 1.001 && odds[i]! > DECIDED) wrong.push(`${family} turns back at step ${i + 1}`);
      });
    }
    expect(wrong).toEqual([]);
  });
});
