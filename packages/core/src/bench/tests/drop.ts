import { choice, LOADED, millivolts, NOT_LOADED, plate, voltsAc } from '../asked';
import type { ComponentTest } from '../spec';
import { expanded } from '../uncertainty';

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
