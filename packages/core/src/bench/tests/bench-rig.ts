import { choice } from '../asked';
import type { ComponentTest } from '../spec';

const RIG = { good: 'good', bad: 'bad', unchecked: 'not checked' };
const IDS = ['volts', 'gas', 'exhaust', 'splices', 'loop', 'call'] as const;
const RIG_TITLES: Readonly<Record<(typeof IDS)[number], string>> = {
  volts: 'Volts under load (test 21)',
  gas: 'Inlet running, of its own fuel (test 17)',
  exhaust: 'Exhaust led outdoors, intake apart from it',
  splices: 'Splices under 0.1 V (test 24)',
  loop: 'Safeties in the loop',
  call: 'Call simulated',
};

export const RIG_TEST: ComponentTest = {
  id: 'bench-rig',
  number: 26,
  title: 'The bench rig itself',
  question: 'May it judge?',
  cautions: ['Exhaust outdoors, a CO alarm beside you, somebody there all the time.'],
  measures: [
    {
      id: 'rig',
      title: 'Before it condemns anything',
      setUp: 'by-eye',
      how: 'All six, then the part.',
      asks: [
        ...IDS.map((id) => choice(id, RIG_TITLES[id], RIG)),
        choice('part', 'The part on it', { good: 'good', bad: 'bad', none: 'not yet' }),
        choice(
          'pipe',
          'With the exhaust pipe off it',
          { same: 'does the same', dies: 'runs with the pipe on and dies without, or the other way round' },
          { need: 'maybe' },
        ),
      ],
      rows: [
        {
          when: { pipe: 'dies' },
          verdict: 'bad',
          about: 'rig',
          because: 'What the pipe changes is the rig’s, not the part’s.',
        },
        ...IDS.map((id) => ({
          when: { [id]: 'bad' },
          verdict: 'bad' as const,
          about: 'rig',
          because: `${RIG_TITLES[id]}: bad. The rig, not the part.`,
        })),
        ...IDS.map((id) => ({
          when: { [id]: 'unchecked', part: 'bad' },
          verdict: 'repeat' as const,
          because: `${RIG_TITLES[id]}: not checked. Until then no bad of this rig counts.`,
        })),
        { when: { part: 'bad' }, verdict: 'bad', because: 'All six are good, and the part is bad.' },
        { when: { part: 'good' }, verdict: 'good', because: 'It works on the rig.' },
        { when: { part: 'none' }, verdict: 'good', about: 'rig', because: 'Nothing speaks against the rig.' },
      ],
      about: 'part',
      proves: 'That a bad of the rig is the part’s.',
    },
  ],
};
