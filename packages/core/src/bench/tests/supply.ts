import { choice, LOADED, millivolts, NOT_LOADED, plate, pressure, voltsAc, voltsDc } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { expanded } from '../uncertainty';
import { quotient, type Work } from '../work';

const OVERLOADED = 1;

const secondary: Work = (given): Worked => {
  const [sum, va] = [given.number('sum'), given.number('va')];
  if (sum !== undefined && va !== undefined && sum / va > OVERLOADED)
    return {
      verdict: 'repeat',
      about: 'load',
      because: `${sum.toPrecision(3)} of ${va.toPrecision(3)} VA: it is overloaded. Take load off before you judge the transformer.`,
    };
  const [V1, V2] = [given.measured('primary'), given.measured('secondary')];
  if (V2.value < 1)
    return given.choice('load') === 'checked'
      ? { verdict: 'bad', because: 'Its primary is fed, nothing hangs on it, and nothing comes out.' }
      : {
          verdict: 'repeat',
          because: 'Nothing comes out: look at its fuse and take the load off first; then read it once more.',
        };
  return { x: quotient(V2, V1, given.number('plate') ?? 120) };
};

export const TRANSFORMER: ComponentTest = {
  id: 'transformer',
  number: 15,
  title: 'Transformer',
  question: 'Weak, overloaded, or is the line low?',
  cautions: ['Line voltage at its primary.'],
  measures: [
    {
      id: 'secondary',
      title: 'Secondary, by its primary',
      setUp: 'live',
      how: 'Primary first; then the secondary, idle and with all on. It is judged as it would be at its plate’s primary.',
      probes: { red: 'secondary, hot', black: 'secondary, common', across: 'secondary' },
      line: true,
      asks: [
        choice('state', 'Read', { idle: 'idle', on: 'with all on' }),
        voltsAc('primary', 'Volts of its primary', '118'),
        voltsAc('secondary', 'Volts of its secondary', '25.9'),
        plate.volts('plate', 'Primary of the plate', '120', { need: 'maybe' }),
        plate.watts('sum', 'VA of all that hangs on it', '31', { need: 'maybe' }),
        plate.watts('va', 'VA of the plate', '40', { need: 'maybe' }),
        choice(
          'load',
          'Nothing comes out: fuse looked at, load off?',
          { checked: 'yes, both', no: 'not yet' },
          { need: 'maybe' },
        ),
      ],
      work: secondary,
      dimension: 'voltage',
      zones: [
        { when: { state: 'idle' }, limit: 'transformer-idle' },
        { when: { state: 'on' }, limit: 'transformer-loaded' },
      ],
      about: 'transformer',
      proves: 'Whether it is weak, its line taken into account.',
      provesNot: 'A low line is not a weak transformer: test 16.',
    },
    {
      id: 'budget',
      title: 'What hangs on it',
      setUp: 'by-eye',
      how: 'VA of all that can be on together, from plates or measured. A class 2 supply has 100 VA at most (NEC 725).',
      asks: [plate.watts('sum', 'VA of all that hangs on it', '31'), plate.watts('va', 'VA of the plate', '40')],
      work: (given) => ({ x: { value: given.number('sum')! / given.number('va')!, u: 0 } }),
      dimension: 'fraction',
      zones: [{ limit: 'va-budget' }],
      about: 'load of the transformer',
      proves: 'Whether it is asked for more than it has.',
    },
  ],
};

const polarity: Work = (given): Worked => {
  const [ln, lg, ng] = [given.number('ln')!, given.number('lg')!, given.number('ng')!];
  const line = Number(given.choice('nominal') ?? '120');
  const [there, nothing] = [(v: number): boolean => v > 0.85 * line, (v: number): boolean => v < 5];
  const low = given.choice('input') === 'low';
  if (there(ln) && there(lg) && nothing(ng))
    return { verdict: 'good', because: 'Line on line, neutral on neutral, and a ground.' };
  if (there(ln) && nothing(lg) && there(ng))
    return { verdict: 'bad', about: 'outlet or switch', because: 'Line and neutral are swapped.' };
  if (there(ln) && nothing(lg) && nothing(ng) && low)
    return { verdict: 'bad', about: 'ground', because: 'There is no ground.' };
  if (there(ln) && !low && lg + ng > 0.85 * line)
    return {
      verdict: 'repeat',
      because: 'Both float: read them on low impedance. What falls to nothing has no ground.',
    };
  if (there(lg) && !there(ln)) return { verdict: 'bad', about: 'neutral', because: 'The neutral is open.' };
  if (nothing(ln) && nothing(lg))
    return { verdict: 'repeat', because: 'Nothing at all: is the meter on V ~, and the switch on?' };
  return { verdict: 'repeat', because: 'These three do not fit together: read them again on low impedance.' };
};

export const LINE: ComponentTest = {
  id: 'line',
  number: 16,
  title: 'Line, polarity, ground',
  question: 'What feeds it?',
  cautions: ['Line voltage: one hand, black probe first, insulated tips.'],
  measures: [
    {
      id: 'volts',
      title: 'Line to neutral, burner running',
      setUp: 'live',
      how: 'At the appliance’s own terminals.',
      probes: { red: 'L', black: 'N', across: 'line' },
      line: true,
      asks: [
        choice('nominal', 'The line is', { '120': '120 V', '240': '240 V' }),
        choice('fn', 'The meter stands on', { ac: 'V ~', dc: 'V ⎓' }),
        voltsAc('volts', 'Volts', '119.9'),
      ],
      rows: [
        {
          when: { fn: 'dc' },
          verdict: 'repeat',
          because: 'V ⎓ shows nothing of a line: set it to V ~. Take it for live until then.',
        },
      ],
      dimension: 'voltage',
      zones: [{ when: { nominal: '240' }, limit: 'line-240' }, { limit: 'line' }],
      about: 'line',
      proves: 'Whether the appliance gets what its plate asks for.',
    },
    {
      id: 'neutral',
      title: 'Neutral to ground',
      setUp: 'live',
      how: 'Burner running.',
      probes: { red: 'N', black: 'G', across: 'neutral' },
      line: true,
      asks: [voltsAc('volts', 'Volts', '0.8')],
      dimension: 'voltage',
      zones: [{ limit: 'neutral-to-ground' }],
      about: 'neutral',
      proves: 'Many volts: a poor neutral, or load on a long run.',
    },
    {
      id: 'polarity',
      title: 'Three readings',
      setUp: 'live',
      how: 'L to N, L to G, N to G.',
      probes: { red: 'L, L, N', black: 'N, G, G', across: 'line' },
      line: true,
      asks: [
        voltsAc('ln', 'L to N', '120'),
        voltsAc('lg', 'L to G', '120'),
        voltsAc('ng', 'N to G', '0.4'),
        choice('input', 'The meter’s input is', { high: 'high impedance', low: 'low impedance' }),
        choice('nominal', 'The line is', { '120': '120 V', '240': '240 V' }, { need: 'maybe' }),
      ],
      work: polarity,
      about: 'line',
      proves: 'Swapped lines, a missing ground, an open neutral.',
    },
    {
      id: 'dip',
      title: 'Fall as the blower starts',
      setUp: 'live',
      how: 'Min kept by the meter while the blower starts.',
      probes: { red: 'L', black: 'N', across: 'line' },
      line: true,
      asks: [voltsAc('before', 'Before', '119'), voltsAc('during', 'Least', '114')],
      work: (given) => {
        const [before, during] = [given.number('before')!, given.number('during')!];
        return {
          x: {
            value: 1 - during / before,
            u: expanded(given.scatter('before') / before, given.scatter('during') / before),
          },
        };
      },
      dimension: 'fraction',
      zones: [{ limit: 'start-dip' }],
      about: 'line',
      proves: 'A poor connection ahead of the appliance.',
    },
  ],
};

const FUEL = choice('fuel', 'Fuel', { natural: 'natural gas', propane: 'propane' });
const KELVIN_OF_PIPE = { asked: 0.1, unknown: 0.5 };

const leakDown: Work = (given) => {
  const [first, last] = [given.number('first')!, given.number('last')!];
  const change = given.number('change');
  const air = 101_325 + first;
  const perKelvin = air / (given.number('T') ?? 293.15);
  const within = change === undefined ? KELVIN_OF_PIPE.unknown : KELVIN_OF_PIPE.asked;
  const digits = [given.scatter('first'), given.scatter('last')];
  return {
    x: { value: first - last + (change ?? 0) * perKelvin, u: expanded(perKelvin * within, ...digits) },
    ...(change === undefined && { assumed: ['how far the pipe’s temperature changed'] }),
  };
};

const GAUGE = 'Cock shut, tap open, hose on, cock open; the tap leak-tested afterwards.';

export const GAS: ComponentTest = {
  id: 'gas-pressure',
  number: 17,
  title: 'Gas pressure',
  question: 'Supply, regulator, leak, and a valve that lets by',
  cautions: [
    'Smell of gas: stop, everybody out, call from outside.',
    'Leak-test every tap and union that was opened.',
    'Set regulators by the plate only; by local code a licensed person does.',
  ],
  measures: [
    {
      id: 'inlet',
      title: 'Inlet',
      setUp: 'gauge',
      how: `${GAUGE} At rest for a minute (lock-up), alone, and with all others on.`,
      probes: { red: 'inlet tap', across: 'manometer' },
      asks: [
        FUEL,
        choice('state', 'Read', { static: 'at rest, lock-up', alone: 'running alone', all: 'running, all others on' }),
        pressure('pressure', 'Pressure', '6.9'),
      ],
      dimension: 'pressure',
      zones: [
        { when: { fuel: 'natural' }, limit: 'natural-inlet' },
        { when: { fuel: 'propane', state: 'static' }, limit: 'propane-lock-up' },
        { when: { fuel: 'propane' }, limit: 'propane-inlet' },
      ],
      about: 'gas supply',
      proves: 'Low with all on and good alone: the supply.',
    },
    {
      id: 'fall',
      title: 'Fall from rest to all on',
      setUp: 'gauge',
      how: GAUGE,
      probes: { red: 'inlet tap', across: 'manometer' },
      asks: [
        choice('fuel', 'Fuel', { natural: 'natural gas' }),
        pressure('first', 'At rest', '7.2'),
        pressure('last', 'All on', '6.9'),
      ],
      work: (given) => ({
        x: {
          value: given.number('first')! - given.number('last')!,
          u: expanded(given.scatter('first'), given.scatter('last')),
        },
      }),
      dimension: 'pressure',
      zones: [{ limit: 'natural-fall' }],
      about: 'gas supply',
      proves: 'A pipe, a regulator or a meter too small for all of it.',
    },
    {
      id: 'manifold',
      title: 'Outlet, firing',
      setUp: 'gauge',
      how: `${GAUGE} A premix burner is set by its CO2, not by this.`,
      probes: { red: 'outlet tap', across: 'manometer' },
      asks: [FUEL, pressure('pressure', 'Pressure', '3.5')],
      dimension: 'pressure',
      zones: [
        { when: { fuel: 'natural' }, limit: 'natural-manifold' },
        { when: { fuel: 'propane' }, limit: 'propane-manifold' },
      ],
      about: 'regulator of the valve',
      proves: 'The valve’s regulator, with a good inlet.',
    },
    {
      id: 'leak-down',
      title: 'Timed leak-down',
      setUp: 'gauge',
      how: 'Low side at 8 in w.c., three minutes, cocks of the appliances open, burner valves shut, pilots out. A pipe that cools by a kelvin falls by 1.4 in w.c. of itself.',
      probes: { red: 'test point', across: 'manometer' },
      asks: [
        pressure('first', 'At the start', '8.00'),
        pressure('last', 'After three minutes', '8.00'),
        plate.kelvin('change', 'The pipe’s temperature changed by', '0', { need: 'assumed' }),
        plate.warmth('T', 'It was at', '20 C', { need: 'maybe' }),
        choice(
          'bubble',
          'Solution at the joints',
          { none: 'no bubble grows', grows: 'a bubble grows' },
          { need: 'maybe' },
        ),
      ],
      rows: [
        {
          when: { bubble: 'grows' },
          verdict: 'bad',
          atOnce: true,
          because: 'A bubble that grows is a leak, whatever the gauge says. Shut it off, and have it repaired.',
        },
      ],
      work: leakDown,
      dimension: 'pressure',
      zones: [{ limit: 'leak-down' }],
      about: 'piping',
      proves: 'Whether it is tight.',
    },
    {
      id: 'lets-by',
      title: 'Valve that lets by',
      setUp: 'gauge',
      how: 'Valve off for a minute, gauge on the outlet tap, orifices stopped.',
      probes: { red: 'outlet tap', across: 'manometer' },
      asks: [
        choice('orifices', 'The orifices are', { stopped: 'stopped', open: 'open' }),
        pressure('pressure', 'Pressure', '0.00'),
      ],
      rows: [
        {
          when: { orifices: 'open' },
          verdict: 'repeat',
          because:
            'Through open orifices it escapes unseen: a 0 proves nothing. Stop them, or take solution to the burner.',
        },
      ],
      dimension: 'pressure',
      zones: [{ limit: 'let-by' }],
      about: 'gas valve',
      proves: 'Any pressure: it lets gas by. Shut the cock and change it.',
    },
  ],
};

export const TWELVE_VOLTS: ComponentTest = {
  id: 'sail-and-12v',
  number: 21,
  title: 'Sail switch, and 12 V under load',
  question: 'Air, switch, or battery?',
  cautions: ['A fan starts without a warning.'],
  measures: [
    {
      id: 'supply',
      title: 'At the board, blower running',
      setUp: 'live',
      how: 'V ⎓, blower running: idle volts prove nothing.',
      probes: { red: 'plus at the board', black: 'minus', across: 'battery' },
      asks: [choice('blower', 'The blower', { on: 'runs', off: 'is off' }), voltsDc('volts', 'Volts', '11.8')],
      rows: [
        {
          when: { blower: 'off' },
          verdict: 'repeat',
          because: 'Idle volts prove nothing of a battery or its wires: let the blower run.',
        },
      ],
      dimension: 'voltage',
      zones: [{ limit: 'board-12v' }],
      about: 'battery or its wires',
      proves: 'Battery, converter or wires.',
    },
    {
      id: 'sail',
      title: 'Across the sail switch',
      setUp: 'across',
      how: 'Blower running, supply good, air path free. If it is open push the paddle by hand.',
      probes: { red: 'feed side', black: 'load side', across: 'sail switch' },
      asks: [
        choice('blower', 'The blower', { on: 'runs', off: 'is off' }),
        choice('supply', 'Supply under load', { good: 'good', low: 'low' }, { when: { blower: 'on' } }),
        choice(
          'path',
          'Air path',
          { free: 'looked at and free', unknown: 'not looked at' },
          { when: { blower: 'on' } },
        ),
        choice('contact', 'It is', { closed: 'closed', open: 'open' }),
        choice(
          'pushed',
          'Pushed by hand it',
          { closes: 'closes', open: 'stays open' },
          { when: { contact: 'open', blower: 'on' } },
        ),
      ],
      rows: [
        {
          when: { blower: 'off', contact: 'closed' },
          verdict: 'bad',
          because: 'Closed without air: it is stuck, and would let it fire without air.',
        },
        { when: { blower: 'off' }, verdict: 'good', because: 'Open at rest, as it should be.' },
        {
          when: { supply: 'low' },
          verdict: 'repeat',
          because: 'The blower turns too slowly on low volts: put the supply right first.',
        },
        { when: { path: 'unknown' }, verdict: 'repeat', because: 'Look at the air path first.' },
        { when: { contact: 'closed' }, verdict: 'good', because: 'It closes in its air.' },
        {
          when: { pushed: 'closes' },
          verdict: 'marginal',
          about: 'air',
          because: 'By hand it closes: there is too little air, not a bad switch.',
        },
        { when: { pushed: 'open' }, verdict: 'bad', because: 'Pushed by hand it stays open.' },
      ],
      about: 'sail switch',
      proves: 'Air, or the switch.',
    },
  ],
};

export const DROP: ComponentTest = {
  id: 'drop',
  number: 24,
  title: 'Poor contact and ground, by drop',
  question: 'Which volts are lost on the way?',
  cautions: ['Live: one hand, black probe first.'],
  measures: [
    {
      id: 'joint',
      title: 'One joint',
      setUp: 'across',
      how: 'Both probes on one conductor, red nearer the source, its load on. Wiggle it.',
      probes: { red: 'source side', black: 'load side', across: 'joint' },
      asks: [
        LOADED,
        millivolts('volts', 'Volts across it', '30 mV'),
        plate.amps('amps', 'Current', '6.5', { need: 'maybe' }),
        choice('wiggle', 'Wiggled, it', { stands: 'stands', changes: 'changes' }, { need: 'maybe' }),
      ],
      rows: [NOT_LOADED],
      work: (given) => {
        const { value, u } = given.measured('volts');
        const amperes = given.number('amps');
        return {
          x: { value: Math.abs(value), u },
          ...(amperes !== undefined && {
            notes: [`In ohms: ${((1000 * Math.abs(value)) / amperes).toPrecision(4)} mΩ.`],
          }),
          ...(given.choice('wiggle') === 'changes' && {
            atMost: { verdict: 'marginal', because: 'It changes as it is wiggled: remake it.' },
          }),
        };
      },
      dimension: 'voltage',
      zones: [{ limit: 'drop-per-joint' }],
      about: 'joint',
      proves: 'A poor joint.',
    },
    {
      id: 'run',
      title: 'Out and back',
      setUp: 'live',
      how: 'Volts at the source and at the load, the load on.',
      probes: { red: 'source, then load', black: 'return there', across: 'wires' },
      asks: [LOADED, voltsAc('source', 'Volts at the source', '120'), voltsAc('load', 'Volts at the load', '118')],
      rows: [NOT_LOADED],
      work: (given) => {
        const [from, to] = [given.number('source')!, given.number('load')!];
        return {
          x: { value: 1 - to / from, u: expanded(given.scatter('source') / from, given.scatter('load') / from) },
        };
      },
      dimension: 'fraction',
      zones: [{ limit: 'drop-of-run' }],
      about: 'wires',
      proves: 'Wires too thin, too long, or a joint in them.',
    },
    {
      id: 'ground',
      title: 'Burner ground to control ground',
      setUp: 'across',
      how: 'While it fires.',
      probes: { red: 'burner', black: 'ground of the control', across: 'ground path' },
      asks: [LOADED, millivolts('volts', 'Volts', '12 mV')],
      rows: [NOT_LOADED],
      dimension: 'voltage',
      zones: [{ limit: 'burner-to-control' }],
      about: 'ground path',
      proves: 'A poor ground weakens the flame signal.',
    },
  ],
};
