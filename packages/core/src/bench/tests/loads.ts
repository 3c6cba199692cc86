import { runningCapacitance } from '../calculators/electrical';
import { amps, choice, farads, ISOLATED, LEADS, NOT_ISOLATED, ohms, plate, seconds, voltsAc } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { expanded } from '../uncertainty';
import { netOhms, quotient, shareOf, type Work } from '../work';

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

export const RELAY: ComponentTest = {
  id: 'relay',
  number: 19,
  title: 'Relay',
  question: 'Coil, contact, or socket?',
  cautions: ['Line voltage may stand on its contacts while its coil is dead.'],
  measures: [
    {
      id: 'contact',
      title: 'Contacts, at rest and energised',
      setUp: 'across',
      how: 'At rest COM to NC is closed and COM to NO open; energised the other way round. Its coil by test 6.',
      probes: { red: 'COM', black: 'NO or NC', across: 'contact' },
      line: true,
      asks: [
        choice('state', 'The relay is', { rest: 'at rest', on: 'energised' }),
        choice('coil', 'Volts at its coil', { yes: '20 V or more, read', no: 'not read' }, { when: { state: 'on' } }),
        choice('pair', 'Read from COM to', { no: 'NO', nc: 'NC' }),
        choice('found', 'It is', {
          closed: 'closed: under 0.3 V across it',
          open: 'open: its supply across it, or OL',
        }),
        choice('wiggle', 'Pushed or wiggled it', { same: 'stays so', cures: 'comes right' }, { need: 'maybe' }),
        choice('winding', 'Its coil by test 6', { good: 'good', unknown: 'not read' }, { need: 'maybe' }),
      ],
      rows: [
        {
          when: { state: 'on', coil: 'no' },
          verdict: 'repeat',
          because: 'Read its coil first: without 20 V it does nothing.',
        },
        {
          when: { wiggle: 'cures' },
          verdict: 'bad',
          about: 'socket',
          because: 'Pushed in it comes right: the socket, not the relay.',
        },
        {
          when: { state: 'rest', pair: 'no', found: 'closed' },
          verdict: 'bad',
          about: 'contact',
          because: 'Closed at rest: welded. What it feeds runs by itself; switch it off at the line.',
        },
        {
          when: { state: 'rest', pair: 'nc', found: 'open' },
          verdict: 'bad',
          about: 'contact',
          because: 'Open at rest.',
        },
        {
          when: { state: 'on', pair: 'no', found: 'open', winding: 'good' },
          verdict: 'bad',
          about: 'contact or armature',
          because: 'Coil good and fed, and nothing changes.',
        },
        {
          when: { state: 'on', pair: 'no', found: 'open' },
          verdict: 'bad',
          because: 'Fed, and it does not close: read its coil to know which of the two.',
        },
        {
          when: { state: 'on', pair: 'nc', found: 'closed' },
          verdict: 'bad',
          about: 'contact',
          because: 'Fed, and it does not open.',
        },
        { when: { found: ['open', 'closed'] }, verdict: 'good', because: 'As it should be.' },
      ],
      about: 'relay',
      proves: 'Contact, armature, coil or socket.',
    },
    {
      id: 'delay',
      title: 'On-delay',
      setUp: 'by-eye',
      how: 'From volts at its coil to the click.',
      asks: [seconds('time', 'Seconds', '45'), plate.seconds('longest', 'Longest of its plate', '45')],
      work: (given) => {
        const longest = given.number('longest')!;
        return { x: given.measured('time'), zones: { good: { to: 1.3 * longest }, marginal: { to: 1.3 * longest } } };
      },
      dimension: 'time',
      about: 'relay',
      proves: 'Late beyond 1.3 times its longest: the relay.',
    },
  ],
};

export const DAMPER: ComponentTest = {
  id: 'vent-damper',
  number: 20,
  title: 'Vent damper',
  question: 'Blade, motor, or end switch?',
  cautions: [
    'A blade that stands shut while it fires sends carbon monoxide into the room. Never bridge its end switch.',
  ],
  measures: [
    {
      id: 'travel',
      title: 'Travel and end switch',
      setUp: 'by-eye',
      how: 'Lever on automatic. See it travel on this call; its end switch closes only when it is fully open.',
      asks: [
        choice('lever', 'Its lever stands on', { automatic: 'automatic', hold: 'hold open' }),
        choice('seen', 'Seen travelling on this call?', { yes: 'yes', no: 'no' }),
        choice('blade', 'The blade', { open: 'stands open', shut: 'stands shut' }),
        choice('end', 'Its end switch is', { closed: 'closed', open: 'open' }),
        choice('fed', 'Volts at its motor', { yes: '18 V or more', no: 'less, or not read' }, { need: 'maybe' }),
        plate.seconds('time', 'It took', '13', { need: 'maybe', when: { blade: 'open' } }),
        plate.seconds('plate', 'Time of its plate', '12', { need: 'maybe' }),
      ],
      rows: [
        {
          when: { blade: 'shut', end: 'closed' },
          verdict: 'bad',
          atOnce: true,
          about: 'end switch',
          because: 'Closed with the blade shut: it would fire into a shut vent. Switch it off.',
        },
        {
          when: { lever: 'hold', blade: 'open', end: 'open' },
          verdict: 'good',
          about: 'lever',
          because: 'Held open by its lever: put it back to automatic.',
        },
        {
          when: { lever: 'hold' },
          verdict: 'repeat',
          because: 'Its lever holds it: put it to automatic, and call again.',
        },
        {
          when: { blade: 'shut', fed: 'yes' },
          verdict: 'bad',
          about: 'motor or blade',
          because: 'It is fed and does not travel.',
        },
        { when: { blade: 'shut' }, verdict: 'repeat', because: 'Read the volts at its motor: unfed it stays shut.' },
        {
          when: { seen: 'no' },
          verdict: 'repeat',
          because: 'Call again and see it travel: a blade that stands open may be stuck there.',
        },
        {
          when: { end: 'open' },
          verdict: 'bad',
          about: 'end switch',
          because: 'Fully open, and its end switch does not close.',
        },
      ],
      work: (given): Worked => {
        const [time, book] = [given.number('time'), given.number('plate')];
        if (time === undefined || book === undefined)
          return { verdict: 'good', because: 'It travels, and its end switch closes when it is open.' };
        return {
          x: { value: time, u: expanded(0.5) },
          zones: { good: { to: 1.3 * book }, marginal: { to: 2 * book } },
        };
      },
      dimension: 'time',
      about: 'damper',
      proves: 'Blade, motor, end switch or lever.',
    },
  ],
};

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
