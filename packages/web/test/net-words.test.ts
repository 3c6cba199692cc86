import { differsWords } from '../src/diagrams/net-words';

describe('what differs at a net', () => {
  test.each([
    [2, '26.1 / 0 V', 200, ' ≠ 26.1 / 0 V'],
    [2, '26.1 / 0 V', 84, ' ≠26/0V'],
    [2, '119 / 0 V', 40, ' ≠'],
    [3, '0 V', 84, ' ≠ 0 V'],
    [2, '26.1 / 0 V', Infinity, ' ≠ 26.1 / 0 V'],
  ])('a name of %i letters, %s, %d pixels: %s', (letters, brief, room, words) =>
    expect(differsWords(letters, brief, room)).toBe(words),
  );

  test('it never reaches the next net, unless the bare sign does', () => {
    for (let room = 10; room < 250; room += 9) {
      const words = differsWords(2, '102.44 / 25.36 mV', room);
      if (words !== ' ≠') expect((2 + words.length) * 7.3).toBeLessThanOrEqual(room);
    }
  });
});
