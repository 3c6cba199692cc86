import { choice, LEADS, LOADED, NOT_LOADED, ohms, plate, pressure, voltsAc, warmth } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { expanded, type InstrumentOfABag } from '../uncertainty';
import { about, netOhms, shareOf, type Work } from '../work';
import { airDensityRatio } from '../calculators';
import { ofBook } from '../limits';

/** What is across a contact from this share of the supply on: all of it, the contact is open. */
const ALL = 0.9;
const MILLIVOLTS_TO = 0.6;

/** Volts across a contact, by the range that shows them. */
const drop: Work = (given): Worked => {
  const value = Math.abs(given.number('volts')!);
  const supply = given.number('supply');
  if (supply !== undefined && value >= ALL * supply) {
    const due = given.choice('due');
    return due === 'closed' || due === 'reset'
      ? { verdict: 'bad', because: 'All of the supply stands across it: it is open, and nothing keeps it open.' }
      : {
          verdict: 'repeat',
          because:
            'All of the supply stands across it: it is open. Read what it senses, or push its reset, before you condemn it.',
        };
  }
  const kind: InstrumentOfABag = value <= MILLIVOLTS_TO ? 'millivolts' : 'volts-ac';
  const amps = given.number('amps');
  return {
    x: { value, u: expanded(given.offWith(kind, value)) },
    ...(amps !== undefined && { notes: [`In ohms: ${((1000 * value) / amps).toPrecision(4)} mΩ.`] }),
  };
};

/** Whether anything keeps it open rightly. */
const DUE = choice(
  'due',
  'Should it be closed?',
  {
    closed: 'yes: what it senses was read and says so',
    reset: 'yes: its reset was pushed',
    unknown: 'what it senses was not read',
  },
  { need: 'maybe' },
);

export const SWITCH: ComponentTest = {
  id: 'closed-switch',
  number: 9,
  title: 'Closed switch',
  question: 'Does a closed contact pass current?',
  cautions: ['Never leave a safety bridged.', 'Live: one hand, black probe first.'],
  measures: [
    {
      id: 'drop',
      title: 'Volts across it under load',
      setUp: 'across',
      how: 'Red on the feed side, black on the load side, the load’s current flowing.',
      probes: { red: 'feed side', black: 'load side', across: 'contact' },
      asks: [
        LOADED,
        voltsAc('volts', 'Volts across it', '50 mV'),
        plate.volts('supply', 'Volts of the supply', '26', { need: 'maybe' }),
        plate.amps('amps', 'Current', '0.42', { need: 'maybe' }),
        DUE,
      ],
      rows: [NOT_LOADED],
      work: drop,
      dimension: 'voltage',
      zones: [{ limit: 'drop-across-contact' }],
      about: 'contact',
      proves: 'Volts lost across it under load condemn it.',
      provesNot: 'An open switch is bad only where what it senses was read, or its reset was pushed.',
    },
    {
      id: 'ohms',
      title: 'Ohms, isolated',
      setUp: 'dead',
      how: 'Advice only: one strand touching reads well and passes no current. A beeper sounds below 20 to 50 Ω and clears no contact.',
      probes: { red: 'one side', black: 'other side', across: 'contact' },
      asks: [
        choice('read', 'Read with', { ohms: 'ohms', beep: 'the beeper: it sounds', silent: 'the beeper: silent' }),
        ohms('ohms', 'Ohms', '0.4', { when: { read: 'ohms' } }),
        LEADS,
        choice('school', 'The shop takes', { lenient: 'an ohm', strict: 'a tenth of an ohm' }, { need: 'maybe' }),
        DUE,
      ],
      rows: [
        {
          when: { read: 'beep' },
          verdict: 'repeat',
          because:
            'A beeper sounds below 20 to 50 Ω: it clears no contact. Read ohms, or better the volts across it under load.',
        },
        { when: { read: 'silent' }, verdict: 'repeat', because: 'Silent is anything over 20 to 50 Ω: read ohms.' },
      ],
      open: {
        verdict: 'repeat',
        because: 'It is open. Read what it senses, or push its reset: it is bad only if nothing keeps it open.',
      },
      work: (given) => {
        const x = netOhms(given);
        const limit = given.choice('school') === 'strict' ? 0.1 : 1;
        if (x.u > limit)
          return {
            verdict: 'repeat',
            because: 'The meter is too coarse for a tenth of an ohm: read the volts across it under load.',
            x,
          };
        return { x };
      },
      dimension: 'resistance',
      zones: [{ when: { school: 'strict' }, limit: 'contact-strict' }, { limit: 'contact-lenient' }],
      about: 'contact',
      proves: 'Many ohms condemn it.',
      provesNot: 'Few ohms without a load clear nothing.',
    },
  ],
  together: [
    {
      when: { drop: 'bad', ohms: 'good' },
      says: 'It reads well and loses volts under load: what it does at work counts.',
    },
  ],
};

const air: Work = (given): Worked => {
  const contact = given.choice('contact')!;
  if (given.choice('inducer') === 'off')
    return contact === 'closed'
      ? { verdict: 'bad', because: 'Closed before the inducer starts: it is stuck.' }
      : { verdict: 'good', because: 'Open at rest, as it should be.' };
  const P = given.number('draft');
  const [make, breaks] = [given.number('make'), given.number('break')];
  if (P === undefined || make === undefined || breaks === undefined)
    return { verdict: 'repeat', because: 'Read the draft beside the contact: an open switch says nothing of itself.' };
  const x = { value: Math.abs(P), u: given.measured('draft').u };
  const share = (x.value / make).toFixed(2);
  if (contact === 'closed') {
    if (x.value + x.u < breaks)
      return {
        x,
        verdict: 'bad',
        because: 'Closed with less draft than opens it: it is stuck, and would let it fire without air.',
      };
    if (x.value - x.u > breaks) return { x, verdict: 'good', because: `Closed with ${share} times what makes it.` };
  } else {
    if (x.value - x.u > make)
      return { x, verdict: 'bad', because: `Open with ${share} times what makes it: the switch, its hose or port.` };
    if (x.value + x.u < make)
      return {
        x,
        verdict: 'good',
        about: 'switch',
        because: `Open with only ${share} times what makes it: look at vent, hose, drain and inducer.`,
      };
  }
  return {
    x,
    verdict: 'repeat',
    because: 'So near its point it says nothing: ramp the draft slowly and read where it makes.',
  };
};

export const AIR_PROOF: ComponentTest = {
  id: 'air-proof',
  number: 10,
  title: 'Air proof against draft',
  question: 'Is it the switch, or the vent?',
  cautions: ['Never run it with the switch bridged: it would fire without proof of its air.'],
  measures: [
    {
      id: 'contact',
      title: 'Contact beside measured draft',
      setUp: 'gauge',
      how: 'Manometer on a tee in its hose, inducer running. Size only: the sign is the side of the hose.',
      probes: { red: 'tee in the hose', across: 'manometer' },
      asks: [
        choice('contact', 'The contact is', { closed: 'closed', open: 'open' }),
        choice('inducer', 'The inducer', { on: 'runs', off: 'is at rest' }),
        pressure('draft', 'Draft', '0.72', { when: { inducer: 'on' } }),
        plate.pressure('make', 'It makes at (plate)', '0.60', { when: { inducer: 'on' } }),
        plate.pressure('break', 'It breaks at', '0.50', { when: { inducer: 'on' } }),
      ],
      work: air,
      dimension: 'pressure',
      about: 'pressure switch',
      proves: 'The switch, or everything else that makes the draft.',
    },
    {
      id: 'make-point',
      title: 'Where it makes',
      setUp: 'gauge',
      how: 'By hand, slowly up, the contact watched.',
      probes: { red: 'port of the switch', across: 'manometer' },
      asks: [pressure('draft', 'It made at', '0.60'), plate.pressure('make', 'Plate', '0.60')],
      work: (given) => ({
        x: given.measured('draft'),
        zones: { ...ofBook(given.number('make')!, 0.1, 0.2), unsafe: 'low' },
      }),
      dimension: 'pressure',
      about: 'pressure switch',
      proves: 'Early is unsafe: it proves air that is not there.',
    },
    {
      id: 'margin',
      title: 'Draft beside what makes it',
      setUp: 'gauge',
      how: 'Inducer running, warm. High up there is less draft; what makes the switch stays.',
      probes: { red: 'tee in the hose', across: 'manometer' },
      asks: [
        pressure('draft', 'Draft', '0.72'),
        plate.pressure('make', 'It makes at (plate)', '0.60'),
        plate.feet('alt', 'Altitude', '0 ft', { need: 'maybe' }),
      ],
      work: (given) => {
        const x = shareOf(given.measured('draft'), given.number('make')!);
        if (given.number('alt') === undefined) return { x };
        const thin = airDensityRatio(given.altitude.value);
        return {
          x,
          notes: [
            `Up here the same fan makes ${thin.toFixed(2)} of the draft of sea level, where it would be ${(x.value / thin).toFixed(2)} times what makes it.`,
          ],
        };
      },
      dimension: 'none',
      zones: [{ limit: 'draft-margin' }],
      about: 'draft',
      proves: 'Whether vent, inducer and drain make enough.',
    },
  ],
};

/** How far a thermometer may be from what the switch feels, K. Common practice, no source. */
const PLACES: Readonly<Record<string, number>> = { bath: 1, taped: 2, place: 5 };
const FAST = 3;

const opening: Work = (given): Worked => {
  const set = given.number('plate')!;
  const kind = given.choice('kind');
  const place = PLACES[given.choice('place')!]!;
  const read = given.number('opened');
  const fast = given.choice('fast') === 'yes' ? FAST : 0;
  const u = expanded(given.off('opened'), place, fast);
  if (given.choice('opens') === 'never') {
    const reached = given.number('opened')!;
    return reached - set >= 10
      ? {
          verdict: 'bad',
          x: { value: reached, u },
          because: 'Ten kelvin above its plate and still closed: it does not protect.',
        }
      : {
          verdict: 'repeat',
          x: { value: reached, u },
          because: 'Go on slowly to ten kelvin above its plate, no further.',
        };
  }
  return {
    x: { value: read!, u },
    zones: kind === 'thermostat' ? about(set, 5, 10) : about(set, 3, 8, 'high', 3),
  };
};

export const LIMIT_OPENING: ComponentTest = {
  id: 'limit-opening',
  number: 11,
  title: 'Limit, ECO or thermostat: where it opens',
  question: 'Has it drifted, or was it right to open?',
  cautions: ['Hot water and metal scald.', 'Never leave a limit bridged, and never run it unattended without one.'],
  measures: [
    {
      id: 'opening',
      title: 'Temperature at which it opens',
      setUp: 'by-eye',
      how: 'Thermometer at its sensing face, two kelvin a minute at most, the contact watched.',
      asks: [
        choice('kind', 'Which', { limit: 'limit or ECO', thermostat: 'thermostat' }),
        choice('place', 'The thermometer is', {
          bath: 'with it in a stirred bath',
          taped: 'taped to its face',
          place: 'near it, in place',
          none: 'not there',
        }),
        plate.warmth('plate', 'Opens at (plate)', '82 C'),
        choice('opens', 'It', { opened: 'opened', never: 'did not open' }, { need: 'maybe' }),
        warmth('opened', 'It opened at, or was brought to', '81 C', { when: { place: ['bath', 'taped', 'place'] } }),
        choice('fast', 'Faster than two kelvin a minute?', { no: 'no', yes: 'yes' }, { need: 'maybe' }),
      ],
      rows: [
        {
          when: { place: 'none' },
          verdict: 'repeat',
          because: 'Without a thermometer at its face nothing is known of it.',
        },
      ],
      work: opening,
      dimension: 'temperature',
      about: 'switch',
      proves: 'Early: the switch. Late: it does not protect.',
      provesNot: 'Opened where it should: find why it was so hot.',
    },
  ],
};

export const REGULATOR: ComponentTest = {
  id: 'thermal-regulator',
  number: 12,
  title: 'Thermal regulator in hot water',
  question: 'Does it open?',
  cautions: ['Boiling water scalds.'],
  measures: [
    {
      id: 'opening',
      title: 'Start of opening',
      setUp: 'by-eye',
      how: 'In a stirred pan, three minutes for a step; the old and the new one together.',
      asks: [
        choice('with', 'In', { thermometer: 'a pan with a thermometer', boiling: 'boiling water, no thermometer' }),
        choice('state', 'It', {
          starts: 'begins to open',
          shut: 'stays shut',
          cold: 'is open when cold',
          open: 'is open',
        }),
        warmth('opened', 'At', '50 C', { when: { with: 'thermometer', state: ['starts', 'shut'] } }),
        plate.warmth('book', 'Begins to open at (book)', '49 C', { need: 'maybe', when: { with: 'thermometer' } }),
      ],
      rows: [
        { when: { state: 'cold' }, verdict: 'bad', because: 'Open when it is cold.' },
        { when: { with: 'boiling', state: 'shut' }, verdict: 'bad', because: 'Shut in boiling water.' },
        {
          when: { with: 'boiling' },
          verdict: 'repeat',
          because: 'Open in boiling water says only that it opens somewhere: take a thermometer.',
        },
      ],
      work: (given): Worked => {
        const x = { value: given.number('opened')!, u: expanded(given.off('opened'), PLACES['bath']!) };
        if (given.choice('state') === 'shut')
          return x.value >= 273.15 + 93
            ? { verdict: 'bad', x, because: 'Shut at 93 °C.' }
            : { verdict: 'repeat', x, because: 'Go on to 93 °C.' };
        const book = given.number('book');
        return { x, ...(book !== undefined && { zones: about(book, 3, 8) }) };
      },
      dimension: 'temperature',
      about: 'regulator',
      proves: 'Whether it opens, and where.',
    },
    {
      id: 'old-and-new',
      title: 'Old beside new',
      setUp: 'by-eye',
      how: 'Both in one pan: the difference of where they begin to open.',
      asks: [warmth('old', 'The old one began at', '50 C'), warmth('new', 'The new one at', '49 C')],
      work: (given) => ({
        x: { value: Math.abs(given.number('old')! - given.number('new')!), u: expanded(PLACES['bath']!) },
        zones: { good: { to: 3 }, marginal: { to: 8 } },
      }),
      dimension: 'temperature-difference',
      about: 'old regulator',
      proves: 'Whether the old one is still like a new one.',
    },
  ],
};
