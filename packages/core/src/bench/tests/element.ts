import { ISOLATED, LEADS, NOT_ISOLATED, ohms, plate } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { netOhms } from '../work';

export const ELEMENT: ComponentTest = {
  id: 'element',
  number: 18,
  title: 'Heating element',
  question: 'Whole, of the right size, no leak to ground?',
  cautions: [
    'Line voltage at its terminals: off and locked.',
    'Fed dry it is destroyed: fill the tank before you feed it again.',
  ],
  measures: [
    {
      id: 'ohms',
      title: 'Ohms, against its plate',
      setUp: 'dead',
      how: 'Both leads off. Its temperature does not matter.',
      probes: { red: 'one terminal', black: 'other terminal', across: 'element' },
      asks: [
        ISOLATED,
        ohms('ohms', 'Ohms', '10.2 or OL'),
        LEADS,
        plate.volts('volts', 'Volts of the plate', '120'),
        plate.watts('watts', 'Watts of the plate', '1440'),
      ],
      rows: [NOT_ISOLATED],
      open: { verdict: 'bad', because: 'An open line: the element is broken.' },
      work: (given): Worked => {
        const book = given.number('volts')! ** 2 / given.number('watts')!;
        const x = netOhms(given);
        const share = x.value / book;
        const notes = [
          `By its plate ${book.toPrecision(3)} Ω.`,
          ...(Math.abs(share - 0.25) < 0.06 || Math.abs(share - 4) < 0.6
            ? ['A quarter or four times of it: are its volts taken from another plate?']
            : []),
        ];
        return {
          x,
          zones: { good: { from: 0.9 * book, to: 1.2 * book }, marginal: { from: 0.8 * book, to: 1.3 * book } },
          notes,
        };
      },
      dimension: 'resistance',
      about: 'element',
      proves: 'Broken, or of another size.',
    },
    {
      id: 'sheath',
      title: 'To its sheath',
      setUp: 'dead',
      how: 'Highest range; one probe on bare metal of the sheath.',
      probes: { red: 'one terminal', black: 'sheath', across: 'insulation' },
      asks: [ISOLATED, ohms('ohms', 'Ohms', 'OL')],
      rows: [NOT_ISOLATED],
      open: { verdict: 'good', because: 'Nothing leaks to its sheath.' },
      dimension: 'resistance',
      zones: [{ limit: 'element-to-sheath' }],
      about: 'element',
      proves: 'It leaks to ground.',
    },
  ],
};
