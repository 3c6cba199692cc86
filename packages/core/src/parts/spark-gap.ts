import { actsWhileFed } from './fed';
import { num, ohms, other, type PartKind } from './part-kind';

/** A spark electrode with its generator, fed by a control output. */
export const sparkGap: PartKind = {
  name: 'spark-gap',
  title: 'spark electrode',
  fields: { ohms: { type: 'resistance', default: 300 }, 'sparks-at': { type: 'voltage', default: 17 } },
  branches: () => [''],
  states: ['quiet', 'sparking'],
  modes: () => [
    {
      id: 'grounded',
      words: 'has a cracked ceramic or closed gap: the spark goes to ground',
      relativeRate: 1.2,
      repair: 'replace',
    },
    { id: 'wide', words: 'stands too far off: no spark jumps the gap', relativeRate: 0.3, repair: 'correct' },
    { id: 'lead-off', words: 'has its lead off: no spark', relativeRate: 0.8, repair: 'reconnect' },
    other(0.1),
  ],
  electrical: (spec) => ohms(num(spec, 'ohms')),
  drive: ({ spec, fault, volts }) => Number(fault === undefined && volts('') >= num(spec, 'sparks-at')),
  move: (view) => actsWhileFed(view, { to: 'sparking', after: 100 }, { to: 'quiet', after: 100 }),
  actsAt: (spec) => num(spec, 'sparks-at'),
  deadTests: () => [],
  role: () => 'consumer',
  symbol: () => 'spark',
};
