import { runningCapacitance } from '../calculators/electrical';
import { amps, choice, farads, plate, voltsAc } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { quotient, shareOf, type Work } from '../work';

const DISCHARGED = choice('dis', 'Discharged, under 1 V?', { yes: 'yes, read', no: 'no, or not read' });
const HERTZ = choice('hertz', 'Line', { '60': '60 Hz', '50': '50 Hz' });

const running: Work = (given) => {
  const turns = given.number('turns') ?? 1;
  const clamp = given.measured('amps');
  const volts = given.measured('volts');
  const per = runningCapacitance(1, 1, Number(given.choice('hertz')));
  return { x: quotient({ value: clamp.value / turns, u: clamp.u / turns }, volts, per) };
};

const load: Work = (given): Worked => {
  const [amperes, full] = [given.measured('amps'), given.number('plate')!];
  const turns = given.number('turns') ?? 1;
  const x = shareOf({ value: amperes.value / turns, u: amperes.u / turns }, full);
  const spins = given.choice('turning');
  if (spins === 'no' && x.value >= 3)
    return given.choice('capacitor') === 'good'
      ? {
          verdict: 'bad',
          x,
          because:
            'It does not turn and draws three times its plate, its capacitor good: locked, or its start winding.',
        }
      : { verdict: 'repeat', x, because: 'It hums and does not turn: read its capacitor first.' };
  if (spins === 'yes' && x.value < 0.5)
    return {
      verdict: 'good',
      x,
      about: 'motor',
      because:
        'It turns and does little: no air or water is moved. Look at the wheel, the filter, a valve that is shut.',
    };
  return { x };
};

export const CAPACITOR: ComponentTest = {
  id: 'capacitor-and-motor',
  number: 23,
  title: 'Run capacitor and motor',
  question: 'Why does it hum?',
  cautions: [
    'A capacitor holds its charge with the power off: discharge it over 20 kΩ for five seconds and read it.',
    'Line voltage and moving parts.',
  ],
  measures: [
    {
      id: 'farads',
      title: 'Microfarads, one side off',
      setUp: 'dead',
      how: 'Power off, discharged over 20 kΩ for five seconds, one side off.',
      probes: { red: 'one terminal', black: 'other terminal', across: 'capacitor' },
      asks: [
        DISCHARGED,
        farads('farads', 'Microfarads', '4.95'),
        plate.farads('plate', 'Microfarads of its plate', '5'),
        plate.share('tolerance', 'Tolerance of its plate', '6', { need: 'maybe' }),
      ],
      rows: [
        {
          when: { dis: 'no' },
          verdict: 'repeat',
          because: 'Discharge it over 20 kΩ for five seconds, and read its volts before you touch it.',
        },
      ],
      work: (given) => {
        const book = given.number('plate')!;
        const share = given.number('tolerance') ?? 0.06;
        const wide = Math.max(0.1, share);
        return {
          x: given.measured('farads'),
          zones: {
            good: { from: book * (1 - share), to: book * (1 + share) },
            marginal: { from: book * (1 - wide), to: book * (1 + wide) },
          },
        };
      },
      dimension: 'capacitance',
      about: 'capacitor',
      proves: 'Weak: the motor hums, runs hot or not at all.',
    },
    {
      id: 'running',
      title: 'Microfarads, running',
      setUp: 'clamp',
      how: 'Amps in its lead and volts across itself, not of the line. Few amps: ten turns through the jaw.',
      probes: { red: 'one lead of the capacitor', across: 'jaw' },
      line: true,
      asks: [
        amps('amps', 'Amps read', '0.68'),
        plate.count('turns', 'Turns through the jaw', '1', { need: 'maybe' }),
        voltsAc('volts', 'Volts across the capacitor', '370'),
        HERTZ,
        plate.farads('plate', 'Microfarads of its plate', '5'),
      ],
      work: running,
      dimension: 'capacitance',
      zones: [{ book: 'plate', good: 0.06, marginal: 0.1 }],
      about: 'capacitor',
      proves: 'The same, without taking it off.',
    },
    {
      id: 'motor',
      title: 'Current of the motor',
      setUp: 'clamp',
      how: 'One conductor, panels on as when it works. The capacitor first.',
      probes: { red: 'one conductor', across: 'jaw' },
      line: true,
      asks: [
        choice('feed', 'It runs on', { ac: 'AC', dc: '12 V DC' }),
        choice('clamp', 'The clamp is', { ac: 'for AC only', dc: 'for DC too' }, { when: { feed: 'dc' } }),
        amps('amps', 'Amps read', '1.7'),
        plate.count('turns', 'Turns through the jaw', '1', { need: 'maybe' }),
        plate.amps('plate', 'Amps of its plate', '1.9'),
        choice('turning', 'It', { yes: 'turns', no: 'does not turn' }),
        choice('capacitor', 'Its capacitor', { good: 'read, and good', unknown: 'not read' }, { need: 'maybe' }),
      ],
      rows: [
        {
          when: { feed: 'dc', clamp: 'ac' },
          verdict: 'repeat',
          because: 'A clamp for AC reads nothing of direct current: take one for DC, or a shunt.',
        },
      ],
      work: load,
      dimension: 'fraction',
      zones: [{ limit: 'motor-share' }],
      about: 'motor',
      proves: 'Overloaded, locked, or without load.',
    },
  ],
};
