import { type Millis, millis } from '../units';
import { closedContact, num, ohms, OPEN, other, type PartKind, time } from './part-kind';

/**
 * Opening time of a fast blade fuse against the multiple of its rating, seconds: the shape of the usual
 * time-current band (135 %, 200 %, 350 %, 600 %). Common practice, no source.
 */
const OPENING: readonly (readonly [number, number])[] = [
  [1.35, 60],
  [2, 1.5],
  [3.5, 0.2],
  [6, 0.07],
  [12, 0.02],
];

/** Milliseconds a fuse carries `amps` before it opens; infinity below 1.35 × rating. Log-log interpolation. */
export function fuseOpeningTime(amps: number, rating: number): Millis {
  const multiple = amps / rating;
  const first = OPENING[0]!;
  if (multiple < first[0]) return Infinity;
  for (let i = 1; i < OPENING.length; i++) {
    const [m1, t1] = OPENING[i - 1]!;
    const [m2, t2] = OPENING[i]!;
    if (multiple <= m2) {
      const share = Math.log(multiple / m1) / Math.log(m2 / m1);
      return millis(Math.exp(Math.log(t1) + share * Math.log(t2 / t1)));
    }
  }
  return millis(OPENING[OPENING.length - 1]![1]);
}

/** From this share of its rating on a breaker gets warm; an assumption. */
const WARMS = 0.3;

/** The low-voltage fuse on a control board, or a breaker. */
export const fuse: PartKind = {
  name: 'fuse',
  title: 'fuse',
  fields: {
    amps: { type: 'current', default: 3 },
    /** Weight of a breaker that opens warm at the current it is made for, and after how long. */
    'tired-weight': { type: 'none', default: 0 },
    'tired-after': { type: 'time', default: 240 },
  },
  branches: () => [''],
  states: ['whole', 'blown'],
  lasting: () => ['blown'],
  modes: (spec) => [
    { id: 'open', words: 'is blown without a lasting short', relativeRate: 0.8, repair: 'replace', starts: 'blown' },
    ...(num(spec, 'tired-weight') > 0
      ? [
          {
            id: 'tired',
            words: 'opens once it is warm, at a current that it should carry',
            relativeRate: num(spec, 'tired-weight'),
            repair: 'replace',
          } as const,
        ]
      : []),
    other(0.05),
  ],
  electrical: (_spec, state) => (state === 'blown' ? OPEN : ohms(0.03)),
  drive: ({ spec, fault, amps }) => {
    const rating = num(spec, 'amps');
    const opens = fuseOpeningTime(amps(''), rating);
    return fault === 'tired' && amps('') >= WARMS * rating ? Math.min(opens, time(spec, 'tired-after')) : opens;
  },
  move: ({ state, drive }) => {
    if (state === 'blown') return undefined;
    return Number.isFinite(drive) ? { to: 'blown', after: drive } : undefined;
  },
  deadTests: () => [closedContact('fuse link')],
  nature: 'fuse',
  role: () => 'conductor',
  symbol: () => 'fuse',
  safety: () => 'fuse',
};
