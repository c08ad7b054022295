import { distanceTo } from "@/composables/useNeighbour";

/** Vertices of the mesh, model units, and the pairs of them that its edges join. */
export interface Net {
  vertices: Float32Array;
  edges: Int32Array;
}

/** Ends of edges one after the other, as line segments are drawn from. */
export function edgeLines(net: Net | null, edges: Iterable<number>): number[] {
  const lines: number[] = [];
  if (!net) return lines;
  for (const edge of edges) {
    for (const end of [0, 1]) {
      const vertex = net.edges[2 * edge + end]!;
      lines.push(...net.vertices.subarray(3 * vertex, 3 * vertex + 3));
    }
  }
  return lines;
}

/** The edge nearest to a place on the model. */
export function nearestEdge(net: Net, at: number[]): number | null {
  let best: number | null = null;
  let least = Infinity;
  for (let edge = 0; edge < net.edges.length / 2; edge += 1) {
    const [a, b] = [0, 1].map((end) => [...net.vertices.subarray(3 * net.edges[2 * edge + end]!, 3 * net.edges[2 * edge + end]! + 3)]);
    const distance = distanceTo(at, a!, b!);
    if (distance < least) {
      least = distance;
      best = edge;
    }
  }
  return best;
}
