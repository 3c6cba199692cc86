import { curveOf, WORKSHEETS, workOut } from '../src/bench';

type Typed = Readonly<Record<string, string>>;
const sheet = (id: string) => WORKSHEETS.find((w) => w.id === id)!;

// Each with its source in the worksheet: NFPA 54, ASHRAE, IAPWS-IF97, IEC 60028, ASTM B258, NIST SP 811, stoichiometry; the rest
// common practice, no source.
const ROWS: readonly (readonly [id: string, typed: Typed, result: number, value: number])[] = [
  ['meter-clocking', { gas: 'natural', volume: '2', time: '60' }, 1, 124_400],
  ['meter-clocking', { gas: 'natural', volume: '2', time: '60', air: '14.696', gauge: '7', T: '40 F' }, 1, 131_300],
  ['meter-clocking', { gas: 'natural', volume: '2', time: '60', air: '14.696', gauge: '7', T: '40 F' }, 2, 1.055],
  ['meter-clocking', { gas: 'propane', volume: '0.5', time: '45' }, 1, 100_600],
  ['firing-rate', { gas: 'natural', heat: '982', volume: '1.6667', time: '60', plate: '100000' }, 0, 0.982],
  ['firing-rate', { gas: 'natural', volume: '1.3179', time: '60', plate: '100000', altitude: '5000 ft' }, 0, 1.025],
  ['air', { rise: '55', heat: '64000' }, 0, 1077],
  ['air', { rise: '55', heat: '64000', altitude: '5000 ft' }, 0, 1295],
  ['air', { rise: '30 dK', flow: '0.5 m³/s' }, 1, 18_170],
  ['water', { rise: '20', flow: '4' }, 0, 40_000],
  ['water', { rise: '20', heat: '100000' }, 0, 10],
  ['combustion', { gas: 'natural', oxygen: '8', monoxide: '85' }, 0, 137.7e-6],
  ['combustion', { gas: 'natural', oxygen: '5' }, 0, 0.2815],
  ['combustion', { gas: 'natural', oxygen: '5' }, 1, 0.117],
  ['combustion', { gas: 'propane', oxygen: '5', dioxide: '10' }, 1, 0.3408],
  ['combustion', { gas: 'propane', oxygen: '5', dioxide: '10' }, 2, 0.1372],
  ['stack-loss', { fuel: 'natural', flue: '180 C', air: '20 C', oxygen: '5' }, 0, 0.0804],
  ['stack-loss', { fuel: 'natural', flue: '356 F', air: '68 F', oxygen: '5' }, 0, 0.0804],
  ['stack-loss', { fuel: 'propane', flue: '200 C', air: '20 C', oxygen: '6' }, 0, 0.09],
  ['stack-loss', { fuel: 'oil', flue: '220 C', air: '20 C', oxygen: '4' }, 0, 0.094],
  ['orifice', { gas: 'natural', diameter: '0.0935', pressure: '3.5', cd: '0.9' }, 0, 24.71],
  ['orifice', { gas: 'propane', diameter: '0.055', pressure: '10', cd: '0.9' }, 1, 22_850],
  ['altitude', { altitude: '5000 ft' }, 0, 0.8],
  ['altitude', { altitude: '5000 ft' }, 1, 0.9122],
  ['altitude', { altitude: '7000 ft' }, 0, 0.72],
  ['altitude', { altitude: '2000 ft' }, 0, 1],
  ['conversion', { to: 'propane', old: '3.5', new: '10', diameter: '0.0935' }, 0, 0.623],
  ['conversion', { to: 'propane', old: '3.5', new: '10', diameter: '0.0935' }, 1, 0.05825],
  ['conversion', { to: 'propane', old: '3.5', new: '10' }, 1, 2.577],
  ['conversion', { to: 'natural', old: '10', new: '3.5' }, 1, 0.3881],
  ['supply-under-load', { q1: '7000', p1: '11.2', q2: '27000', p2: '9.0', all: '57000' }, 0, 0.8471],
  ['supply-under-load', { q1: '7000', p1: '11.2', q2: '27000', p2: '9.0', all: '57000' }, 1, 11.36],
  ['supply-under-load', { q1: '7000', p1: '11.2', q2: '27000', p2: '9.0', all: '57000' }, 2, 0.003235],
  ['supply-under-load', { q1: '0', p1: '7.2', q2: '180000', p2: '6.6', all: '300000' }, 0, 5.533],
  ['gas-pipe', { gas: 'natural', diameter: '0.622', length: '10 ft', loss: '0.5' }, 0, 173],
  ['gas-pipe', { gas: 'natural', diameter: '0.622', length: '10 ft', loss: '0.3' }, 0, 131.3],
  ['gas-pipe', { gas: 'natural', diameter: '0.824', length: '60 ft', loss: '0.5', flow: '150' }, 1, 0.5883],
  ['steam', { from: 'pressure', pressure: '0' }, 0, 212],
  ['steam', { from: 'pressure', pressure: '2' }, 0, 218.5],
  ['steam', { from: 'pressure', pressure: '15' }, 0, 249.7],
  ['steam', { from: 'temperature', T: '249.7 F' }, 1, 14.99],
  ['copper', { ohms: '15.0', T: '20 C', to: '60 C' }, 0, 17.36],
  ['copper', { ohms: '13.2', T: '2 C', to: '20 C' }, 0, 14.2],
  ['copper', { ohms: '15.0', T: '20 C', hot: '18.6' }, 0, 81.07],
  ['wire', { gauge: '18', length: '20 ft', amps: '8' }, 1, 6.385],
  ['wire', { gauge: '14', length: '20 ft', amps: '8', volts: '12' }, 0, 0.8081],
  ['element-and-va', { volts: '120', watts: '1440', at: '108' }, 0, 10],
  ['element-and-va', { volts: '120', watts: '1440', at: '108' }, 2, 1166],
  ['element-and-va', { volts: '24', watts: '40' }, 1, 1.667],
  ['rectified-volts', { volts: '118', wave: 'full' }, 0, 106.2],
  ['rectified-volts', { volts: '118', wave: 'full' }, 1, 51.36],
  ['rectified-volts', { volts: '118', wave: 'full' }, 2, 49.68],
  ['rectified-volts', { volts: '120', wave: 'half' }, 0, 54.02],
  ['source-ohms', { open: '560 mV', loaded: '240 mV', load: '2' }, 0, 2.667],
  ['source-ohms', { open: '29 mV', inside: '0.02', load: '0.02' }, 0, 14.5],
  ['source-ohms', { open: '29 mV', inside: '0.27', load: '0.02' }, 0, 2],
  ['running-capacitor', { amps: '0.68', volts: '370', hertz: '60' }, 0, 4.875],
  ['running-capacitor', { amps: '0.55', volts: '400', hertz: '50' }, 0, 4.377],
  ['motor-slip', { poles: '4', turns: '1725', hertz: '60' }, 0, 0.04167],
  ['motor-slip', { poles: '6', turns: '1075', hertz: '60' }, 0, 0.1042],
  ['tenfold-loop', { amps: '4.2', turns: '10' }, 0, 0.42],
  ['expansion', { volume: '50', cold: '10 C', hot: '60 C' }, 0, 0.8391],
  ['expansion', { volume: '50', cold: '10 C', hot: '60 C', fill: '50', relief: '150' }, 1, 1.382],
  ['expansion', { volume: '50', cold: '10 C', hot: '60 C' }, 1, 983.2],
  ['units', { what: 'pressure', pressure: '3.5' }, 3, 8.718],
  ['units', { what: 'pressure', pressure: '1.5 psi' }, 0, 41.52],
  ['units', { what: 'heat', heat: '100000' }, 2, 29.31],
  ['units', { what: 'rise', rise: '30' }, 0, 54],
];

test.each(ROWS)('%s %j, line %d: %d', (id, typed, result, value) => {
  const out = workOut(sheet(id), typed);
  expect([out.problems, out.missing]).toEqual([{}, []]);
  expect(out.refused).toBeUndefined();
  expect(out.results[result]!.value / value).toBeCloseTo(1, 3);
});

test('all 22 are there, every one with a row, a source and its trap', () => {
  expect(WORKSHEETS.map((w) => w.number)).toEqual(Array.from({ length: 22 }, (_, i) => i + 1));
  expect(WORKSHEETS.filter((w) => !ROWS.some(([id]) => id === w.id)).map((w) => w.id)).toEqual([]);
  for (const w of WORKSHEETS) expect([w.id, w.source !== '', w.trap !== '']).toEqual([w.id, true, true]);
});

// Limits: common practice and ANSI Z21, from memory; widths of an analyser: EN 50379, from memory.
test.each([
  ['30', '6', 42, 32, 'good'],
  ['85', '8', 138, 37, 'marginal'],
  ['230', '8', 373, 38, 'bad'],
  ['300', '8', 486, 38, 'bad'],
])('%s ppm at %s %% oxygen is judged as %d ± %d ppm: %s', (monoxide, oxygen, ppm, width, verdict) => {
  const [first] = workOut(sheet('combustion'), { gas: 'natural', oxygen, monoxide }).results;
  expect(first!.value * 1e6).toBeCloseTo(ppm, -1);
  expect((first!.u! * 1e6) / width).toBeCloseTo(1, 1);
  expect(first!.verdict).toBe(verdict);
});

test.each([
  [{ heat: '982' }, '1.6667', 0.016, 'good'],
  [{}, '1.5783', 0.037, 'marginal'],
  [{ heat: '1037' }, '2.0', 0.017, 'marginal'],
  [{ heat: '1037' }, '2.1858', 0.018, 'bad'],
] as const)('the firing rate is as sure as its heating value: %j, %s ft³ a minute', (heat, volume, width, verdict) => {
  const plate = verdict === 'bad' || volume === '2.0' ? '120000' : '100000';
  const [rate] = workOut(sheet('firing-rate'), { gas: 'natural', ...heat, volume, time: '60', plate }).results;
  expect(rate!.u! / width).toBeCloseTo(1, 1);
  expect(rate!.verdict).toBe(verdict);
});

test('a rising CO is bad whatever it is', () =>
  expect(
    workOut(sheet('combustion'), { gas: 'natural', oxygen: '6', monoxide: '10', rises: 'rises' }).results[0]!.verdict,
  ).toBe('bad'));

test.each<[string, Typed, RegExp]>([
  ['combustion', { gas: 'natural', oxygen: '18', monoxide: '60' }, /ahead of the draft hood/],
  ['stack-loss', { fuel: 'natural', flue: '45 C', air: '20 C', oxygen: '5' }, /condenses/],
  ['supply-under-load', { q1: '27000', p1: '9', q2: '30000', p2: '8.8', all: '57000' }, /half as much again/],
  ['steam', { from: 'temperature', T: '400 C' }, /from 0 °C to 374 °C/],
  ['expansion', { volume: '50', cold: '10 C', hot: '140 C' }, /0 to 100 °C/],
  ['air', { rise: '0', heat: '64000' }, /Without a rise/],
  ['wire', { gauge: '55', length: '20 ft', amps: '8' }, /4\/0/],
])('%s %j is outside of what it holds for, and says what to do', (id, typed, words) =>
  expect(workOut(sheet(id), typed).refused).toMatch(words),
);

test('what cannot be read is said at its field; what is missing is named', () => {
  expect(workOut(sheet('copper'), { ohms: 'x', T: '20 C' }).problems['ohms']).toMatch(/Type ohms/);
  expect(workOut(sheet('copper'), { ohms: '15' }).missing).toEqual(['Read at']);
});

test('curves go through what is worked out', () => {
  const typed = { ohms: '15.0', T: '20 C', to: '60 C' };
  const points = curveOf(sheet('copper'), typed);
  const at60 = points.reduce((best, p) => (Math.abs(p[0] - 333.15) < Math.abs(best[0] - 333.15) ? p : best));
  expect(at60[1]).toBeCloseTo(17.36, 0);
  for (const [, y] of curveOf(sheet('stack-loss'), { fuel: 'natural', flue: '180 C', air: '20 C', oxygen: '5' }))
    expect(Number.isFinite(y)).toBe(true);
});
