/**
 * The order in which the nodes of a family of circuits are eliminated, and which entries of the matrix can be other than
 * zero on the way. Worked out once; every circuit whose elements join no other nodes is then solved without searching.
 */
export interface Layout {
  readonly nodeCount: number;
  /** Place of a node in the order of elimination. */
  readonly rank: Int32Array;
  /** The k-th pivot's row has entries right of the diagonal in `columns[starts[k]]` … `columns[starts[k + 1] − 1]`. */
  readonly starts: Int32Array;
  readonly columns: Int32Array;
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
  return { nodeCount, rank, starts, columns: Int32Array.from(columns) };
}
