/** The shortest word that the database's index of words knows. */
const SHORTEST = 3;

/**
 * What somebody types into a search field, as the database's boolean search wants it: every word must occur, each may go on.
 * Words too short for the index are left out. Empty when nothing is left to search for.
 */
export const fullText = (typed: string): string =>
  (typed.match(/[\p{L}\p{N}]+/gu) ?? [])
    .filter((word) => word.length >= SHORTEST)
    .slice(0, 8)
    .map((word) => `+${word}*`)
    .join(' ');
