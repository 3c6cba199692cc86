import { choice, plate, pressure } from '../asked';
import { ATMOSPHERE } from '../factors';
import type { ComponentTest } from '../spec';
import { expanded } from '../uncertainty';
import type { Work } from '../work';

const FUEL = choice('fuel', 'Fuel', { natural: 'natural gas', propane: 'propane' });
const KELVIN_OF_PIPE = { asked: 0.1, unknown: 0.5 };

const leakDown: Work = (given) => {
  const [first, last] = [given.number('first')!, given.number('last')!];
  const change = given.number('change');
  const air = ATMOSPHERE + first;
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
