// Advance widths of B612 by code from 32 to 126, thousandths of the size; read from the font files beside this page's theme.
// Regular and bold letters are equally wide. They tell the layout of a drawing how long a label is without a browser.
const WIDTHS = [
  350, 350, 400, 850, 550, 900, 700, 200, 450, 450, 550, 600, 250, 450, 300, 550, 650, 650, 650, 650, 650, 650, 650,
  650, 650, 650, 300, 250, 650, 500, 650, 550, 1000, 650, 650, 600, 650, 600, 550, 650, 700, 300, 450, 600, 550, 900,
  750, 800, 600, 800, 650, 550, 600, 700, 650, 950, 650, 600, 600, 450, 550, 500, 750, 550, 550, 525, 600, 500, 600,
  550, 400, 600, 600, 300, 300, 550, 350, 900, 600, 600, 600, 600, 400, 450, 400, 600, 550, 750, 550, 550, 500, 649,
  200, 600, 750,
] as const;
/** Other signs (Ω, –, …): as wide as the widest of them. */
const OTHER = 850;
/** B612 Mono: every sign alike. */
const MONO = 650;

/** How long words are, pixels; terminal names stand in the face whose letters are all alike. */
export function textWidth(words: string, size: number, mono = false): number {
  let sum = 0;
  for (const letter of words) sum += mono ? MONO : (WIDTHS[letter.charCodeAt(0) - 32] ?? OTHER);
  return (sum * size) / 1000;
}
