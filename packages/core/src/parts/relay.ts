import { fed, NOTHING, PULLS } from './fed';
import { CLOSED, num, ohms, OPEN, openAtRest, other, type PartKind, winding, time } from './part-kind';

/** A relay, contactor or fan timer: its coil moves its contact, at once or after a delay. Plug-in relays work loose. */
export const relay: PartKind = {
  name: 'relay',
  title: 'relay',
  fields: {
    ohms: { type: 'resistance', default: 60, tolerance: 0.06 },
    reactance: { type: 'resistance', default: 110, tolerance: 0.06 },
    'pull-in': { type: 'voltage', default: 18 },
    'drop-out': { type: 'voltage', default: 8 },
    'on-delay': { type: 'time', default: 0.03, tolerance: 0.1 },
    'off-delay': { type: 'time', default: 0.03, tolerance: 0.1 },
    weight: { type: 'none', default: 1 },
    /** Weight of "loose in its socket"; nothing for a relay that is screwed on. */
    'loose-weight': { type: 'none', default: 0 },
  },
  branches: () => ['coil', 'contact'],
  states: ['idle', 'pulled'],
  modes: (spec) => {
    const weight = num(spec, 'weight');
    const loose = num(spec, 'loose-weight');
    return [
      { id: 'coil-open', words: 'has an open coil', relativeRate: 0.6 * weight, repair: 'replace' },
      { id: 'contact-open', words: 'pulls in, but its contact does not pass', relativeRate: weight, repair: 'replace' },
      {
        id: 'contact-welded',
        words: 'has a welded contact: it never opens',
        relativeRate: 0.3 * weight,
        repair: 'replace',
      },
      ...(loose > 0
        ? [
            {
              id: 'loose',
              words: 'sits loose in its socket',
              relativeRate: loose,
              repair: 'reconnect',
              intermittent: 0.5,
            } as const,
          ]
        : []),
      other(0.1),
    ];
  },
  electrical: (spec, state, fault, branch, frequency) => {
    if (fault === 'loose') return OPEN;
    if (branch === 'contact')
      return fault === 'contact-welded' || (state === 'pulled' && fault !== 'contact-open') ? CLOSED : OPEN;
    if (fault === 'coil-open') return OPEN;
    return ohms(num(spec, 'ohms'), frequency === 'ac' ? num(spec, 'reactance') : 0);
  },
  drive: ({ spec, fault, volts }) =>
    fault === 'coil-open' || fault === 'loose'
      ? NOTHING
      : fed(volts('coil'), num(spec, 'drop-out'), num(spec, 'pull-in')),
  move: ({ state, spec, drive }) => {
    if (state === 'idle' && drive === PULLS) return { to: 'pulled', after: time(spec, 'on-delay') };
    if (state === 'pulled' && drive === NOTHING) return { to: 'idle', after: time(spec, 'off-delay') };
    return undefined;
  },
  waits: (spec) => [
    { words: 'before it comes on', lasts: time(spec, 'on-delay') },
    { words: 'before it goes off', lasts: time(spec, 'off-delay') },
  ],
  actsAt: (spec) => num(spec, 'pull-in'),
  deadTests: (spec) => [winding('coil', 'coil', num(spec, 'ohms')), openAtRest('contact')],
  poorly: { branch: 'contact', instead: 'contact-open' },
  role: (branch) => (branch === 'coil' ? 'consumer' : 'contact'),
  symbol: (branch) => (branch === 'coil' ? 'coil' : 'contact'),
};
