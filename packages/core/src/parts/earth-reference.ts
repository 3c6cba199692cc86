import { CLOSED, OPEN, type PartKind, text } from './part-kind';

/** Where the neutral of the supply is tied to earth. A receptacle wired the wrong way round ties the hot wire instead. */
export const earthReference: PartKind = {
  name: 'earth-reference',
  title: 'earth reference of the supply',
  fields: {
    /** The net of the hot wire. */
    hot: { type: 'net' },
    weight: { type: 'none', default: 0.5 },
  },
  branches: () => [''],
  states: ['idle'],
  modes: (spec) => [
    {
      id: 'swapped',
      words: 'is on the hot wire: hot and neutral are swapped at the receptacle',
      relativeRate: Number(spec['weight']),
      repair: 'repair',
      shorts: { to: text(spec, 'hot'), r: 0.01 },
    },
  ],
  electrical: (_spec, _state, fault) => (fault === 'swapped' ? OPEN : CLOSED),
  deadTests: () => [],
  role: () => 'conductor',
  symbol: () => 'wire',
};
