import { wireWords, withNetNames } from '../src/diagrams/wire-names';

const nets = ['R', 'C', 'TH', 'MV', 'W'];
const wires = {
  TH: { terminal: 'plug 3', colour: 'orange' },
  MV: { terminal: 'TR9', colour: '' },
  W: { terminal: '', colour: 'white' },
  R: { terminal: 'C', colour: 'red' },
};

test.each([
  ['26 plug 3 C', '26 TH C'],
  ['26 Plug 3', '26 TH'],
  ['25.7 tr9 C @valve', '25.7 MV C @valve'],
  ['15-18 MV C', '15-18 MV C'],
  ['OL igniter', 'OL igniter'],
  // A name the drawing uses means the drawing's point, and the value is never taken for a terminal.
  ['26 R C', '26 R C'],
  ['TR9', 'TR9'],
  ['', ''],
])('%s → %s', (typed, read) => expect(withNetNames(typed, wires, nets)).toBe(read));

test('a point is named by terminal and colour, or not at all', () => {
  expect(wireWords(wires, 'TH')).toBe('plug 3, orange');
  expect(wireWords(wires, 'W')).toBe('white');
  expect(wireWords(wires, 'LI')).toBeUndefined();
});
