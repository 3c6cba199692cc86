import { CLOSED, num, OPEN, text, type FaultMode, type PartKind } from './part-kind';

/** A wire, cable or bond that can break, or chafe through to another net. */
export const wire: PartKind = {
  name: 'wire',
  title: 'wire',
  fields: {
    'shorts-to': { type: 'net', default: '' },
    weight: { type: 'none', default: 0.5 },
    'short-weight': { type: 'none', default: 0.3 },
  },
  branches: () => [''],
  states: ['idle'],
  modes: (spec) => {
    const modes: FaultMode[] = [
      { id: 'open', words: 'is broken or off', weight: num(spec, 'weight'), mend: 'reconnect' },
    ];
    const to = text(spec, 'shorts-to');
    if (to !== '')
      modes.push({
        id: 'short',
        words: `is shorted to ${to}`,
        weight: num(spec, 'short-weight'),
        mend: 'repair',
        shorts: { to, r: 0.15 },
      });
    return modes;
  },
  electrical: (_spec, _state, fault) => (fault === 'open' ? OPEN : CLOSED),
  deadTests: () => [{ branch: '', title: 'wire', low: 0, high: 1 }],
  symbol: () => 'wire',
};
