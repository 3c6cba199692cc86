import { choice, INPUT, plate, voltsAc } from '../asked';
import type { ComponentTest, Worked } from '../spec';
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
        INPUT,
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
      // Under load its volts are real.
      ghosts: { of: 'secondary', from: 0.5, to: 15, when: { state: 'idle' } },
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
