/** The named baseline: Yen's k shortest paths over graphology's Dijkstra, on the graph of ways through parts. */
import { DirectedGraph } from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { defaultRules, type MatchQuery, mate, type Part, sealById } from '../core/index.ts';

const { weights } = defaultRules;

/** Dollars of an edge that is closed for a while: more than any path costs. */
const CLOSED = 1e9;

interface Edge {
  dollars: number;
  source: string;
  target: string;
}

interface Way {
  node: string;
  inCode: string;
  outCode: string;
  dollars: number;
}

/** Ways through two-ended parts: every need is left out, which only makes the baseline's work less. */
function waysOf(parts: Part[]): Way[] {
  return parts
    .filter((p) => p.ends.length === 2)
    .flatMap((p) =>
      [
        [0, 1],
        [1, 0],
      ].flatMap(([i, o]): Way[] => {
        const [entry, exit] = [p.ends[i!]!, p.ends[o!]!];
        if (entry.port === 'out' || exit.port === 'in') return [];
        return [{ node: `${p.id} ${i}`, inCode: entry.code, outCode: exit.code, dollars: p.priceCents / 100 + p.minutes * weights.minuteDollars }];
      }),
    );
}

export class Baseline {
  private readonly graph = new DirectedGraph<object, Edge>();
  private readonly ways: Way[];
  private readonly joints = new Map<string, number | null>();

  constructor(parts: Part[]) {
    this.ways = waysOf(parts);
    for (const way of this.ways) this.graph.addNode(way.node);
    for (const a of this.ways) for (const b of this.ways) this.edge(a.node, b.node, this.joint(a.outCode, b.inCode), b.dollars);
  }

  /** Costs of the k cheapest paths. */
  shortest(q: Pick<MatchQuery, 'from' | 'to'>, k: number): number[] {
    const { graph } = this;
    graph.addNode('from');
    graph.addNode('to');
    for (const way of this.ways) {
      this.edge('from', way.node, this.joint(q.from, way.inCode), way.dollars);
      this.edge(way.node, 'to', this.joint(way.outCode, q.to), 0);
    }
    this.edge('from', 'to', this.joint(q.from, q.to), 0);
    const costs = this.yen(k);
    graph.dropNode('from');
    graph.dropNode('to');
    return costs;
  }

  private edge(a: string, b: string, joint: number | null, dollars: number): void {
    if (joint !== null && a !== b && a.split(' ')[0] !== b.split(' ')[0])
      this.graph.addEdge(a, b, { dollars: joint + dollars, source: a, target: b });
  }

  private joint(a: string, b: string): number | null {
    const key = `${a} ${b}`;
    let dollars = this.joints.get(key);
    if (dollars === undefined) {
      const { verdict, seal } = mate(a, b);
      dollars = verdict === 'seals' && seal ? (sealById(seal).callbacksPer1000 / 1000) * weights.callbackDollars : null;
      this.joints.set(key, dollars);
    }
    return dollars;
  }

  private yen(k: number): number[] {
    const found: { path: string[]; cost: number }[] = [];
    const waiting: { path: string[]; cost: number }[] = [];
    const first = this.path('from', new Set(), new Set());
    if (first) waiting.push(first);
    while (found.length < k && waiting.length > 0) {
      waiting.sort((a, b) => a.cost - b.cost);
      const next = waiting.shift()!;
      found.push(next);
      for (let i = 0; i < next.path.length - 1; i++) {
        const root = next.path.slice(0, i + 1);
        const barred = new Set(found.filter((f) => root.every((n, at) => f.path[at] === n)).map((f) => `${f.path[i]}>${f.path[i + 1]}`));
        const spur = this.path(root[i]!, new Set(root.slice(0, -1)), barred);
        if (!spur) continue;
        const path = [...root.slice(0, -1), ...spur.path];
        if (![...found, ...waiting].some((f) => f.path.join() === path.join())) waiting.push({ path, cost: this.costOf(path) });
      }
    }
    return found.map((f) => f.cost);
  }

  private path(start: string, without: Set<string>, barred: Set<string>): { path: string[]; cost: number } | null {
    const weight = (_: string, { dollars, source, target }: Edge) =>
      without.has(target) || without.has(source) || barred.has(`${source}>${target}`) ? CLOSED : dollars;
    const path = dijkstra.bidirectional(this.graph, start, 'to', weight as never);
    if (!path) return null;
    const cost = this.costOf(path);
    const usesBarred = path.some((n, i) => i > 0 && (without.has(n) || barred.has(`${path[i - 1]}>${n}`)));
    return usesBarred ? null : { path, cost };
  }

  private costOf(path: string[]): number {
    return path.slice(1).reduce((sum, node, i) => sum + this.graph.getEdgeAttribute(path[i]!, node, 'dollars'), 0);
  }
}
