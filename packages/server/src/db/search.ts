/** The shortest word that the database's index of words knows. */
const SHORTEST = 3;

/**
 * What somebody types into a search field, as the database's boolean search wants it: every word must occur, each may go on.
 * Words too short for the index are left out, unless there are no others: then they find the words that begin like that.
 * Empty when nothing was typed.
 */
export function fullText(typed: string): string {
  const words = typed.match(/[\p{L}\p{N}]+/gu) ?? [];
  const long = words.filter((word) => word.length >= SHORTEST);
  return (long.length > 0 ? long : words)
    .slice(0, 8)
    .map((word) => `+${word}*`)
    .join(' ');
}
