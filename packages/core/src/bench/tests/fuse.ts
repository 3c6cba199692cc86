import { choice, LEADS, ohms, plate, voltsAc } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { expanded } from '../uncertainty';
import { netOhms, type Work } from '../work';

const branch: Work = (given) => {
  const [all, rest] = [given.number('with')!, given.number('without')!];
  const value = 1 / (1 / all - 1 / rest);
  const book = given.number('book');
  return {
    x: { value, u: expanded(given.off('with') * (value / all) ** 2, given.off('without') * (value / rest) ** 2) },
    ...(book !== undefined && { zones: { good: { from: 0.8 * book }, marginal: { from: Math.min(5, 0.8 * book) } } }),
  };
};

export const FUSE: ComponentTest = {
  id: 'fuse',
  number: 22,
  title: 'Fuse, and the short behind it',
  question: 'Which branch blew it?',
  cautions: ['Never a larger fuse, and never one bridged: the wires burn instead.'],
  measures: [
    {
      id: 'fuse',
      title: 'The fuse',
      setUp: 'across',
      how: 'Volts across it, its load on; or ohms, taken out.',
      probes: { red: 'feed side', black: 'load side', across: 'fuse' },
      asks: [
        choice('read', 'Read as', { volts: 'volts across it', ohms: 'ohms, taken out' }),
        voltsAc('volts', 'Volts across it', '0', { when: { read: 'volts' } }),
        plate.volts('supply', 'Volts of the supply', '26', { when: { read: 'volts' } }),
        ohms('ohms', 'Ohms', '0.3 or OL', { when: { read: 'ohms' } }),
        LEADS,
      ],
      open: { verdict: 'bad', because: 'Blown. Find the short before the next one.' },
      work: (given): Worked => {
        if (given.choice('read') === 'ohms') return { x: netOhms(given) };
        const [across, supply] = [given.number('volts')!, given.number('supply')!];
        if (across > 0.9 * supply)
          return {
            verdict: 'bad',
            because: 'The whole supply stands across it: blown. Find the short before the next one.',
          };
        return across < 0.3
          ? { verdict: 'good', because: 'Nothing is lost across it.' }
          : { verdict: 'marginal', because: 'Volts are lost across it: clean its holder.' };
      },
      dimension: 'resistance',
      zones: [{ limit: 'contact-lenient' }],
      about: 'fuse',
      proves: 'Blown or whole.',
      provesNot: 'A blown fuse is never the cause.',
    },
    {
      id: 'branch',
      title: 'One branch after the other',
      setUp: 'dead',
      how: 'Fuse out, power off: ohms from its load side to common, all on; then unplug branch after branch.',
      probes: { red: 'load side of the fuse', black: 'common', across: 'branches' },
      asks: [
        choice('unplugged', 'Read with and without this branch?', { yes: 'yes', no: 'no, only with' }),
        ohms('with', 'Ohms with it', '6.9'),
        ohms('without', 'Ohms without it', '14.8', { when: { unplugged: 'yes' } }),
        plate.ohms('book', 'Ohms of this branch by the book', '15', { need: 'maybe' }),
      ],
      rows: [
        {
          when: { unplugged: 'no' },
          verdict: 'repeat',
          because: 'Only with and without it shows which branch it is: unplug it and read again.',
        },
      ],
      work: branch,
      dimension: 'resistance',
      zones: [{ limit: 'branch-behind-fuse' }],
      about: 'branch',
      proves: 'The branch that drew too much.',
      provesNot: 'All good: look for what moves, gets hot or stands outdoors; take a clamp while it runs.',
    },
  ],
};
