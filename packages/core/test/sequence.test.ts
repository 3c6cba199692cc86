import { measureVolts } from '../src/circuit';
import { findNet, type Model } from '../src/profile';
import { CircuitStates, findFault, NORMAL_SETUP, quantityAt, run, type Setup, type Trace } from '../src/simulation';
import { profile } from './models';

const furnace = profile('furnace-condensing');
const steam = profile('steam-intermittent-pilot');

const traceOf = (
  model: Model,
  faults: readonly string[] = [],
  setup: Partial<Setup> = {},
  memory?: Trace['memory'],
): Trace =>
  run(
    new CircuitStates(model),
    faults.map((f) => findFault(model, f)),
    { ...NORMAL_SETUP, ...setup },
    memory,
  );
const cue = (model: Model, trace: Trace, id: string) => trace.cues[model.phases.findIndex((p) => p.id === id)]!;
const windows = (model: Model, trace: Trace, id: string) => trace.windows[model.phases.findIndex((p) => p.id === id)]!;

/** Smallest and largest reading of a pair over a whole trace, volts. */
function extremes(model: Model, trace: Trace, red: string, black: string): { low: number; high: number } {
  const readings = trace.segments
    .filter((s) => s.to > s.from)
    .map((s) => measureVolts(s.circuit.solution, findNet(model, red), findNet(model, black), 'high-impedance'))
    .map((m) => (m.kind === 'volts' ? m.volts : 0));
  return { low: Math.min(...readings), high: Math.max(...readings) };
}

describe('a healthy furnace', () => {
  const trace = traceOf(furnace);

  test('goes through its sequence in order', () => {
    expect(trace.outcome).toBe('runs');
    const starts = ['call', 'inducer', 'glow', 'valve', 'flame', 'steady', 'heating'].map(
      (id) => cue(furnace, trace, id)[0]!.from,
    );
    expect([...starts].sort((a, b) => a - b)).toEqual(starts);
    expect(cue(furnace, trace, 'cut-out')).toHaveLength(0);
  });

  test('times are those of the trade (common practice, no source): purge 15–30 s, warm-up 17–45 s, flame within 4–7 s of the valve, blower 30 s after', () => {
    const at = (id: string): number => cue(furnace, trace, id)[0]!.from / 1000;
    const heatingUp = windows(furnace, trace, 'glow')[0]!;
    expect(at('valve') - heatingUp.from / 1000).toBeGreaterThanOrEqual(17);
    expect(at('valve') - heatingUp.from / 1000).toBeLessThanOrEqual(45);
    expect(at('flame') - at('valve')).toBeLessThan(4);
    expect(at('heating') - at('flame')).toBeGreaterThan(25);
    expect(at('heating') - at('flame')).toBeLessThan(40);
  });

  test('the control voltage dips 1–2 V at most when loads switch on, and stays in 24–28.5 V (common practice, no source)', () => {
    const { low, high } = extremes(furnace, trace, 'R', 'C');
    expect(low).toBeGreaterThan(24);
    expect(high).toBeLessThan(28.5);
    expect(high - low).toBeGreaterThan(0.3);
    expect(high - low).toBeLessThan(2);
  });

  test('the rod shows 80–180 VAC to ground before there is flame (common practice, no source)', () => {
    expect(extremes(furnace, trace, 'FR', 'CH').high).toBeGreaterThan(80);
    expect(extremes(furnace, trace, 'FR', 'CH').high).toBeLessThan(180);
  });

  test('a flame signal of 1–6 µA (common practice, no source)', () => {
    const quantity = furnace.quantities.find((q) => q.id === 'flame-current')!.index;
    const value = quantityAt(trace, quantity, trace.end);
    expect(value).toBeGreaterThan(1e-6);
    expect(value).toBeLessThan(6e-6);
  });

  test('is the same every time', () => {
    const again = traceOf(furnace);
    expect(again.cues).toEqual(trace.cues);
    expect(again.end).toBe(trace.end);
  });

  test('does nothing without a call', () => expect(traceOf(furnace, [], { heatCall: false }).outcome).toBe('dead'));
});

describe('what faults do', () => {
  test('rod wire off: lights, dies after the proving time, three times, then lockout', () => {
    const trace = traceOf(furnace, ['rod-wire.open']);
    expect(trace.outcome).toBe('locks-out');
    expect(trace.code).toBe('red-quick');
    expect(cue(furnace, trace, 'flame')).toHaveLength(3);
    for (const flame of cue(furnace, trace, 'flame')) expect(flame.to - flame.from).toBeLessThan(7000);
    expect(cue(furnace, trace, 'steady')).toHaveLength(0);
  });

  test('igniter dead: the valve clicks three times, no flame', () => {
    const trace = traceOf(furnace, ['igniter.open']);
    expect(cue(furnace, trace, 'valve')).toHaveLength(3);
    expect(cue(furnace, trace, 'glow')).toHaveLength(0);
    expect(cue(furnace, trace, 'flame')).toHaveLength(0);
  });

  test('gas shut: glow and click, nothing more', () => {
    for (const trace of [traceOf(furnace, ['gas-cock.shut']), traceOf(furnace, [], { gas: false })]) {
      expect(cue(furnace, trace, 'glow').length).toBeGreaterThan(0);
      expect(cue(furnace, trace, 'valve')).toHaveLength(3);
      expect(cue(furnace, trace, 'flame')).toHaveLength(0);
    }
  });

  test('shorted valve coil: the rail collapses the instant it is switched on, the control starts over, no code, for ever', () => {
    const trace = traceOf(furnace, ['gas-valve.coil-short']);
    expect(trace.outcome).toBe('starts-over');
    expect(trace.code).toBe('none');
    expect(trace.cycle).toBeDefined();
    expect(trace.resets.length).toBeGreaterThan(0);
    expect(extremes(furnace, trace, 'R', 'C').low).toBeLessThan(18.5);
    const unplugged = traceOf(furnace, ['gas-valve.coil-short'], { unplugged: ['P2'] });
    expect(unplugged.outcome).toBe('locks-out');
    expect(unplugged.code).toBe('red-quick');
    expect(extremes(furnace, unplugged, 'R', 'C').low).toBeGreaterThan(24);
  });

  test('a chafed harness goes on restarting with the valve unplugged', () => {
    expect(traceOf(furnace, ['valve-harness.short'], { unplugged: ['P2'] }).outcome).toBe('starts-over');
  });

  test('a shorted thermostat cable blows the fuse, and the fuse stays blown in the next try', () => {
    const first = traceOf(furnace, ['thermostat-cable.short']);
    const fuse = furnace.parts.find((p) => p.id === 'fuse')!.index;
    expect(first.memory.partStates.get(fuse)).toBe('blown');
    const second = traceOf(furnace, [], {}, first.memory);
    expect(second.outcome).toBe('dead');
    expect(second.code).toBe('dark');
  });

  test('blocked filter: runs for minutes, the limit opens, inducer and blower go on, again and again', () => {
    const trace = traceOf(furnace, ['filter.blocked']);
    expect(trace.outcome).toBe('cycles');
    expect(cue(furnace, trace, 'heating')[0]!.to - cue(furnace, trace, 'heating')[0]!.from).toBeGreaterThan(60_000);
    expect(cue(furnace, trace, 'cut-out').length).toBeGreaterThan(0);
  });

  test('air in the pipe: two tries without flame, the third lights; the next call lights at once', () => {
    const first = traceOf(furnace, ['gas-line.air']);
    expect(first.outcome).toBe('runs');
    expect(windows(furnace, first, 'valve')).toHaveLength(3);
    expect(windows(furnace, traceOf(furnace, ['gas-line.air'], {}, first.memory), 'valve')).toHaveLength(1);
  });

  test('a pressure switch that is closed too early keeps the control from starting', () => {
    const trace = traceOf(furnace, ['pressure-switch.stuck-closed']);
    expect(cue(furnace, trace, 'inducer')).toHaveLength(0);
    expect(trace.code).toBe('amber-slow');
  });

  test('a bypass carries power round the open switch; an unplugged motor does not run', () => {
    expect(traceOf(furnace, ['limit.open'], { bypassed: ['limit'] }).outcome).toBe('runs');
    expect(cue(furnace, traceOf(furnace, [], { unplugged: ['P4'] }), 'inducer')).toHaveLength(0);
  });
});

describe('a steam boiler with damper and module', () => {
  test('lights in order: damper, spark, pilot, main', () => {
    const trace = traceOf(steam);
    expect(trace.outcome).toBe('runs');
    const starts = ['damper', 'spark', 'pilot', 'main'].map((id) => cue(steam, trace, id)[0]!.from);
    expect([...starts].sort((a, b) => a - b)).toEqual(starts);
  });

  test('low water takes the power from the thermostat, which is fed through the cut-off', () => {
    expect(extremes(steam, traceOf(steam, ['water.low']), 'LW', 'C').high).toBeLessThan(1);
    expect(extremes(steam, traceOf(steam, ['water.low']), 'R', 'C').high).toBeGreaterThan(24);
    const ahead = profile('steam-intermittent-pilot', 'cutoff-after-thermostat');
    expect(extremes(ahead, traceOf(ahead, ['water.low']), 'TH', 'C').high).toBeGreaterThan(24);
  });

  test('the damper splits the circuit: open but no fire is the burner side, never open the safety side', () => {
    for (const fault of ['damper.end-switch-open', 'module.dead', 'P1/1.open', 'pilot-valve.coil-open'])
      expect(cue(steam, traceOf(steam, [fault]), 'damper')).toHaveLength(1);
    for (const fault of [
      'lwco.open',
      'thermostat.open',
      'spill.open',
      'pressure-limit.open',
      'rollout.open',
      'damper.blade-stuck',
    ])
      expect(cue(steam, traceOf(steam, [fault]), 'damper')).toHaveLength(0);
  });

  test('a shorted main valve coil pulls the supply down in a cycle', () => {
    const trace = traceOf(steam, ['main-valve.coil-short']);
    expect(trace.outcome).toBe('starts-over');
    expect(trace.resets.length).toBeGreaterThan(0);
  });
});
