import type { Surface } from "@/stores/surface";

/** A place inside an island that has room for its name, px of the sheet: its middle, and how far it goes to either side. */
export interface NameSpot {
  x: number;
  y: number;
  half: number;
}

/** How far above and below its middle a name must have room, as a share of the triangle's height. */
const LEAN = 0.12;

/** For each island the middle of its largest panel, and the free width there. O(triangles + outlines) */
export function nameSpots(surface: Surface, points: Float32Array, count: number): (NameSpot | null)[] {
  const { trianglePoints, triangleIslands, edges, edgeOutlines, pointIslands } = surface;
  const largest = new Float64Array(count);
  const spots: (NameSpot & { reach: number })[] = [];
  const at = (point: number) => [points[2 * point]!, points[2 * point + 1]!] as const;
  for (let k = 0; k < triangleIslands.length; k += 1) {
    const island = triangleIslands[k]!;
    const corners = [0, 1, 2].map((i) => at(trianglePoints[3 * k + i]!));
    const [[ax, ay], [bx, by], [cx, cy]] = corners as [Pair, Pair, Pair];
    const area = Math.abs((bx - ax) * (cy - ay) - (by - ay) * (cx - ax));
    if (area <= largest[island]!) continue;
    largest[island] = area;
    // The longest side of half a quadrilateral runs through its middle.
    const sides = [0, 1, 2].map((i) => {
      const [[px, py], [qx, qy]] = [corners[i]!, corners[(i + 1) % 3]!];
      return { x: (px + qx) / 2, y: (py + qy) / 2, length: Math.hypot(qx - px, qy - py) };
    });
    const side = sides.reduce((one, other) => (other.length > one.length ? other : one));
    const reach = (Math.max(ay, by, cy) - Math.min(ay, by, cy)) * LEAN;
    spots[island] = { x: side.x, y: side.y, half: Infinity, reach };
  }
  for (let e = 0; e < edgeOutlines.length; e += 1) {
    if (!edgeOutlines[e]) continue;
    const spot = spots[pointIslands[edges[2 * e]!]!];
    if (!spot) continue;
    const [[ax, ay], [bx, by]] = [at(edges[2 * e]!), at(edges[2 * e + 1]!)];
    for (const lean of [-spot.reach, 0, spot.reach]) {
      const y = spot.y + lean;
      if (ay > y === by > y) continue;
      spot.half = Math.min(spot.half, Math.abs(ax + ((y - ay) * (bx - ax)) / (by - ay) - spot.x));
    }
  }
  return Array.from({ length: count }, (_, island) => {
    const spot = spots[island];
    return spot && spot.half < Infinity ? { x: spot.x, y: spot.y, half: spot.half } : null;
  });
}

type Pair = readonly [number, number];
