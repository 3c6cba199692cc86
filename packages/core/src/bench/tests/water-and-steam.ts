import { choice, plate } from '../asked';
import { PSI } from '../factors';
import type { ComponentTest, Worked } from '../spec';
import { expanded } from '../uncertainty';
import { about, type Work } from '../work';

const FIRING = choice('firing', 'The burner fires, and somebody stays?', { yes: 'yes', no: 'no' });
const GLASS = choice('glass', 'The glass was proved: drained and refilled?', { yes: 'yes', no: 'no' });
const BEFORE = [
  {
    when: { firing: 'no' },
    verdict: 'repeat',
    because: 'With the burner off nothing goes out. Fire it, stay beside it, and begin again.',
  },
  {
    when: { glass: 'no' },
    verdict: 'repeat',
    because: 'Drain the glass and see it refill: a plugged one shows water that is not there.',
  },
] as const;
const STOP =
  'The water has left the glass and it still fires. Stop it at the switch now; let it cool before any water goes in.';

export const LOW_WATER: ComponentTest = {
  id: 'low-water',
  number: 13,
  title: 'Low-water cut-off',
  question: 'Does it stop the fire in time?',
  cautions: [
    'Never add water to a hot boiler that has run dry: it can burst. Shut it off and let it cool.',
    'Drains and blow-downs scald: bucket, gloves, face away. Stay until it is over.',
  ],
  measures: [
    {
      id: 'drain',
      title: 'Drain test, firing',
      setUp: 'by-eye',
      how: 'Open the drain fully. The burner goes out while water is still in the glass; pump or feeder starts; the level comes back. An automatic one refires; an auxiliary stays out until its reset is pushed: push it.',
      asks: [
        choice('drain', 'Its drain', { open: 'opens', capped: 'is capped or plugged' }),
        FIRING,
        GLASS,
        choice('out', 'The burner', {
          out: 'went out with water in the glass',
          fires: 'still fires at the bottom of the glass',
        }),
        plate.seconds('after', 'After', '9', { need: 'maybe' }),
        plate.seconds('last', 'At the last test', '8', { need: 'maybe' }),
        choice('feed', 'Pump or feeder', {
          yes: 'started, the level is back',
          no: 'did not start',
          none: 'there is none',
        }),
        choice('kind', 'It is', { automatic: 'automatic', auxiliary: 'an auxiliary with a reset' }),
        choice('reset', 'Its reset', { pushed: 'was pushed', no: 'was not pushed' }, { when: { kind: 'auxiliary' } }),
      ],
      rows: [
        {
          when: { drain: 'capped' },
          verdict: 'bad',
          about: 'the drain as it is installed',
          because: 'It cannot be tested as it is: have the drain opened.',
        },
        { when: { out: 'fires' }, verdict: 'bad', because: STOP, atOnce: true },
        ...BEFORE,
        {
          when: { kind: 'auxiliary', reset: 'no' },
          verdict: 'repeat',
          because: 'Push its reset before you go: it stays out until then.',
        },
        {
          when: { feed: 'no' },
          verdict: 'marginal',
          about: 'pump or feeder',
          because: 'The fire went out in time; the pump or feeder did not start.',
        },
      ],
      work: (given): Worked => {
        const [after, last] = [given.number('after'), given.number('last')];
        if (after !== undefined && last !== undefined && after > 2 * last)
          return {
            verdict: 'marginal',
            because: 'It went out, after more than twice the time of the last test: sediment. Clean it and test again.',
          };
        return { verdict: 'good', because: 'It went out with water in the glass, and the level is back.' };
      },
      dimension: 'time',
      about: 'low-water cut-off',
      proves: 'That a quick fall stops the fire.',
      provesNot: 'A slow fall: only the evaporation test does.',
    },
    {
      id: 'evaporation',
      title: 'Evaporation test, attended',
      setUp: 'by-eye',
      how: 'See the pump start at its level. Then shut the feed, drain closed, and stay: the burner must stop before the water leaves the glass.',
      asks: [
        FIRING,
        GLASS,
        choice('pump', 'The feed', { yes: 'started at its level', no: 'did not start', none: 'there is none' }),
        choice('out', 'With the feed shut the burner', {
          out: 'went out with water in the glass',
          fires: 'still fires, the glass is empty',
        }),
      ],
      rows: [
        { when: { out: 'fires' }, verdict: 'bad', because: STOP, atOnce: true },
        ...BEFORE,
        {
          when: { pump: 'no', out: 'out' },
          verdict: 'marginal',
          about: 'pump or feeder',
          because: 'The fire went out in time; the feed did not start at its level.',
        },
        { when: { out: 'out' }, verdict: 'good', because: 'It went out before the water left the glass.' },
      ],
      about: 'low-water cut-off',
      proves: 'That a slow fall stops the fire.',
    },
    {
      id: 'probe',
      title: 'Probe wire lifted',
      setUp: 'live',
      how: 'A probe type: its wire lifted, the burner goes out within the control’s delay.',
      probes: { red: 'probe wire', across: 'lifted' },
      asks: [
        FIRING,
        plate.seconds('after', 'The burner went out after', '11'),
        plate.seconds('delay', 'Delay of the control', '10'),
      ],
      rows: [BEFORE[0]],
      work: (given): Worked => {
        const [after, delay] = [given.number('after')!, given.number('delay')!];
        return {
          x: { value: after, u: expanded(0.5) },
          zones: { good: { to: 1.3 * delay }, marginal: { to: 1.3 * delay }, unsafe: 'high' },
        };
      },
      dimension: 'time',
      about: 'low-water control',
      proves: 'That the control stops the fire when its probe is out of the water.',
    },
    {
      id: 'glass',
      title: 'Gauge glass',
      setUp: 'by-eye',
      how: 'A pencil held behind it looks bent where there is water, straight where there is none.',
      asks: [
        choice('pencil', 'The pencil looks', { bent: 'bent', straight: 'straight' }),
        choice('drained', 'Drained, it refilled', { yes: 'yes, at once', slow: 'slowly or not at all' }),
      ],
      rows: [
        {
          when: { drained: 'slow' },
          verdict: 'bad',
          about: 'glass and its cocks',
          because: 'It does not follow the water: clean it before any test goes by it.',
        },
        {
          when: { pencil: 'straight' },
          verdict: 'marginal',
          about: 'water in the boiler',
          because: 'There is no water in the glass. Is it hot? Then no water in.',
        },
        { when: { pencil: 'bent' }, verdict: 'good', because: 'Water stands in it, and it follows.' },
      ],
      about: 'gauge glass',
      proves: 'Whether the level that is seen is there.',
    },
  ],
  together: [
    {
      when: { drain: 'good', evaporation: 'bad' },
      says: 'It passes a quick fall and not a slow one: bad. The evaporation test decides.',
    },
    { when: { drain: 'good', evaporation: 'good' }, says: 'Both halves passed.' },
  ],
};

/** A residential steam boiler is not set above this. */
const CEILING = 3 * PSI;

const reading: Work = (given): Worked => {
  const x = gaugeOf(given.number('read')!, given.number('span')!, given.number('class')!, given.number('division')!);
  if (given.choice('point') === 'out' && given.choice('house') === 'home' && x.value + x.u > CEILING)
    return {
      x,
      verdict: 'bad',
      because: 'It reaches 3 psi, the most that a house may have: set it down, and find why it was so high.',
    };
  return { x, zones: about(given.number('setting')!, 0.3 * PSI, 0.6 * PSI) };
};

/** A dial gauge: class, a share of its span, and half a division. */
const gaugeOf = (value: number, span: number, share: number, division: number) => ({
  value,
  u: expanded(share * span, division / 2),
});

export const PRESSURE_LIMIT: ComponentTest = {
  id: 'pressure-limit',
  number: 14,
  title: 'Pressure limit of a steam boiler',
  question: 'Its set point, its gauge and its pigtail',
  cautions: ['At 15 psi stop: the relief valve is next.', 'Steam and condensate scald.'],
  measures: [
    {
      id: 'point',
      title: 'Cut-out and cut-in',
      setUp: 'gauge',
      how: 'A gauge of 0 to 3 or 0 to 5 psi on the control’s own tee. That it opens in running is normal.',
      probes: { red: 'tee of the control', across: 'gauge' },
      asks: [
        choice('point', 'Read as it', { out: 'cut out', in: 'cut in' }),
        plate.psi('read', 'Pressure', '1.6'),
        plate.psi('setting', 'Setting', '1.5'),
        choice('house', 'The boiler is', { home: 'a house’s', large: 'a larger one' }),
        plate.psi('span', 'Span of the gauge', '5'),
        plate.share('class', 'Class of the gauge', '1'),
        plate.psi('division', 'One division', '0.1'),
      ],
      work: reading,
      dimension: 'pressure',
      about: 'pressure limit',
      proves: 'Whether it opens and closes where it is set.',
    },
    {
      id: 'pigtail',
      title: 'Boiler’s gauge beside the tee',
      setUp: 'gauge',
      how: 'Both read at one time, under steam.',
      probes: { red: 'tee of the control', across: 'gauge' },
      asks: [plate.psi('boiler', 'Gauge of the boiler', '1.2'), plate.psi('tee', 'At the tee', '1.1')],
      work: (given): Worked => {
        const [boiler, tee] = [given.number('boiler')!, given.number('tee')!];
        if (boiler > 15 * PSI)
          return { verdict: 'bad', about: 'the boiler', because: '15 psi: shut it off, and leave it to cool.' };
        return Math.abs(boiler - tee) > 0.5 * PSI
          ? {
              verdict: 'bad',
              because:
                'The control does not feel the boiler’s pressure: the pigtail or its nipple is plugged. Until it is clear, nothing limits the boiler.',
            }
          : { verdict: 'good', because: 'Both agree.' };
      },
      dimension: 'pressure',
      about: 'pigtail',
      proves: 'Whether the control feels the boiler.',
    },
  ],
};
