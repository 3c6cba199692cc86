/** The known name closest to a mistyped one, for "did you mean". */
function nearest(name: string, known: readonly string[]): string | undefined {
  let best: string | undefined;
  let bestDistance = Math.max(1, Math.floor(name.length / 2.5)) + 1;
  for (const candidate of known) {
    const distance = editDistance(name.toLowerCase(), candidate.toLowerCase());
    if (distance < bestDistance) {
      best = candidate;
      bestDistance = distance;
    }
  }
  return best;
}

/** "unknown part …; did you mean …?" or the list of what is known. */
export function unknownName(what: string, name: string, known: readonly string[]): string {
  const guess = nearest(name, known);
  if (guess !== undefined) return `unknown ${what} "${name}"; did you mean "${guess}"?`;
  const list = known.slice(0, 12).join(', ');
  return `unknown ${what} "${name}"; known: ${list}${known.length > 12 ? ', …' : ''}`;
}

function editDistance(a: string, b: string): number {
  let previous = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++)
      row[j] = Math.min(previous[j]! + 1, row[j - 1]! + 1, previous[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
    previous = row;
  }
  return previous[b.length]!;
}
