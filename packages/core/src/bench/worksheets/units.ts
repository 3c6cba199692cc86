import { findUnit } from '../../units';
import { choice, plate } from '../asked';
import type { Result, Worksheet } from './worksheet';

/** What is converted, into which units. */
const INTO: Readonly<Record<string, readonly string[]>> = {
  pressure: ['in w.c.', 'psi', 'in Hg', 'mbar', 'Pa'],
  heat: ['Btu/h', 'W', 'kW'],
  volume: ['ft³', 'm³', 'gal', 'L'],
  flow: ['cfm', 'gpm', 'm³/s', 'L/s', 'L/min', 'ft³/h'],
  temperature: ['°F', '°C', 'K'],
  rise: ['Δ°F', 'Δ°C'],
  length: ['inch', 'mm', 'ft', 'm'],
};
const TITLES: Readonly<Record<string, string>> = {
  pressure: 'pressure',
  heat: 'heat',
  volume: 'volume',
  flow: 'flow',
  temperature: 'temperature',
  rise: 'rise: a difference of temperatures',
  length: 'length',
};

export const UNITS: Worksheet = {
  id: 'units',
  number: 22,
  title: 'Units',
  formula: '1 in w.c. = 249.089 Pa, 1 psi = 6894.757 Pa, 1 Btu(IT) = 1055.056 J, °F = 1.8·°C + 32, Δ°F = 1.8·ΔK',
  source: 'NIST SP 811, from memory.',
  trap: 'A rise of 30 K is 54 °F, not 86. 7 psi typed for 7 in w.c.',
  asks: [
    choice('what', 'What', TITLES),
    plate.pressure('pressure', 'Pressure', '3.5', { when: { what: 'pressure' }, need: 'maybe' }),
    plate.heat('heat', 'Heat', '100000', { when: { what: 'heat' }, need: 'maybe' }),
    plate.cubicFeet('volume', 'Volume', '2', { when: { what: 'volume' }, need: 'maybe' }),
    plate.cfm('flow', 'Flow', '1000', { when: { what: 'flow' }, need: 'maybe' }),
    plate.warmth('temperature', 'Temperature', '140 F', { when: { what: 'temperature' }, need: 'maybe' }),
    plate.kelvin('rise', 'Rise', '30', { when: { what: 'rise' }, need: 'maybe' }),
    plate.inch('length', 'Length', '1', { when: { what: 'length' }, need: 'maybe' }),
  ],
  work: (given): readonly Result[] => {
    const what = given.choice('what')!;
    const value = given.number(what);
    if (value === undefined) throw new RangeError(`Type the ${what}.`);
    return INTO[what]!.map((symbol) => {
      const unit = findUnit(symbol)!;
      return { title: symbol, value: (value - (unit.offset ?? 0)) / unit.factor, unit: symbol };
    });
  },
};
