import { Engine } from '@zetalysis/core/diagnosis';
import { type Hypothesis, waysOfFailing } from '@zetalysis/core/inference';
import { MISREPORTED, SimulatedTechnician, SimulatedVisit } from '@zetalysis/core/practice';
import { findNet, loadProfile, type Model, variantsOf } from '@zetalysis/core/profile';
import type { Question } from '@zetalysis/core/question';
import {
  CircuitStates,
  type FaultRef,
  FIRST_EPISODE,
  NORMAL_SETUP,
  Random,
  run,
  varied,
  VirtualAppliance,
} from '@zetalysis/core/simulation';
import { readingValue } from '@zetalysis/core/units';
import { profileIds, profileSource } from '../src/files';

const ID = 'furnace-condensing';
const { text, file } = profileSource(ID);
const engine = new Engine(loadProfile(text, file));
const fault = (id: string): Hypothesis => engine.hypotheses.find((h) => h.id === id)!;
const chain = [FIRST_EPISODE];
const moments = (values: readonly number[]): { mean: number; sd: number } => {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  return { mean, sd: Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length) };
};
const times = <T>(n: number, make: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => make(i));

/** A technician before an appliance drawn from a type. */
const technicianAt = (text: string, file: string, hidden: readonly FaultRef[], random: Random): SimulatedTechnician =>
  new SimulatedTechnician(VirtualAppliance.drawn(text, file, hidden, random), random);

describe('the seeded generator', () => {
  test('repeats itself from its seed, and differs between seeds', () => {
    const [a, b, c] = [new Random(5), new Random(5), new Random(6)];
    expect(times(20, () => a.next())).toEqual(times(20, () => b.next()));
    expect(a.next()).not.toBe(c.next());
  });

  // Moments of the standard distributions; the bounds are five standard errors of 20 000 draws.
  test('is uniform, normal and exponential as it says', () => {
    const random = new Random(1);
    const uniform = moments(times(20_000, () => random.next()));
    expect(Math.abs(uniform.mean - 0.5)).toBeLessThan(0.0103);
    expect(Math.abs(uniform.sd - Math.sqrt(1 / 12))).toBeLessThan(0.007);
    const normal = moments(times(20_000, () => random.normal()));
    expect(Math.abs(normal.mean)).toBeLessThan(0.036);
    expect(Math.abs(normal.sd - 1)).toBeLessThan(0.026);
    const exponential = moments(times(20_000, () => random.exponential(2.5)));
    expect(Math.abs(exponential.mean - 2.5)).toBeLessThan(0.089);
    expect(Math.abs(exponential.sd - 2.5)).toBeLessThan(0.15);
  });
});

describe('a simulated appliance and its technician', () => {
  const volts: Question = {
    kind: 'volts',
    red: findNet(engine.model, 'R'),
    black: findNet(engine.model, 'C'),
    phase: engine.model.phases[0]!.index,
    input: 'high-impedance',
  };

  test('a slow cycle is met in either part, and a thermometer errs by its distance from the room', () => {
    const pool = profileSource('pool-heater');
    const model = loadProfile(pool.text, pool.file);
    const own = new Engine(model);
    const half = own.hypotheses.find((h) => h.id === 'filter.half-blocked')!;
    const heater = technicianAt(pool.text, pool.file, half.faults, new Random(4));
    const readings = (id: string): number[] => {
      const { question } = own.tests.find((t) => t.id === id)!;
      return times(600, () => heater.answer(chain, question)).map((o) =>
        o && 'reading' in o ? readingValue(o.reading) : NaN,
      );
    };
    const valve = readings('volts GV C call');
    const live = valve.filter((v) => v > 20).length / 600;
    expect(valve.every((v) => v < 1 || v > 20)).toBe(true);
    expect(live).toBeGreaterThan(0.1);
    expect(live).toBeLessThan(0.9);
    const limit = readings('ohms water-limit');
    expect(limit.every((r) => r < 1 || r === Infinity)).toBe(true);
    expect(new Set(limit.map((r) => r < 1)).size).toBe(2);
    // 1.5 % of the 36 K by which the header is hotter than the room, not of 330 K from absolute zero.
    const { sd } = moments(readings('gauge header'));
    expect(sd).toBeGreaterThan(0.3);
    expect(sd).toBeLessThan(0.8);
  });

  test('about three cues in a hundred are misreported', () => {
    const random = new Random(3);
    const appliance = technicianAt(text, file, [], random);
    const question: Question = { kind: 'seen', phase: engine.model.phases.find((p) => p.goal)!.index };
    const wrong = times(4000, () => appliance.answer(chain, question)).filter((o) => o?.kind === 'seen' && !o.answer);
    // Five standard errors of a share of 3 % over 4000.
    expect(Math.abs(wrong.length / 4000 - MISREPORTED)).toBeLessThan(0.0135);
  });

  test('no two appliances read alike, all of them near their rating, and one reads like itself', () => {
    const random = new Random(4);
    const read = (appliance: SimulatedTechnician): number => {
      const o = appliance.answer(chain, volts);
      return o?.kind === 'volts' ? readingValue(o.reading) : NaN;
    };
    const between = moments(times(60, () => read(technicianAt(text, file, [], random))));
    const one = technicianAt(text, file, [], random);
    const within = moments(times(60, () => read(one)));
    expect(between.mean).toBeGreaterThan(23);
    expect(between.mean).toBeLessThan(29);
    expect(between.sd).toBeGreaterThan(within.sd);
    // The meter: 0.8 % of 26 V and 0.05 V.
    expect(within.sd).toBeLessThan(0.35);
    expect(within.sd).toBeGreaterThan(0.1);
  });

  test('runs when nothing is wrong, and does not with an open igniter', () => {
    expect(VirtualAppliance.drawn(text, file, [], new Random(1)).runs(chain)).toBe(true);
    expect(VirtualAppliance.drawn(text, file, fault('igniter.open').faults, new Random(1)).runs(chain)).toBe(false);
  });
});

describe('a simulated visit', () => {
  const visit = (policy: 'advice' | 'walk' | 'knowing', id: string, seed = 11) =>
    new SimulatedVisit(
      engine,
      technicianAt(text, file, fault(id).faults, new Random(seed)),
      policy,
      policy === 'knowing' ? fault(id) : undefined,
    ).diagnose();

  test('is the same for the same seed', () =>
    expect(visit('advice', 'igniter.open')).toEqual(visit('advice', 'igniter.open')));

  test.each(['igniter.open', 'gas-valve.coil-open', 'transformer.primary-open'])(
    '%s: who knows it proves it no slower than the advice, and the advice beats the walk',
    (id) => {
      const [knowing, advice, walk] = [visit('knowing', id), visit('advice', id), visit('walk', id)];
      for (const finding of [knowing, advice, walk]) {
        expect(finding.named).toBe(fault(id).repair);
        expect(finding.proved).toBe(true);
        expect(finding.stated).toHaveLength(finding.tests + 1);
        expect(new Set(finding.made).size).toBe(finding.tests);
      }
      expect(knowing.minutes).toBeLessThanOrEqual(advice.minutes);
      expect(advice.minutes).toBeLessThan(walk.minutes);
    },
  );

  test('the walk goes from source to load', () => {
    const steps = ['gas-valve.coil-open', 'igniter.open', 'transformer.primary-open', 'limit.open'].flatMap((id) => {
      const volts = visit('walk', id)
        .made.filter((made) => made.startsWith('volts'))
        .map((made) => engine.tests.find((t) => t.id === made)!.order);
      return volts.slice(1).map((order, i) => order - volts[i]!);
    });
    expect(steps.length).toBeGreaterThan(5);
    // A probe made useful by a later finding may still come back to an earlier point.
    expect(steps.filter((s) => s > 0).length).toBeGreaterThan(2 * steps.filter((s) => s < 0).length);
  });
});

describe.each(profileIds())('sound appliances of one type: %s', (id) => {
  const source = profileSource(id);
  const variants = [undefined, ...variantsOf(source.text, source.file).map((v) => v.id)];
  const made = (variant: string | undefined, random?: Random): Model =>
    loadProfile(source.text, source.file, {
      ...(variant === undefined ? {} : { variant }),
      ...(random && { vary: varied(random) }),
    });
  const ends = (model: Model) => {
    const { outcome, cues } = run(new CircuitStates(model), [], NORMAL_SETUP);
    return { outcome, steps: model.phases.filter((p) => cues[p.index]!.length > 0).map((p) => p.id) };
  };

  test('whatever their values within the spread, they do as the nominal one does', () => {
    for (const variant of variants) {
      const nominal = ends(made(variant));
      for (let seed = 1; seed <= 10; seed++)
        expect({ variant, seed, ...ends(made(variant, new Random(seed))) }).toEqual({ variant, seed, ...nominal });
    }
  });

  test('a fault that is the same looks the same on most of them', () => {
    const chain = [FIRST_EPISODE];
    const looks = (one: Engine, h: Hypothesis) => {
      const { outcome, cues } = one.traces.last(h.faults, chain).trace;
      return `${outcome} ${cues.map((c) => Math.min(1, c.length)).join('')}`;
    };
    const nominal = new Engine(made(undefined));
    const drawn = times(6, (i) => new Engine(made(undefined, new Random(i + 1))));
    // A way of failing by all its severities: on another appliance other ones of them stand on this side of a threshold.
    const familyLooks = (one: Engine, h: Hypothesis): string[] =>
      one.hypotheses.filter((s) => s.family === h.family).map((s) => looks(one, s));
    const differs = (d: Engine, h: Hypothesis): boolean =>
      !familyLooks(d, h).some((look) => familyLooks(nominal, h).includes(look));
    const odd = waysOfFailing(nominal.hypotheses)
      .map((w) => w.hypothesis)
      .filter((h) => h.kind === 'fault' && h.occurs === 1)
      .filter((h) => drawn.filter((d) => differs(d, h)).length > drawn.length / 2);
    expect(odd.map((h) => h.id)).toEqual([]);
  });

  test('no fuse of theirs carries a third more than its rating, even while a motor starts', () => {
    for (const variant of variants) {
      const model = made(variant, new Random(3));
      const fuses = model.parts.filter((p) => p.kind.name === 'fuse');
      for (const { circuit } of run(new CircuitStates(model), [], NORMAL_SETUP).circuits)
        for (const element of circuit.circuit.elements)
          for (const fuse of fuses.filter((f) => f.id === element.id))
            expect(Math.hypot(...circuit.solution.current(element))).toBeLessThan(1.33 * Number(fuse.spec['amps']));
    }
  });
});
