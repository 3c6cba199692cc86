import { loadProfile, type Model } from '../src/profile';
import { CircuitStates, findFault, NORMAL_SETUP, quantityAt, run, type Trace } from '../src/simulation';

/** A control on 24 V with one input from a switch that follows a quantity, and one output with a load. */
const bench = (options: {
  wave?: string;
  debounce?: string;
  holdUp?: string;
  brownOut?: string;
  states?: string;
  load?: string;
  /** No clock runs, so that a repeated state can be recognised. */
  still?: boolean;
}): Model =>
  loadProfile(
    `format: zetalysis-profile/1
id: bench
version: 1.0.0
title: bench
ground: C
watch: 10 min
parts:
  feed: {kind: supply, volts: 24 V, ohms: 1 ohm, on-when: env.power}
  pulse: {kind: switch, closed-when: ${JSON.stringify(options.wave ?? 'env.call')}}
  load: {kind: solenoid, ohms: ${options.load ?? '40 ohm'}, reactance: 1 ohm}
  board:
    kind: control
    brown-out: ${options.brownOut ?? '15 V'}
    restart: 18 V
    hold-up: ${options.holdUp ?? '100 ms'}
    boot: 500 ms
    ports:
      power: {role: supply, ohms: 200 ohm}
      go: {role: input, ohms: 2k, makes: 14 V, breaks: 9 V, debounce: ${options.debounce ?? '200 ms'}}
      out: {role: contact}
rungs:
  feed: [=R, feed, =C]
  board: [=R, board.power, =C]
  go: [=R, pulse, =W, board.go, =C]
  out: [=R, board.out, =V, load, =C]
quantities:
  clock:
    unit: s
    rules:
${options.still ? '' : '      - {when: env.call, is: 600 s, over: 600 s}\n'}      - {is: 0}
controller:
  part: board
  counters: [tries]
  regions:
    main:
      start: idle
      states:
${
  options.states ??
  `        idle:
          go: [{to: on, when: input.go}]
        on:
          on: [out]
          go: [{to: idle, when: '!input.go'}]`
}
    beside:
      start: calm
      states:
        calm:
          go: [{to: excited, when: main.on && after(1 s)}]
        excited: {}
phases:
  - {id: call, title: Call, cue: env.call}
  - {id: commanded, title: Output commanded, cue: board.out, goal: true}
  - {id: beside, title: Other region, cue: beside.excited}
`,
    'bench.yaml',
  );

const watch = (model: Model, faults: string[] = []): Trace =>
  run(
    new CircuitStates(model),
    faults.map((f) => findFault(model, f)),
    NORMAL_SETUP,
  );
const first = (trace: Trace, phase: number): number | undefined => trace.cues[phase]![0]?.from;

describe('a control senses with debounce', () => {
  // The switch takes 50 ms to close, then the input must stay for its debounce.
  test.each([
    ['100 ms', 150],
    ['1 s', 1050],
  ])('debounce %s', (debounce, at) => expect(first(watch(bench({ debounce })), 1)).toBe(at));

  test('a blip shorter than the debounce is not believed', () => {
    const blip = 'clock >= 5 s && clock < 5.3 s';
    expect(first(watch(bench({ wave: blip, debounce: '1 s' })), 1)).toBeUndefined();
    expect(first(watch(bench({ wave: blip, debounce: '100 ms' })), 1)).toBeDefined();
  });

  test('a deaf input is never believed', () => expect(first(watch(bench({}), ['board.go-deaf']), 1)).toBeUndefined());
});

describe('supply: brown-out, hold-up, restart', () => {
  // 3 Ω behind 1 Ω of source: the rail falls to about 18 V of 24.
  const heavy = { load: '3 ohm', brownOut: '20 V', still: true };

  test('a load that pulls the supply below brown-out resets the control after its hold-up, for ever, and the cycle is recognised', () => {
    const trace = watch(bench({ ...heavy, holdUp: '100 ms' }));
    expect(trace.outcome).toBe('cycles');
    expect(trace.cycle).toBeDefined();
    expect(trace.resets.length).toBeGreaterThan(0);
    const on = trace.cues[1]![0]!;
    expect(on.to - on.from).toBe(100);
  });

  test('a longer hold-up rides longer', () => {
    const on = watch(bench({ ...heavy, holdUp: '400 ms' })).cues[1]![0]!;
    expect(on.to - on.from).toBe(400);
  });

  test('the same load above brown-out is no trouble', () => {
    const trace = watch(bench({ load: '3 ohm', brownOut: '12 V' }));
    expect(trace.outcome).toBe('runs');
    expect(trace.resets).toEqual([]);
  });

  test('a dead control never starts, and its light is dark', () => {
    const trace = watch(bench({}), ['board.dead']);
    expect(trace.code).toBe('dark');
    expect(first(trace, 1)).toBeUndefined();
  });
});

describe('regions, guards, counters', () => {
  test('regions run side by side and see each other', () => {
    const trace = watch(bench({}));
    // `after` counts in the asking region's own state: it was calm since boot.
    expect(first(trace, 2)).toBe(first(trace, 1));
  });

  test('a counter counts tries, and the third locks out', () => {
    const states = `        idle:
          go: [{to: on, when: input.go, set: {tries: 0}}]
        on:
          on: [out]
          go:
            - {to: gone, when: after(5 s) && tries >= 2}
            - {to: pause, when: after(5 s), set: {tries: tries + 1}}
        pause:
          go: [{to: on, when: after(2 s)}]
        gone: {lockout: true}`;
    const trace = watch(bench({ states }));
    expect(trace.outcome).toBe('locks-out');
    expect(trace.cues[1]).toHaveLength(3);
    expect(trace.cues[1]!.map((i) => i.to - i.from)).toEqual([5000, 5000, 5000]);
  });

  test('all times are whole milliseconds', () => {
    const trace = watch(bench({ wave: 'clock >= 1.2345 s' }));
    for (const segment of trace.segments) expect(Number.isInteger(segment.from)).toBe(true);
  });
});

describe('quantities', () => {
  test('a ramp is linear between its ends', () => {
    const model = bench({});
    const trace = watch(model);
    for (const at of [0, 60_000, 300_000, 599_000])
      if (at < trace.end) expect(quantityAt(trace, 0, at)).toBeCloseTo(at / 1000, 3);
  });
});
