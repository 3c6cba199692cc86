import { type Dimension, parseReading } from '@zetalysis/core/units';

// What the pad writes is what the field understands.
test.each<[string, Dimension]>([
  ['25.8', 'voltage'],
  ['15–18', 'voltage'],
  ['750 mV', 'voltage'],
  ['24.6 Vac', 'voltage'],
  ['12.1 Vdc', 'voltage'],
  ['140 F', 'temperature'],
  ['OL', 'resistance'],
  ['1.85 kΩ', 'resistance'],
  ['2 MΩ', 'resistance'],
  ['3.2 µA', 'current'],
  ['40 mA', 'current'],
  ['3.5 inwc', 'pressure'],
  ['12 psi', 'pressure'],
  ['4 min', 'time'],
])('%s is a %s', (text, dimension) => expect(parseReading(text, dimension).ok).toBe(true));
