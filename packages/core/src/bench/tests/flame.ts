import { choice, LEADS, microamps, millivolts, ohms, plate, seconds, voltsAc } from '../asked';
import type { ComponentTest, Row } from '../spec';
import { netOhms, type Work } from '../work';

const TOO_SOON: Row = {
  when: { lit: 'no' },
  verdict: 'repeat',
  because: 'It has not settled: give the pilot a full minute in the flame, and read again.',
};
const LIT = choice('lit', 'Held in the flame for a minute?', { yes: 'yes', no: 'no' });

/** A flame signal may wander; by more than this share it is at most marginal. */
const SWING = 0.3;

const signal: Work = (given) => {
  const reading = given.reading('microamps');
  const { value, u } = given.measured('microamps');
  const d = given.number('drop-out');
  const swings =
    reading?.kind === 'range' && reading.high - reading.low > SWING * Math.abs((reading.low + reading.high) / 2);
  return {
    x: { value: Math.abs(value), u },
    ...(d !== undefined && { zones: { good: { from: 2 * d }, marginal: { from: d } } }),
    ...(swings && {
      atMost: {
        verdict: 'marginal',
        because: 'It swings by more than a third: look at the flame, the draft and the ground.',
      },
    }),
  };
};

export const FLAME: ComponentTest = {
  id: 'flame-signal',
  number: 3,
  title: 'Flame signal',
  question: 'Will the control see its flame?',
  cautions: [
    'Line voltage on the rod’s lead of many controls.',
    'An electrode that also sparks is never opened in series: thousands of volts.',
  ],
  measures: [
    {
      id: 'signal',
      wanders: true,
      title: 'Microamps, in series',
      setUp: 'live',
      how: 'Rod lead off at the control; the meter in series, red to the control, black to the rod. Burner lit for ten seconds, spark or glow over.',
      probes: { red: 'sense terminal of the control', black: 'rod lead', across: 'meter, in series' },
      line: true,
      asks: [
        choice('electrode', 'Does the rod also spark?', {
          no: 'no, it only senses',
          yes: 'yes',
          port: 'read at the control’s own port or menu',
        }),
        choice('fn', 'The meter stands on', { dc: 'µA ⎓', ac: 'µA ~', milli: 'mA' }, { when: { electrode: 'no' } }),
        microamps('microamps', 'Microamps, or from to', '2.4'),
        choice('lit', 'Burner lit for ten seconds, no spark?', { yes: 'yes', no: 'no' }),
        { ...plate.amps('drop-out', 'Where this control drops out', '0.6'), need: 'maybe', unit: 'µA' },
      ],
      rows: [
        {
          when: { electrode: 'yes' },
          verdict: 'repeat',
          because:
            'Read it at the control’s own port or in its menu: in series with a spark the meter is destroyed, and so may you be hurt.',
        },
        {
          when: { fn: 'ac' },
          verdict: 'repeat',
          because: 'A flame lets current through one way only: set the meter to µA ⎓.',
        },
        {
          when: { fn: 'milli' },
          verdict: 'repeat',
          because: 'A milliamp range shows 0.00 of a sound flame. Take the microamp jack and range.',
        },
        {
          when: { lit: 'no' },
          verdict: 'repeat',
          because: 'Wait until it has burnt for ten seconds and the spark or glow is over.',
        },
      ],
      work: signal,
      dimension: 'current',
      zones: [{ limit: 'flame-signal' }],
      about: 'flame signal',
      proves: 'Whether the control gets what it needs.',
      provesNot:
        'A low signal is not yet a dirty rod: clean it, read again; if it is still low, take feed, ground and flame. None with a flame: wire, rod out of the flame, or rod grounded.',
    },
    {
      id: 'feed',
      title: 'Feed of the rod, no flame',
      setUp: 'live',
      how: 'Rod lead to ground, no flame.',
      probes: { red: 'rod lead', black: 'ground', across: 'sense output of the control' },
      line: true,
      asks: [
        choice('fn', 'The meter’s input is', { high: 'high impedance', low: 'low impedance' }),
        voltsAc('volts', 'Volts, rod lead to ground', '172'),
      ],
      rows: [
        {
          when: { fn: 'low' },
          verdict: 'repeat',
          because:
            'The sense output gives microamps only: a low-impedance meter pulls it down. Read it with a high one.',
        },
      ],
      dimension: 'voltage',
      zones: [{ limit: 'rod-feed' }],
      about: 'sense output of the control',
      proves: 'Low: the sense output of the control.',
    },
    {
      id: 'rod-ground',
      title: 'Rod to ground, dry',
      setUp: 'dead',
      how: 'Rod lead off, power off, everything dry.',
      probes: { red: 'rod', black: 'burner ground', across: 'ceramic' },
      asks: [ohms('ohms', 'Ohms, rod to ground', 'OL'), LEADS],
      open: { verdict: 'good', because: 'Nothing leaks over the ceramic.' },
      work: (given) => ({ x: netOhms(given) }),
      dimension: 'resistance',
      zones: [{ limit: 'rod-to-ground' }],
      about: 'rod and its wire',
      proves: 'Below a megohm the rod or its wire leaks to ground.',
    },
  ],
};

export const THERMOCOUPLE: ComponentTest = {
  id: 'thermocouple',
  number: 4,
  title: 'Thermocouple',
  question: 'Can it hold the magnet?',
  cautions: ['Hold the pilot by hand and stay: gas flows as long as you hold it.', 'The tip burns you for minutes.'],
  measures: [
    {
      id: 'volts',
      title: 'Millivolts',
      setUp: 'live',
      how: 'Pilot held by hand. Open: unscrewed at the valve, red on the end contact, black on the copper sleeve. Loaded: by an adapter in the valve.',
      probes: { red: 'end contact', black: 'copper sleeve', across: 'thermocouple' },
      asks: [
        choice('state', 'Read', { open: 'open, unscrewed', loaded: 'loaded, in an adapter' }, { need: 'agree' }),
        millivolts('volts', 'Millivolts', '25.4'),
        LIT,
        choice('cover', 'Does the flame cover 10 to 13 mm of the tip?', { yes: 'yes', no: 'no' }, { need: 'maybe' }),
      ],
      rows: [TOO_SOON],
      work: (given) => {
        const { value, u } = given.measured('volts');
        return {
          x: { value: Math.abs(value), u },
          ...(given.choice('cover') !== 'yes' && {
            atMost: {
              verdict: 'marginal',
              because: 'The flame does not surely cover its tip: put that right before you trust it.',
            },
          }),
        };
      },
      dimension: 'voltage',
      zones: [
        { when: { state: 'open' }, limit: 'thermocouple-open' },
        { when: { state: 'loaded' }, limit: 'thermocouple-loaded' },
      ],
      about: 'thermocouple',
      proves: 'Bad open: the thermocouple. Low loaded and good open: a poor joint between them.',
      provesNot: 'Good both ways and the pilot drops out all the same: the magnet, or a switch in its lead.',
    },
    {
      id: 'let-go',
      title: 'Where the magnet lets go',
      setUp: 'live',
      how: 'Loaded by an adapter: the millivolts at the click, as the flame dies.',
      probes: { red: 'adapter', black: 'sleeve', across: 'magnet' },
      asks: [millivolts('volts', 'Millivolts at the click', '4')],
      dimension: 'voltage',
      zones: [{ limit: 'magnet-let-go' }],
      about: 'magnet',
      proves: 'A magnet that lets go early needs more than a sound thermocouple gives.',
    },
    {
      id: 'drop-out',
      title: 'Drop-out time',
      setUp: 'by-eye',
      how: 'From the flame’s end to the click.',
      asks: [
        choice('standard', 'Made by', { en: 'EN 125', older: 'an older North American standard' }),
        seconds('time', 'Seconds from flame out to click', '41'),
      ],
      dimension: 'time',
      zones: [
        { when: { standard: 'en' }, limit: 'drop-out-en' },
        { when: { standard: 'older' }, limit: 'drop-out-older' },
      ],
      about: 'pilot safety',
      proves: 'Whether gas is shut in time when the pilot goes out.',
    },
  ],
  together: [
    { when: { volts: 'good', 'let-go': 'bad' }, says: 'The thermocouple gives enough; the magnet needs too much.' },
  ],
};

export const THERMOPILE: ComponentTest = {
  id: 'thermopile',
  number: 5,
  title: 'Thermopile',
  question: 'Can it feed the control?',
  cautions: ['The pilot’s hood burns you for minutes.'],
  measures: [
    {
      id: 'volts',
      title: 'Millivolts',
      setUp: 'live',
      how: 'Pilot for a minute, red on plus. Open: leads off. Loaded: on the control, burner calling.',
      probes: { red: 'plus', black: 'minus', across: 'thermopile' },
      asks: [
        choice('state', 'Read', { open: 'open, leads off', loaded: 'loaded, burner calling' }, { need: 'agree' }),
        millivolts('volts', 'Millivolts', '560'),
        LIT,
        {
          ...plate.volts('least', 'Least that this control needs', '200 mV'),
          need: 'maybe',
          unit: 'mV',
          when: { state: 'loaded' },
        },
      ],
      rows: [TOO_SOON],
      work: (given) => {
        const { value, u } = given.measured('volts');
        const least = given.number('least');
        return {
          x: { value: Math.abs(value), u },
          ...(least !== undefined && { zones: { good: { from: least }, marginal: { from: Math.min(least, 0.15) } } }),
        };
      },
      dimension: 'voltage',
      zones: [
        { when: { state: 'open' }, limit: 'thermopile-open' },
        { when: { state: 'loaded' }, limit: 'thermopile-loaded' },
      ],
      about: 'thermopile',
      proves: 'Bad open: the thermopile, or its flame.',
      provesNot: 'Bad loaded and good open: wiring, or a control that loads it too much.',
    },
  ],
};
