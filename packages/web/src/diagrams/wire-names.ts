import type { Wires } from '@zetalysis/contract';

/** "TH here: plug 3, orange". Nothing when this machine has no name of its own for the point. */
export function wireWords(wires: Wires, net: string): string | undefined {
  const own = wires[net];
  const words = own && [own.terminal, own.colour].filter((w) => w !== '').join(', ');
  return words === undefined || words === '' ? undefined : words;
}

/**
 * What was typed, with this machine's own terminal names (of one word or more) as the names of the drawing. The value
 * comes first and is left alone; a name that the drawing uses means the drawing's point.
 */
export function withNetNames(typed: string, wires: Wires, nets: readonly string[]): string {
  const taken = new Set(nets.map((n) => n.toLowerCase()));
  const own = Object.entries(wires)
    .map(([net, { terminal }]) => ({ net, words: terminal.toLowerCase().split(/\s+/).filter(Boolean) }))
    .filter(({ words }) => words.length > 0 && !taken.has(words.join(' ')))
    .sort((a, b) => b.words.length - a.words.length);
  const [value = '', ...rest] = typed.trim().split(/\s+/);
  const read: string[] = [value];
  for (let i = 0; i < rest.length;) {
    const found = own.find(({ words }) => words.every((w, k) => rest[i + k]?.toLowerCase() === w));
    read.push(found ? found.net : rest[i]!);
    i += found ? found.words.length : 1;
  }
  return read.join(' ');
}
