import {
  type FunctionId,
  functionsOf,
  type InstrumentKind,
  notThere,
  type Place,
  SimulatedInstrument,
  type Truth,
  truthOf,
} from '../src/instruments';
import { findFault, LivingAppliance, NORMAL_SETUP, Random, VirtualAppliance } from '../src/simulation';
import { millis } from '../src/units';
import { profile } from './models';

const points = (red: string, black: string): Place => ({ at: 'points', red, black });

/** A machine by its book, with something broken, so many seconds after it was come to. */
function machine(family: string, { broken = [] as string[], variant = undefined as string | undefined } = {}) {
  const model = profile(family, variant);
  return new LivingAppliance(
    new VirtualAppliance(
      model,
      broken.map((name) => findFault(model, name)),
    ),
    0,
  );
}

const truth = (
  living: LivingAppliance,
  seconds: number,
  place: Place,
  set: FunctionId,
  flue?: { oxygen: number; carbonMonoxide: number },
): Truth => truthOf(living.model, living.now(millis(seconds)), place, set, flue);

const value = (t: Truth): number => {
  if (t.is !== 'value') throw new Error(`it is ${t.is}`);
  return t.value;
};

describe('what an instrument meets is what stands where its probes are', () => {
  const furnace = machine('furnace-condensing');

  test('the right function reads the rail, the wrong one nothing of it', () => {
    expect(value(truth(furnace, 2, points('R', 'C'), 'v-ac'))).toBeCloseTo(26, 0);
    expect(value(truth(furnace, 2, points('R', 'C'), 'v-dc'))).toBe(0);
    const mobile = machine('mobile-furnace');
    expect(value(truth(mobile, 2, points('B', 'CH'), 'v-dc'))).toBeGreaterThan(11);
    expect(value(truth(mobile, 2, points('B', 'CH'), 'v-ac'))).toBe(0);
  });

  test('probes the other way round turn the sign of direct volts', () => {
    const mobile = machine('mobile-furnace');
    const there = value(truth(mobile, 2, points('B', 'CH'), 'v-dc'));
    expect(value(truth(mobile, 2, points('CH', 'B'), 'v-dc'))).toBeCloseTo(-there, 9);
  });

  test('a point that comes later is dead before and live while its step lasts', () => {
    const trace = furnace.now(0).lived.trace;
    const step = furnace.model.phases.findIndex((p) => p.id === 'valve');
    const at = trace.windows[step]![0]!.from / 1000;
    expect(value(truth(furnace, at - 2, points('MV', 'C'), 'v-ac'))).toBeLessThan(1);
    expect(value(truth(furnace, at + 1, points('MV', 'C'), 'v-ac'))).toBeGreaterThan(20);
  });

  test('an open wire shows a ghost at high impedance, and nothing at low', () => {
    // Its igniter is broken and its output is off: nothing joins the wire between them to anything.
    const cut = machine('furnace-condensing', { broken: ['igniter.open'] });
    expect(truth(cut, 2, points('IP', 'N'), 'v-ac').is).toBe('ghost');
    expect(value(truth(cut, 2, points('IP', 'N'), 'v-ac-low'))).toBe(0);
    expect(value(truth(cut, 2, points('IP', 'N'), 'v-dc'))).toBe(0);
  });

  test('118 V behind a full bridge: 0.9003 of it on V DC, 0.4352 on V AC (Fourier series of |sin|)', () => {
    const dryer = machine('dryer-burner', { variant: 'rectified-coils' });
    const { trace } = dryer.now(0).lived;
    const live = trace.circuits.find(({ circuit: { solution } }) => {
      const [a, b] = ['HD', 'HR'].map((n) => dryer.model.nets.indexOf(n));
      return solution.island[a!] === solution.island[b!] && Math.abs(solution.re[a!]! - solution.re[b!]!) > 50;
    })!;
    const at = (live.from + 1) / 1000;
    const direct = value(truth(dryer, at, points('HD', 'HR'), 'v-dc'));
    const alternating = value(truth(dryer, at, points('HD', 'HR'), 'v-ac'));
    expect(direct / alternating).toBeCloseTo(0.9003 / 0.4352, 3);
  });

  test('ohms where there is voltage are an accident, and no number', () =>
    expect(truth(furnace, 2, points('R', 'C'), 'ohms').is).toBe('accident'));

  test('ohms of a part that is isolated are its own; of a broken one OL', () => {
    const at: Place = { at: 'part', part: 'igniter', branch: '' };
    expect(value(truth(furnace, 2, at, 'ohms'))).toBeGreaterThan(35);
    const open = machine('furnace-condensing', { broken: ['igniter.open'] });
    expect(truth(open, 2, at, 'ohms').is).toBe('over');
  });

  test('the hanging probe of a voltmeter shows a little of what is in the air; an ohmmeter shows OL', () => {
    expect(truth(furnace, 2, { at: 'nowhere' }, 'v-ac').is).toBe('ghost');
    expect(truth(furnace, 2, { at: 'nowhere' }, 'ohms').is).toBe('over');
  });
});

describe('a clamp', () => {
  test('reads nothing of direct current when it is for alternating, and ten turns show ten times', () => {
    const mobile = machine('mobile-furnace');
    const round: Place = { at: 'part', part: 'blower', branch: '' };
    const running = mobile.now(0).lived.trace.windows[mobile.model.phases.findIndex((p) => p.id === 'blower')]![0]!;
    const at = (running.from + 500) / 1000;
    expect(value(truth(mobile, at, round, 'a-ac'))).toBe(0);
    const amps = value(truth(mobile, at, round, 'a-dc'));
    expect(amps).toBeGreaterThan(2);
    expect(value(truth(mobile, at, { ...round, turns: 10 }, 'a-dc'))).toBeCloseTo(10 * amps, 6);
  });
});

describe('gauges', () => {
  test('a manometer shows the draft only where it is teed in', () => {
    const furnace = machine('furnace-condensing');
    const step = furnace.now(0).lived.trace.windows[furnace.model.phases.findIndex((p) => p.id === 'inducer')]![0]!;
    const at = (step.from + 4000) / 1000;
    expect(value(truth(furnace, at, { at: 'gauge', gauge: 'draft' }, 'pressure'))).toBeGreaterThan(100);
    expect(value(truth(furnace, at, { at: 'nowhere' }, 'pressure'))).toBe(0);
    expect(value(truth(furnace, at, { at: 'gauge', gauge: 'flame-signal' }, 'pressure'))).toBe(0);
  });

  test('an analyser shows air until the burner heats, then the flue; its oxygen and carbon dioxide go together (methane, 11.7 %)', () => {
    const furnace = machine('furnace-condensing');
    const flue = { oxygen: 0.07, carbonMonoxide: 0.00003 };
    const place: Place = { at: 'flue' };
    const goal = furnace.model.phases.find((p) => p.goal)!;
    const heats = furnace.now(0).lived.trace.cues[goal.index]![0]!.from / 1000 + 1;
    expect(value(truth(furnace, 1, place, 'oxygen', flue))).toBeCloseTo(0.209, 6);
    expect(value(truth(furnace, heats, place, 'oxygen', flue))).toBeCloseTo(0.07, 6);
    expect(value(truth(furnace, heats, place, 'carbon-dioxide', flue))).toBeCloseTo(0.117 * (1 - 0.07 / 0.209), 6);
    expect(value(truth(furnace, heats, place, 'carbon-monoxide', flue))).toBeCloseTo(0.00003, 9);
    expect(value(truth(furnace, heats, { at: 'nowhere' }, 'oxygen', flue))).toBeCloseTo(0.209, 6);
  });
});

describe('a machine lives through time', () => {
  test('what it is set to begins a new stretch, and the same setting none', () => {
    const living = machine('furnace-condensing');
    living.set(NORMAL_SETUP, 5000);
    expect(living.began).toBe(0);
    living.set({ ...NORMAL_SETUP, power: false }, 9000);
    expect(living.began).toBe(9000);
    expect(value(truthOf(living.model, living.now(9500), points('R', 'C'), 'v-ac'))).toBe(0);
    living.set(NORMAL_SETUP, 20_000);
    expect(value(truthOf(living.model, living.now(22_000), points('R', 'C'), 'v-ac'))).toBeGreaterThan(20);
  });

  test('what is repaired is sound from then on, and stays so when it is set otherwise', () => {
    const living = machine('furnace-condensing', { broken: ['transformer.secondary-open'] });
    const rail = (at: number): number => value(truthOf(living.model, living.now(at), points('SEC', 'C'), 'v-ac'));
    expect(rail(2000)).toBe(0);
    const transformer = living.model.parts.findIndex((p) => p.id === 'transformer');
    living.set(living.setup, 3000, [transformer as never]);
    expect(living.began).toBe(3000);
    expect(rail(5000)).toBeGreaterThan(20);
    living.set({ ...NORMAL_SETUP, gas: false }, 6000);
    expect(rail(8000)).toBeGreaterThan(20);
    living.set({ ...NORMAL_SETUP, gas: false }, 9000, []);
    expect(rail(11_000)).toBe(0);
  });

  test('a round that repeats goes on for ever, and a state that stands stands', () => {
    const short = machine('furnace-condensing', { broken: ['gas-valve.coil-short'] });
    const { cycle, end } = short.now(0).lived.trace;
    expect(cycle).toBeDefined();
    for (const round of [1, 7, 1000]) {
      const { at } = short.now(end + round * cycle!.length + 300);
      expect(at).toBeGreaterThanOrEqual(cycle!.from);
      expect(at).toBeLessThan(end);
    }
    const dead = machine('furnace-condensing', { broken: ['fuse.open'] });
    expect(dead.now(86_400_000).at).toBe(dead.now(0).lived.trace.end);
  });
});

describe('a display', () => {
  /** An instrument on a machine, and what it shows a quarter of a second at a time. */
  function held(kind: InstrumentKind, living: LivingAppliance) {
    const instrument = new SimulatedInstrument(
      { id: 'x', kind, title: 'X', serial: 'X-1' },
      living.model,
      new Random(5),
      {
        oxygen: 0.07,
        carbonMonoxide: 0.00003,
      },
    );
    let at = 0;
    const show = (times = 1) => {
      let shown;
      for (let i = 0; i < times; i++) {
        at += 250;
        const now = at;
        shown = instrument.show(now, (ago) => living.now(now - ago));
      }
      return shown!;
    };
    return { instrument, show };
  }
  // Everything is on but the call for heat: what stands, stands.
  const still = (family: string, broken: string[] = []) => {
    const living = machine(family, { broken });
    living.set({ ...NORMAL_SETUP, heatCall: false }, 0);
    return living;
  };

  test('it looks for its range when the probes meet more than it has, and settles within its class', () => {
    const { instrument, show } = held('multimeter', still('furnace-condensing'));
    show(4);
    instrument.put(points('L1', 'N'));
    const first = show();
    expect(first.value).toBeUndefined();
    expect(first.over).toBe(false);
    const { value, step, unit } = show(10);
    expect(unit).toBe('V');
    expect(step).toBe(0.1);
    // 120 V, 1 % and 3 digits (common practice, no source).
    expect(Math.abs(value! - 120)).toBeLessThan(1.5);
  });

  test('a ghost wanders and never stands', () => {
    const { instrument, show } = held('multimeter', still('furnace-condensing', ['igniter.open']));
    instrument.put(points('IP', 'N'));
    const seen = Array.from({ length: 40 }, () => show().value).filter((v) => v !== undefined);
    expect(Math.max(...seen) - Math.min(...seen)).toBeGreaterThan(3);
    expect(Math.max(...seen)).toBeLessThan(80);
  });

  test('ohms have the leads in them', () => {
    const living = still('furnace-condensing');
    const part: Place = { at: 'part', part: 'gas-valve', branch: '' };
    const own = value(truth(living, 2, part, 'ohms'));
    const { instrument, show } = held('multimeter', living);
    instrument.turn('ohms');
    instrument.put(part);
    const shown = show(12).value!;
    expect(shown - own).toBeGreaterThan(0.05);
    expect(shown - own).toBeLessThan(0.7);
  });

  test('ohms on a live circuit jump about, and the accident is told', () => {
    const { instrument, show } = held('multimeter', still('furnace-condensing'));
    instrument.turn('ohms');
    instrument.put(points('R', 'C'));
    expect(show(3).accident).toBe(true);
    const seen = Array.from({ length: 12 }, () => show().value ?? 0);
    expect(Math.max(...seen) - Math.min(...seen)).toBeGreaterThan(20);
  });

  test('open is OL, and what it showed before is gone', () => {
    const { instrument, show } = held('multimeter', still('furnace-condensing', ['igniter.open']));
    instrument.turn('ohms');
    instrument.put({ at: 'part', part: 'igniter', branch: '' });
    expect(show(3)).toMatchObject({ over: true, value: undefined });
  });

  test('an analyser follows slowly: after a second it is not there yet', () => {
    const living = machine('furnace-condensing');
    const goal = living.model.phases.find((p) => p.goal)!;
    const heats = living.now(0).lived.trace.cues[goal.index]![0]!.from;
    const { instrument } = held('analyser', living);
    instrument.put({ at: 'flue' });
    const at = (t: number): number => instrument.show(t, (ago) => living.now(Math.max(0, t - ago))).value!;
    expect(at(heats - 1000)).toBeCloseTo(20.9, 0);
    expect(at(heats + 1000)).toBeGreaterThan(15);
    for (let t = 1500; t <= 60_000; t += 500) at(heats + t);
    expect(at(heats + 60_500)).toBeCloseTo(7, 0);
  });

  test('a knob has the functions of its instrument and no other', () => {
    const { instrument } = held('clamp', still('furnace-condensing'));
    expect(functionsOf('clamp')).toEqual(['a-ac', 'a-dc']);
    expect(() => instrument.turn('v-ac')).toThrow(/a clamp has no V AC/);
  });
});

test.each([
  [points('R', 'C'), undefined],
  [points('R', 'R'), /same point/],
  [points('RR', 'C'), /unknown test point|RR/],
  [{ at: 'part', part: 'igniter', branch: '' } as Place, undefined],
  [{ at: 'part', part: 'ignitor', branch: '' } as Place, /igniter/],
  [{ at: 'part', part: 'igniter', branch: 'left' } as Place, /left/],
  [{ at: 'part', part: 'igniter', branch: '', turns: 0 } as Place, /1 to 50/],
  [{ at: 'gauge', gauge: 'drafts' } as Place, /draft/],
  [{ at: 'flue' } as Place, undefined],
])('put at %j: what can be, or why not', (place, why) => {
  const said = notThere(profile('furnace-condensing'), place);
  if (why === undefined) expect(said).toBeUndefined();
  else expect(said).toMatch(why);
});
