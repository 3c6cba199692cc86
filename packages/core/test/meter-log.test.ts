import { readAgainst, readMeterLog, whereToHang } from '@zetalysis/core/analysis';
import { measureVolts } from '@zetalysis/core/circuit';
import { Engine } from '@zetalysis/core/diagnosis';
import { findNet } from '@zetalysis/core/profile';
import { CircuitStates, findFault, NORMAL_SETUP, run } from '@zetalysis/core/simulation';
import { profile } from './models';

const model = profile('furnace-condensing');
const engine = new Engine(model);

/** What a logger writes that hangs on some points from some seconds before the call; noise and a clock that is its own. */
function logged(
  faults: readonly string[],
  points: readonly string[],
  { lead = 4, rate = 10, lasts = 70, clock = 1 } = {},
): string {
  const trace = run(
    new CircuitStates(model),
    faults.map((f) => findFault(model, f)),
    NORMAL_SETUP,
  );
  const volts = (t: number, net: string): number => {
    const at = Math.max(0, t) * 1000;
    const segment = trace.segments.find((s) => s.to > at) ?? trace.segments.at(-1)!;
    const m = measureVolts(segment.circuit.solution, findNet(model, net), findNet(model, 'C'), 'high-impedance');
    return t < 0 ? (net === 'R' ? 25.6 : 0) : m.kind === 'volts' ? Math.abs(m.volts) : 0;
  };
  const rows = Array.from({ length: (lead + lasts) * rate }, (_, i) => {
    const t = i / rate;
    const cells = points.map((p) => (volts((t - lead) * clock, p) + 0.05 * Math.sin(i)).toFixed(2));
    return [t.toFixed(2), ...cells].join(',');
  });
  return ['time [s],' + points.map((p) => `${p}-C [V]`).join(','), ...rows].join('\n');
}

const against = (text: string, points: readonly string[]) => {
  const log = readMeterLog(text);
  return readAgainst(
    engine,
    log,
    points.map((red, i) => ({ red, black: 'C', column: log.columns[i]! })),
  );
};

describe('the file of a logging meter', () => {
  const rows = (...lines: string[]): string => lines.join('\n');

  test('a header with units, commas', () => {
    const log = readMeterLog(rows('Time (s),R-C (V),Draft [inwc]', '0,25.6,0.85', '0.5,25.5,0.86'));
    expect([...log.time]).toEqual([0, 0.5]);
    expect(log.columns.map((c) => [c.name, c.dimension])).toEqual([
      ['R-C (V)', 'voltage'],
      ['Draft [inwc]', 'pressure'],
    ]);
    expect(log.columns[1]!.values[0]).toBeCloseTo(0.85 * 249.089, 3);
  });

  test('semicolons and decimal commas, times of the clock, a line above the header', () => {
    const log = readMeterLog(rows('logger 4, channel 1', 'Zeit;Ch1 [mV]', '12:00:01,5;27,5', '12:00:02,5;26,0'));
    expect([...log.time]).toEqual([0, 1]);
    expect(log.columns[0]!.values[0]).toBeCloseTo(0.0275, 6);
    expect(log.recognised).toContain('decimal comma');
  });

  test('tabs, milliseconds, no header, the unit behind every number', () => {
    expect([...readMeterLog('t_ms\tA\n0\t1\n250\t2').time]).toEqual([0, 0.25]);
    const log = readMeterLog('0\t25.6 V\n1\t25.7 V');
    expect([...log.columns[0]!.values]).toEqual([25.6, 25.7]);
    expect(log.recognised).toContain('no header');
  });

  test('rows without a time are left out and counted; a gap in a channel is no number', () => {
    const log = readMeterLog(rows('t,R', '0,1', 'pause,', '2,', '3,4'));
    expect([log.skipped, [...log.time]]).toEqual([1, [0, 2, 3]]);
    expect(log.columns[0]!.values[1]).toBeNaN();
  });

  test.each([
    ['words\nwithout\nnumbers', /One column only/],
    ['a,b\nc,d', /No rows with a time/],
    ['t,v\n5,1\n4,2', /do not go up/],
  ])('%j is refused with what to do', (text, words) => expect(() => readMeterLog(text)).toThrow(words));
});

describe('a log beside the model', () => {
  test('a sound one parts nowhere, and its steps are cut where they come', () => {
    const read = against(logged([], ['W', 'GV']), ['W', 'GV']);
    expect(read.parting).toBeUndefined();
    expect(read.called).toBeCloseTo(4, 0);
    // Whatever changes nothing in the first minute draws it as well as a sound one.
    const shares = new Map(read.suspects.map((s) => [s.id, s.share]));
    for (const fault of ['limit.open', 'gas-valve.coil-short', 'igniter.open'])
      expect(shares.get(fault) ?? 0).toBeLessThan(0.01);
    expect(read.steps.map((s) => s.phase)).toContain('valve');
  });

  test('a step is cut where its channel moves in the log, by the clock of this appliance', () => {
    const read = against(logged([], ['W', 'GV'], { clock: 1.06 }), ['W', 'GV']);
    const of = (phase: string) => read.steps.find((s) => s.phase === phase)!;
    const valve = of('valve');
    expect(valve.logged).toEqual({ at: expect.any(Number), channel: 1 });
    // Its clock runs faster than the book's.
    const at = (valve.logged as { at: number }).at;
    expect(Math.abs(at - valve.at / 1.06)).toBeLessThan(0.3);
    expect(at).toBeLessThan(valve.at - 1);
    // Neither volts at the thermostat’s wire nor at the valve say anything of the inducer.
    expect(of('inducer').logged).toBeUndefined();
  });

  test('a step whose channel had to move and did not is missing; what is drawn goes around where they part', () => {
    const read = against(logged(['limit.open'], ['W', 'GV']), ['W', 'GV']);
    expect(read.steps.find((s) => s.phase === 'valve')!.logged).toBe('missing');
    const broken = against(logged(['transformer.weak'], ['R', 'GV']), ['R', 'GV']);
    expect(broken.likeliest).toMatch(/transformer/i);
    const { close, whole, parting } = broken;
    expect([close!.from < parting!.at, close!.to > parting!.at]).toEqual([true, true]);
    for (const channel of close!.channels) {
      expect(channel.logged.every((b) => b.at >= close!.from - 0.1 && b.at <= close!.to + 0.1)).toBe(true);
      expect(channel.sound.at(-1)!.at).toBe(close!.to);
    }
    expect(whole.channels[0]!.logged.length).toBeLessThanOrEqual(300);
    expect(against(logged([], ['W', 'GV']), ['W', 'GV']).likeliest).toBeUndefined();
  });

  test('what repeats is drawn as often as it comes in the window', () => {
    // An igniter that is open: it tries again and again.
    const read = against(logged(['igniter.open'], ['GV', 'R'], { lasts: 200 }), ['GV', 'R']);
    const rises = read.whole.channels[1]!.likeliest.filter((c, i, all) => i > 0 && c.volts > all[i - 1]!.volts).length;
    expect(rises).toBeGreaterThan(2);
  });

  test.each([
    ['transformer.weak', ['R', 'GV'], undefined],
    ['igniter.open', ['R', 'GV'], undefined],
    ['limit.open', ['LI', 'W'], undefined],
    ['thermostat-cable.open', ['R', 'W'], undefined],
  ] as const)('%s is drawn best by itself, and parts where it breaks', (fault, points, phase) => {
    const read = against(logged([fault], points, { clock: 1.03 }), points);
    expect(read.parting).toBeDefined();
    if (phase) expect(read.parting!.phase).toBe(phase);
    expect(read.suspects.slice(0, 3).map((s) => s.id)).toContain(fault);
    expect(read.suspects.find((s) => s.id === 'healthy')?.share ?? 0).toBeLessThan(0.05);
  });

  test('where it hung has to be on the appliance; nothing logged is no channel', () => {
    const log = readMeterLog('t,v\n0,1\n1,2');
    expect(() => readAgainst(engine, log, [{ red: 'XX', black: 'C', column: log.columns[0]! }])).toThrow(/no XX to C/);
    expect(() => readAgainst(engine, log, [])).toThrow(/where it hung/);
  });
});

describe('where to hang a logger', () => {
  const among = (...ids: string[]) =>
    ids.map((id) => ({ hypothesis: engine.hypotheses.find((h) => h.id === id)!, share: 1 / ids.length }));

  test('three channels at most, each telling something that the others do not', () => {
    const places = whereToHang(engine, among('limit.open', 'rollout.open', 'thermostat-cable.open', 'igniter.open'));
    expect(places.length).toBeGreaterThan(0);
    expect(places.length).toBeLessThanOrEqual(3);
    expect(new Set(places.map((p) => p.red)).size).toBe(places.length);
    for (let i = 1; i < places.length; i++) expect(places[i]!.tells).toBeLessThanOrEqual(places[i - 1]!.tells);
  });

  test('a switch is told from the one behind it by the point between them', () => {
    const places = whereToHang(engine, among('limit.open', 'rollout.open'));
    expect(places.map((p) => p.red)).toContain('LI');
    // Nobody is sent to line voltage where 24 V tell as much.
    expect(places.map((p) => model.points.find((q) => model.nets[q.net] === p.red)!.line)).not.toContain(true);
  });
});
