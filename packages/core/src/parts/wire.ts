import { CLOSED, closedContact, type FaultMode, num, ohms, OPEN, type PartKind, text } from './part-kind';
import { factors, inBand } from './severity';

/** A wire, cable or bond that can break, or chafe through to another net. */
export const wire: PartKind = {
  name: 'wire',
  title: 'wire',
  fields: {
    'shorts-to': { type: 'net', default: '' },
    weight: { type: 'none', default: 0.5 },
    'short-weight': { type: 'none', default: 0.3 },
    /** Resistance of a corroded joint; nothing written means that this wire does not fail that way. */
    'poor-ohms': { type: 'resistance', default: 0 },
    'poor-weight': { type: 'none', default: 0.4 },
  },
  branches: () => [''],
  states: ['idle'],
  modes: (spec) => {
    const modes: FaultMode[] = [
      {
        id: 'open',
        words: 'is broken or off',
        relativeRate: num(spec, 'weight'),
        repair: 'reconnect',
        intermittent: 0.1,
      },
    ];
    if (num(spec, 'poor-ohms') > 0)
      modes.push({
        id: 'poor',
        words: 'makes poor contact: its resistance is too high',
        relativeRate: num(spec, 'poor-weight'),
        repair: 'reconnect',
      });
    const to = text(spec, 'shorts-to');
    if (to !== '')
      // 0.1 to 8 Ω, from a blown fuse to a rail that sinks to the teens (common practice, no source).
      modes.push(
        ...inBand(
          {
            id: 'short',
            words: `is shorted to ${to}`,
            relativeRate: num(spec, 'short-weight'),
            repair: 'repair',
          },
          [factors(0.1, 0.4, 1, 0.55), factors(0.4, 8, 4, 0.45)],
          (r) => ({ shorts: { to, r } }),
        ),
      );
    return modes;
  },
  electrical: (spec, _state, fault) =>
    fault === 'open' ? OPEN : fault === 'poor' && num(spec, 'poor-ohms') > 0 ? ohms(num(spec, 'poor-ohms')) : CLOSED,
  deadTests: () => [closedContact('wire')],
  drawnAlone: false,
  poorly: { branch: '', instead: 'open' },
  role: () => 'conductor',
  symbol: () => 'wire',
};
