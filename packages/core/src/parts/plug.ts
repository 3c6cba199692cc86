import { CLOSED, num, OPEN, type PartKind } from './part-kind';

/** One pin of a connector. Unplugging the connector opens all its pins at once. */
export const plugPin: PartKind = {
  name: 'plug-pin',
  title: 'connector pin',
  fields: { weight: { type: 'none', default: 0.35 } },
  branches: () => [''],
  states: ['idle'],
  modes: (spec) => [
    {
      id: 'open',
      words: 'makes no contact',
      relativeRate: num(spec, 'weight'),
      repair: 'reconnect',
      intermittent: 0.3,
    },
  ],
  electrical: (_spec, _state, fault) => (fault === 'open' ? OPEN : CLOSED),
  deadTests: () => [],
  nature: 'connector',
  drawnAlone: false,
  poorly: { branch: '', instead: 'open' },
  role: () => 'conductor',
  symbol: () => 'plug',
};
