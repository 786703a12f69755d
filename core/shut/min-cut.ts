/** The cheapest set of links that parts two sides of a network. */

export interface CutLink {
  a: number;
  b: number;
  cost: bigint;
}

/**
 * Least cut between two nodes of an undirected network, by augmenting along shortest ways.
 *
 * @param nodes  how many there are, named from 0
 * @returns      its cost, and whether each node lies on the sink's side: of the cheapest cuts the one nearest to the sink
 * @source       Edmonds and Karp, J. ACM 19 (1972)
 */
export function minCut(nodes: number, links: readonly CutLink[], source: number, sink: number): { cost: bigint; isOnSinkSide: boolean[] } {
  // Each link as two arcs, one beside the other: what flows one way can flow back.
  const to: number[] = [];
  const left: bigint[] = [];
  const arcs: number[][] = Array.from({ length: nodes }, () => []);
  for (const { a, b, cost } of links) {
    if (a === b) continue;
    arcs[a]!.push(to.length);
    to.push(b);
    left.push(cost);
    arcs[b]!.push(to.length);
    to.push(a);
    left.push(cost);
  }
  let cost = 0n;
  for (;;) {
    const by = new Int32Array(nodes).fill(-1);
    const queue = [source];
    by[source] = -2;
    for (let i = 0; i < queue.length && by[sink] === -1; i++) {
      for (const arc of arcs[queue[i]!]!) {
        const next = to[arc]!;
        if (by[next] === -1 && left[arc]! > 0n) {
          by[next] = arc;
          queue.push(next);
        }
      }
    }
    if (by[sink] === -1) break;
    let most: bigint | null = null;
    for (let at = sink; at !== source; at = to[by[at]! ^ 1]!) if (most === null || left[by[at]!]! < most) most = left[by[at]!]!;
    for (let at = sink; at !== source; at = to[by[at]! ^ 1]!) {
      left[by[at]!]! -= most!;
      left[by[at]! ^ 1]! += most!;
    }
    cost += most!;
  }
  // What still reaches the sink lies on its side.
  const isOnSinkSide = new Array<boolean>(nodes).fill(false);
  isOnSinkSide[sink] = true;
  const queue = [sink];
  for (let i = 0; i < queue.length; i++) {
    for (const arc of arcs[queue[i]!]!) {
      const before = to[arc]!;
      if (!isOnSinkSide[before] && left[arc ^ 1]! > 0n) {
        isOnSinkSide[before] = true;
        queue.push(before);
      }
    }
  }
  return { cost, isOnSinkSide };
}
