import { RECTIFIED } from '../calculators/rectified';
import {
  choice,
  ISOLATED,
  LEADS,
  LOADED,
  NOT_ISOLATED,
  NOT_LOADED,
  ohms,
  plate,
  voltsAc,
  voltsDc,
  WARM,
  WARMTH,
} from '../asked';
import type { ComponentTest } from '../spec';
import { expanded } from '../uncertainty';
import { quotient, windingOhms, type Work } from '../work';

const BOOK = plate.ohms('book', 'Ohms of the plate or sheet, at 20 °C', '15', { need: 'maybe' });
const COLD_OPEN = {
  verdict: 'bad',
  because: 'An open line: the winding is broken. Make its plug once more and read again before you change it.',
} as const;
const winding: Work = (given) => ({ x: windingOhms(given) });

export const COIL: ComponentTest = {
  id: 'coil-24v',
  number: 6,
  title: '24 V coil',
  question: 'Is it the coil, its supply, or a stuck valve?',
  cautions: ['Gas may come as soon as the coil is fed.'],
  measures: [
    {
      id: 'dead',
      title: 'Ohms, isolated',
      setUp: 'dead',
      how: 'Both leads off. Copper has more ohms when it is warm: how warm it is counts.',
      probes: { red: 'one terminal', black: 'other terminal', across: 'coil' },
      asks: [
        ISOLATED,
        ohms('ohms', 'Ohms', '13.4 or OL'),
        LEADS,
        WARMTH,
        WARM,
        BOOK,
        choice(
          'kind',
          'Which coil',
          { redundant: 'of a common redundant gas valve', other: 'another' },
          { need: 'maybe' },
        ),
      ],
      rows: [NOT_ISOLATED],
      open: COLD_OPEN,
      work: winding,
      dimension: 'resistance',
      zones: [
        { book: 'book', good: 0.1, marginal: 0.2, own: 0.05 },
        { when: { kind: 'redundant' }, limit: 'coil-redundant' },
        { limit: 'coil-24v' },
      ],
      about: 'coil',
      proves: 'Ohms beyond the limits, or an open line: the coil.',
    },
    {
      id: 'live',
      title: 'Volts at its terminals, called for',
      setUp: 'live',
      how: 'At the coil itself, its load on.',
      probes: { red: 'hot terminal', black: 'common terminal', across: 'coil' },
      asks: [LOADED, voltsAc('volts', 'Volts', '25.9')],
      rows: [NOT_LOADED],
      dimension: 'voltage',
      zones: [{ limit: 'coil-live' }],
      about: 'supply of the coil',
      proves: 'Low volts are about the supply, not the coil.',
      provesNot: 'Volts at it do not prove gas.',
    },
    {
      id: 'flow',
      title: 'Gas through it',
      setUp: 'by-eye',
      how: 'Fed, and gas at its inlet read: does the outlet tap show pressure?',
      asks: [
        choice('inlet', 'Gas at the inlet', { yes: 'read, and good', no: 'not read, or low' }),
        choice('outlet', 'Pressure at the outlet tap', { yes: 'yes', no: 'none' }),
      ],
      rows: [
        { when: { inlet: 'no' }, verdict: 'repeat', because: 'Read the inlet first: without gas nothing comes out.' },
        { when: { outlet: 'yes' }, verdict: 'good', because: 'It opens.' },
        { when: { outlet: 'no' }, verdict: 'bad', because: 'Gas stands at it, and none comes out.', about: 'valve' },
      ],
      about: 'valve',
      proves: 'With a good coil and good volts: the valve is stuck.',
    },
  ],
  together: [
    {
      when: { dead: 'good', live: 'good', flow: 'bad' },
      says: 'Coil and supply are good and gas stands at it: the valve is stuck.',
    },
    { when: { dead: 'bad', live: 'good' }, says: 'It is fed, and its winding is bad: the coil.' },
    { when: { dead: 'good', live: 'bad' }, says: 'The coil is good; follow its supply.' },
  ],
};

const FEEDS = { full: 'rectified, full wave', half: 'rectified, half wave', sine: 'plain AC' };
const FUNCTIONS = {
  direct: 'V ⎓',
  trueRms: 'V ~, true RMS',
  averaging: 'V ~, average responding',
  both: 'V ⎓ and ~ together',
};

const besideLine: Work = (given) => {
  const feed = given.choice('feed') as keyof typeof RECTIFIED;
  const factor = RECTIFIED[feed][given.choice('fn') as keyof (typeof RECTIFIED)[typeof feed]];
  if (factor === 0) return { verdict: 'repeat', because: 'On V ⎓ plain AC reads nothing: set the meter to V ~.' };
  return { x: quotient(given.measured('volts'), given.measured('line'), 1 / factor) };
};

export const DRYER_COILS: ComponentTest = {
  id: 'dryer-coils',
  number: 7,
  title: 'Dryer coils',
  question: 'Which coil is open?',
  cautions: ['Line voltage at the coils, rectified or not.'],
  measures: [
    {
      id: 'dead',
      title: 'Ohms, plug off',
      setUp: 'dead',
      how: 'Within two minutes of the fault: a coil may open only while it is hot. Two that are alike by make read within 5 % of each other.',
      probes: { red: 'plug, one pin', black: 'plug, other pin', across: 'coil' },
      asks: [ISOLATED, ohms('ohms', 'Ohms', '1850 or OL'), LEADS, WARMTH, WARM, BOOK],
      rows: [NOT_ISOLATED],
      open: COLD_OPEN,
      work: winding,
      dimension: 'resistance',
      zones: [{ book: 'book', good: 0.1, marginal: 0.2, own: 0.05 }, { limit: 'dryer-coil' }],
      about: 'coil',
      proves: 'Ohms beyond the limits, or an open line: the coil.',
      provesNot: 'Good when cold proves little: it may open hot.',
    },
    {
      id: 'live',
      title: 'Volts at it, beside its line',
      setUp: 'live',
      how: 'Line first, then the coil. A rectified feed shows otherwise in every function of the meter.',
      probes: { red: 'coil, feed', black: 'coil, return', across: 'coil' },
      line: true,
      asks: [
        LOADED,
        choice('feed', 'Feed of the coils', FEEDS),
        choice('fn', 'The meter stands on', FUNCTIONS),
        voltsAc('volts', 'Volts at the coil', '106'),
        voltsAc('line', 'Volts of the line', '118'),
      ],
      rows: [NOT_LOADED],
      work: besideLine,
      dimension: 'none',
      zones: [{ limit: 'dryer-coil-live' }],
      about: 'feed of the coils',
      proves: 'Low: the feed. Two in series have half each; the open one takes all.',
    },
  ],
};

/** Largest and smallest of what a half-winding may differ by. */
const beside: Work = (given) => {
  const [one, other] = [given.number('ohms')!, given.number('median')!];
  const value = Math.abs(one / other - 1);
  return { x: { value, u: (one / other) * expanded(given.scatter('ohms') / one, given.scatter('median') / other) } };
};

export const MODULATING: ComponentTest = {
  id: 'modulating-valve',
  number: 8,
  title: 'Modulating valve',
  question: 'Its windings, and what drives them',
  cautions: ['Gas may come as soon as it is driven.'],
  measures: [
    {
      id: 'halves',
      title: 'Half-windings against each other',
      setUp: 'dead',
      how: 'Each end to its centre, all within minutes with one meter: how warm it is cancels.',
      probes: { red: 'one end', black: 'centre', across: 'half-winding' },
      asks: [
        ohms('ohms', 'This half-winding, ohms', '117 or OL'),
        ohms('median', 'The middle one of all of them', '119'),
      ],
      open: { verdict: 'bad', because: 'An open line beside sound ones: this half-winding is broken.' },
      work: beside,
      dimension: 'fraction',
      zones: [{ limit: 'stepper-deviation' }],
      about: 'valve, windings',
      proves: 'More than 5 % off the others condemns it, whatever the book says.',
    },
    {
      id: 'book',
      title: 'Ohms, against the book',
      setUp: 'dead',
      how: 'At its plug, plug off.',
      probes: { red: 'one pin', black: 'other pin', across: 'winding' },
      asks: [ISOLATED, ohms('ohms', 'Ohms', '178 or OL'), LEADS, WARMTH, WARM, { ...BOOK, need: 'must' }],
      rows: [NOT_ISOLATED],
      open: COLD_OPEN,
      work: winding,
      dimension: 'resistance',
      zones: [{ book: 'book', good: 0.1, marginal: 0.2, own: 0.05 }],
      about: 'valve, windings',
      proves: 'Ohms beyond the limits, or an open line: the valve.',
    },
    {
      id: 'driving',
      title: 'Driving volts',
      setUp: 'live',
      how: 'V ⎓ with min and max, plug on. It pulls in with more than it holds with.',
      probes: { red: 'driven pin', black: 'centre', across: 'winding' },
      asks: [
        choice('phase', 'Read while it', { 'pull-in': 'pulled in', hold: 'held' }),
        choice(
          'fn',
          'How it was read',
          { caught: 'min and max caught', steady: 'steady display only' },
          { when: { phase: 'pull-in' } },
        ),
        LOADED,
        voltsDc('volts', 'Volts', '22.0'),
      ],
      rows: [
        NOT_LOADED,
        {
          when: { fn: 'steady' },
          verdict: 'repeat',
          because: 'Pulling in takes an instant: let the meter keep min and max.',
        },
      ],
      dimension: 'voltage',
      zones: [
        { when: { phase: 'pull-in' }, limit: 'stepper-pull-in' },
        { when: { phase: 'hold' }, limit: 'stepper-hold' },
      ],
      about: 'board or harness that drives it',
      proves: 'Low: board or harness, not the valve.',
    },
  ],
};
