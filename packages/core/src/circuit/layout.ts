/**
 * The order in which the nodes of a family of circuits are eliminated, and which entries of the matrix can be other than
 * zero on the way. Worked out once; every circuit whose elements join no other nodes is then solved without searching.
 *
 * Entries are kept in one list: the diagonal by rank, then those right of it row by row, then those below it column by
 * column (the pattern is symmetric).
 */
export interface Layout {
  readonly nodeCount: number;
  /** Place of a node in the order of elimination. */
  readonly rank: Int32Array;
  /** How many entries the matrix has. */
  readonly entries: number;
  /** The k-th pivot has `starts[k + 1] − starts[k]` entries right of it; their ranks in `columns`, rising. */
  readonly starts: Int32Array;
  readonly columns: Int32Array;
  /** Entries that eliminating a pivot changes: for each row below it, one for each entry right of it; pivot by pivot. */
  readonly targets: Int32Array;
  /** Entry of a pair of nodes. */
  readonly entry: (row: number, column: number) => number;
}

/**
 * Orders the nodes 0…nodeCount−1 by rising degree, counting the fill-in that eliminating the earlier ones leaves
 * behind (minimum degree). `joined` lists groups of nodes between which an element may stand: two for most, four for a
 * transformer.
 */
export function layoutOf(nodeCount: number, joined: Iterable<readonly number[]>): Layout {
  const neighbours = Array.from({ length: nodeCount }, () => new Set<number>());
  for (const nodes of joined) for (const a of nodes) for (const b of nodes) if (a !== b) neighbours[a]!.add(b);

  const rank = new Int32Array(nodeCount).fill(-1);
  const rows: number[][] = [];
  for (let k = 0; k < nodeCount; k++) {
    let pivot = -1;
    for (let node = 0; node < nodeCount; node++)
      if (rank[node] === -1 && (pivot === -1 || neighbours[node]!.size < neighbours[pivot]!.size)) pivot = node;
    rank[pivot] = k;
    const left = [...neighbours[pivot]!];
    for (const a of left) {
      neighbours[a]!.delete(pivot);
      for (const b of left) if (a !== b) neighbours[a]!.add(b);
    }
    rows.push(left);
  }

  const starts = new Int32Array(nodeCount + 1);
  const columns: number[] = [];
  rows.forEach((row, k) => {
    columns.push(...row.map((node) => rank[node]!).sort((p, q) => p - q));
    starts[k + 1] = columns.length;
  });
  const right = (row: number, column: number): number => {
    for (let at = starts[row]!; at < starts[row + 1]!; at++) if (columns[at] === column) return at;
    return -1;
  };
  const byRank = (row: number, column: number): number => {
    if (row === column) return row;
    const at = row < column ? right(row, column) : right(column, row);
    if (at < 0) throw new RangeError('the layout does not join these nodes');
    return nodeCount + at + (row < column ? 0 : columns.length);
  };
  const targets: number[] = [];
  for (let k = 0; k < nodeCount; k++) {
    const beyond = columns.slice(starts[k], starts[k + 1]);
    for (const row of beyond) for (const column of beyond) targets.push(byRank(row, column));
  }
  return {
    nodeCount,
    rank,
    entries: nodeCount + 2 * columns.length,
    starts,
    columns: Int32Array.from(columns),
    targets: Int32Array.from(targets),
    entry: (row, column) => byRank(rank[row]!, rank[column]!),
  };
}
