import { choice, ohms } from '../asked';
import type { ComponentTest } from '../spec';
import { expanded } from '../uncertainty';

const MATCHES = { yes: 'the same', no: 'another', unread: 'not read' };

export const NEW_PART: ComponentTest = {
  id: 'new-part',
  number: 25,
  title: 'A new part before it is fitted',
  question: 'Is it the right one, and sound?',
  cautions: ['A part for another fuel can burn the house down.'],
  measures: [
    {
      id: 'marking',
      title: 'Marking, against the plate',
      setUp: 'by-eye',
      how: 'Read both, side by side.',
      asks: [
        choice('marking', 'Number, or the maker’s substitute', MATCHES),
        choice('fuel', 'Fuel', { ...MATCHES, none: 'has none' }),
        choice('size', 'Size, setting, range', MATCHES),
        choice('volts', 'Volts and Hz', { ...MATCHES, none: 'has none' }),
        choice('kind', 'Kind', { yes: 'the same', other: 'another that the maker allows', no: 'another' }),
        choice('own', 'Its own test', { good: 'good', bad: 'bad', none: 'not done' }),
      ],
      rows: [
        {
          when: { fuel: 'no' },
          verdict: 'bad',
          about: 'wrong part',
          because: 'It is for another fuel, whatever it reads.',
        },
        { when: { marking: 'no' }, verdict: 'bad', about: 'wrong part', because: 'It is another part.' },
        { when: { size: 'no' }, verdict: 'bad', about: 'wrong part', because: 'It is of another size or setting.' },
        { when: { volts: 'no' }, verdict: 'bad', about: 'wrong part', because: 'It is for other volts.' },
        {
          when: { kind: 'no' },
          verdict: 'bad',
          about: 'wrong part',
          because: 'It is of another kind, and the maker does not allow it here.',
        },
        { when: { own: 'bad' }, verdict: 'bad', because: 'New, and bad.' },
        { when: { marking: 'unread' }, verdict: 'repeat', because: 'Read its marking first.' },
        { when: { fuel: 'unread' }, verdict: 'repeat', because: 'Read its fuel first.' },
        { when: { size: 'unread' }, verdict: 'repeat', because: 'Read its size first.' },
        { when: { volts: 'unread' }, verdict: 'repeat', because: 'Read its volts first.' },
        { when: { own: 'none' }, verdict: 'repeat', because: 'Read it before you fit it: a new part may be bad.' },
        { when: { kind: 'other' }, verdict: 'good', because: 'It fits; its limits are those of its own kind.' },
        { when: { own: 'good' }, verdict: 'good', because: 'It is the right one, and sound.' },
      ],
      about: 'new part',
      proves: 'Right and sound, before the old one is thrown away.',
    },
    {
      id: 'beside',
      title: 'Beside the old one',
      setUp: 'dead',
      how: 'Both at one temperature, with one meter.',
      probes: { red: 'one terminal', black: 'other terminal', across: 'new part' },
      asks: [ohms('new', 'New, ohms', '1850 or OL'), ohms('old', 'Old, ohms', '1910')],
      open: { verdict: 'bad', because: 'An open line: new, and broken.' },
      work: (given) => {
        const [fresh, old] = [given.number('new')!, given.number('old')!];
        return {
          x: {
            value: Math.abs(fresh / old - 1),
            u: (fresh / old) * expanded(given.scatter('new') / fresh, given.scatter('old') / old),
          },
          zones: { good: { to: 0.05 }, marginal: { to: 0.1 } },
        };
      },
      dimension: 'fraction',
      about: 'new part',
      proves: 'That both are alike, where the old one was sound in that.',
    },
  ],
};
