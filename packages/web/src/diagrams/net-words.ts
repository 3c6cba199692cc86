/** Width of a letter above a point, pixels. */
const LETTER = 7.3;

/**
 * What differs at a net, behind its name of so many letters: in full where there is room (pixels to the next net), else
 * rounded and without spaces, else the bare sign; the rest is in the point's own words.
 */
export function differsWords(letters: number, brief: string, room: number): string {
  const fits = (words: string): boolean => (letters + words.length) * LETTER <= room;
  const rounded = ` ≠${brief.replace(/(\d+)\.\d+/g, '$1').replaceAll(' ', '')}`;
  return [` ≠ ${brief}`, rounded].find(fits) ?? ' ≠';
}
