import { choice, ISOLATED, LEADS, NOT_ISOLATED, OFF_SINCE, ohms, amps, plate, voltsAc } from '../asked';
import type { ComponentTest } from '../spec';
import { expanded } from '../uncertainty';
import { netOhms, quotient, type Work } from '../work';

const MINUTES = 60;
/** From here on an igniter is as cold as the room. */
const COLD = 10 * MINUTES;

/** What cold ohms lie behind a reading taken while it was warm: so many times it at least and at most. Chosen by us. */
function coldFrom(fit: string | undefined, off: number): readonly [number, number] {
  if (off >= COLD || fit === '24v') return [1, 1];
  if (fit === 'nitride') return [1 / (off < 2 * MINUTES ? 1.8 : 1.3), 1];
  return [1, 4];
}

const cold: Work = (given) => {
  const net = netOhms(given);
  const off = given.number('off');
  const [least, most] = coldFrom(given.choice('fit'), off ?? 0);
  const [from, to] = [(net.value - net.u) * least, (net.value + net.u) * most];
  if (least === most) return { x: net };
  const hot = off === undefined ? [] : ['how hot it still is; read it again when it was off for ten minutes'];
  return { x: { value: (from + to) / 2, u: (to - from) / 2 }, assumed: hot };
};

const live: Work = (given) => {
  const turns = given.number('turns') ?? 1;
  const clamp = given.measured('amps');
  return { x: quotient({ value: clamp.value / turns, u: clamp.u / turns }, given.measured('volts'), 120) };
};

const FITTED = choice(
  'fit',
  'Which igniter is fitted?',
  {
    carbide: 'silicon carbide, 120 V',
    dryer: 'silicon carbide, of a dryer',
    nitride: 'silicon nitride, 120 V',
    '24v': '24 V',
  },
  { need: 'agree' },
);

export const IGNITER: ComponentTest = {
  id: 'glow-igniter',
  number: 1,
  title: 'Glow igniter',
  question: 'Is it cracked, aged, and does it get hot enough?',
  cautions: [
    'It stays hot for minutes, and breaks at a touch: hold it by its socket only.',
    'Line voltage at its plug while it is called for.',
  ],
  measures: [
    {
      id: 'cold',
      title: 'Ohms, plug off',
      setUp: 'dead',
      how: 'Read at the plug, on the igniter’s side. Never touch the element. Carbide falls as it warms, nitride of 120 V rises.',
      probes: { red: 'plug, one pin', black: 'plug, other pin', across: 'igniter' },
      asks: [
        FITTED,
        ISOLATED,
        ohms('ohms', 'Ohms', '62.4 or OL'),
        LEADS,
        OFF_SINCE,
        plate.ohms('book', 'Ohms of the maker’s sheet', '15', { need: 'maybe', when: { fit: 'nitride' } }),
      ],
      rows: [NOT_ISOLATED],
      open: {
        verdict: 'bad',
        because: 'An open line: the element is broken. Make its plug once more and read again before you change it.',
      },
      work: cold,
      dimension: 'resistance',
      zones: [
        { when: { fit: 'carbide' }, limit: 'igniter-carbide' },
        { when: { fit: 'dryer' }, limit: 'igniter-carbide-dryer' },
        { when: { fit: 'nitride' }, book: 'book', good: 0.2, marginal: 0.5, own: 0.2, below: 0.3 },
        { when: { fit: 'nitride' }, limit: 'igniter-nitride' },
        { when: { fit: '24v' }, limit: 'igniter-24v' },
      ],
      about: 'igniter',
      proves: 'An open line, or cold ohms beyond the limits, condemns the igniter.',
      provesNot: 'Good ohms do not prove that it gets hot enough: its amps do, or a glow with no gas released.',
    },
    {
      id: 'amps',
      title: 'Amps, glowing',
      setUp: 'clamp',
      how: 'From switch-on, for thirty seconds: carbide climbs by a tenth at least, nitride falls.',
      probes: { red: 'one conductor of the igniter', across: 'jaw' },
      line: true,
      asks: [
        choice('fit', 'Which igniter is fitted?', { carbide: 'silicon carbide, 120 V', nitride: 'silicon nitride' }),
        amps('amps', 'Amps after thirty seconds', '4.3'),
        plate.count('turns', 'Turns through the jaw', '1', { need: 'maybe' }),
        voltsAc('volts', 'Volts at it meanwhile', '118'),
        choice('climb', 'Since switch-on it', { up: 'climbed', flat: 'stood', down: 'fell' }),
      ],
      rows: [
        {
          when: { fit: 'carbide', climb: ['down', 'flat'] },
          verdict: 'repeat',
          because: 'Carbide climbs by a tenth while it warms. Look which igniter is fitted, and begin at switch-on.',
        },
        {
          when: { fit: 'nitride', climb: ['up', 'flat'] },
          verdict: 'repeat',
          because: 'Nitride falls while it warms. Look which igniter is fitted, and begin at switch-on.',
        },
      ],
      work: live,
      dimension: 'current',
      zones: [{ when: { fit: 'carbide' }, limit: 'igniter-carbide-amps' }],
      about: 'igniter',
      proves: 'Amps below the limits, at proper volts: it does not get hot enough to release the gas.',
    },
  ],
};

export const SPARK: ComponentTest = {
  id: 'spark',
  number: 2,
  title: 'Spark',
  question: 'Does it jump where the gas is?',
  cautions: [
    'Shut the gas first.',
    'Thousands of volts: hold the lead by an insulated tool only; never put a meter on a sparking terminal.',
  ],
  measures: [
    {
      id: 'gap',
      title: 'Gap',
      setUp: 'by-eye',
      how: 'With drill shanks: the largest that goes in and the smallest that does not; the middle of the two is the gap.',
      asks: [
        plate.length('in', 'Largest shank that goes in', '3 mm'),
        plate.length('out', 'Smallest that does not', '3.25 mm', { need: 'maybe' }),
        plate.length('step', 'Step of your drills', '0.25 mm', { need: 'maybe' }),
        choice(
          'school',
          'The shop takes',
          { usual: 'an eighth of an inch and a little more', eighth: 'an eighth at most' },
          { need: 'maybe' },
        ),
      ],
      work: (given) => {
        const [into, out] = [given.number('in')!, given.number('out')];
        const step = given.number('step') ?? 0.25e-3;
        return { x: { value: out === undefined ? into : (into + out) / 2, u: expanded(step / 2 + 0.1e-3) } };
      },
      dimension: 'length',
      zones: [{ when: { school: 'eighth' }, limit: 'spark-gap-eighth' }, { limit: 'spark-gap' }],
      about: 'spark gap',
      proves: 'Whether the spark jumps where the gas comes.',
    },
    {
      id: 'spark',
      title: 'Spark at both ends',
      setUp: 'by-eye',
      how: 'First at the control: its lead’s end held 4 mm from bare metal by an insulated tool. Then at the electrode.',
      line: true,
      asks: [
        choice('control', 'At the control', { blue: 'blue and snapping', thread: 'a thin thread', none: 'none' }),
        choice(
          'electrode',
          'At the electrode',
          { blue: 'blue and snapping', thread: 'a thin thread', none: 'none' },
          { when: { control: ['blue', 'thread'] } },
        ),
        choice(
          'feed',
          'Feed of the control, 18 V or more?',
          { yes: 'read, and there', no: 'read, and missing' },
          { need: 'maybe' },
        ),
      ],
      rows: [
        {
          when: { control: 'none', feed: 'no' },
          verdict: 'bad',
          about: 'feed of the control',
          because: 'Without its feed no control sparks: follow the feed.',
        },
        {
          when: { control: 'none', feed: 'yes' },
          verdict: 'bad',
          about: 'spark output of the control',
          because: 'It is fed and makes no spark, with nothing but air at its end.',
        },
        {
          when: { control: 'none' },
          verdict: 'repeat',
          because: 'Read the feed of the control first: without it no control sparks.',
        },
        {
          when: { control: 'blue', electrode: ['none', 'thread'] },
          verdict: 'bad',
          about: 'spark lead, ceramic or gap',
          because: 'It leaves the control and is lost on the way.',
        },
        {
          when: { control: 'thread', electrode: ['thread', 'none'] },
          verdict: 'marginal',
          because: 'A thin thread at the control: weak feed, wet or aged lead.',
        },
        {
          when: { control: 'thread', electrode: 'blue' },
          verdict: 'repeat',
          because: 'It cannot be stronger at the electrode than at the control: look again.',
        },
        { when: { control: 'blue', electrode: 'blue' }, verdict: 'good', because: 'It jumps at both ends.' },
      ],
      about: 'spark',
      proves: 'Whether control, lead and electrode make a spark.',
      provesNot: 'A good spark says nothing of gas.',
    },
  ],
};
