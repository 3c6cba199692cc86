import { partNames, type Named } from '../src/diagrams/part-names';

const part = (
  id: string,
  x: number,
  share?: number,
  branch = '',
  symbol: 'contact' | 'winding' = 'contact',
): Named => ({
  item: { kind: 'part', part: id, branch, title: id, short: id, symbol },
  x,
  share,
});

describe('names under the signs of a rung', () => {
  test('stand whole where there is room', () =>
    expect(partNames([part('lwco', 0), part('pressure-limit', 84), part('rollout', 168)])).toEqual([
      'lwco',
      'pressure-limit',
      'rollout',
    ]));

  test('a long one gives way to its neighbour, and a suspected one keeps its share', () => {
    const [before, suspect, after] = partNames([
      part('control-switch', 0),
      part('water-switch', 84, 93),
      part('water-limit', 168),
    ]) as [string, string, string];
    expect(before).toBe('control-switch'.slice(0, before.length - 1) + '…');
    expect(suspect).toMatch(/^water-\S*…? 93%$/);
    expect(after).toBe('water-limit');
  });

  test('two of them never reach into each other, however long they are, unless one would be less than six letters', () => {
    for (let room = 60; room < 140; room += 7) {
      const names = partNames([
        part('thermostat-cable-of-the-hall', 0, 7),
        part('contactor', room, undefined, 'coil'),
        part('low-pressure-switch', 2 * room, 99),
      ]);
      for (const name of names) if (name.includes('…')) expect(name.indexOf('…')).toBeGreaterThanOrEqual(5);
      if (room < 80) continue;
      for (const [i, bold] of [
        [0, 5.9],
        [1, 5.4],
      ] as const)
        expect((names[i]!.length * bold + names[i + 1]!.length * (11.3 - bold)) / 2).toBeLessThanOrEqual(room);
    }
  });

  test('a passage goes by its own name when both do not fit, a winding by its part', () => {
    expect(partNames([part('inducer-relay-two', 0, undefined, 'contact')])).toEqual(['contact']);
    expect(partNames([part('transformer', 0, undefined, 'primary', 'winding')])).toEqual(['transformer']);
    expect(partNames([part('board', 0, undefined, 'th')])).toEqual(['board th']);
  });
});
