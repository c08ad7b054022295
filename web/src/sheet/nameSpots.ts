import type { Surface } from "@/stores/surface";

/**
 * A place inside an island that has room for its name, px of the sheet: the middle of a panel, and how far it goes to
 * either side; the panel's upper edge, and how far it goes below that.
 */
export interface NameSpot {
  x: number;
  y: number;
  half: number;
  top: number;
  topHalf: number;
}

/** How far above and below its middle a name must have room, as a share of the triangle's height. */
const LEAN = 0.12;
/** Where a name lies that stands below the upper edge, so that it does not cover what is painted in the middle. */
const BELOW = 0.15;
/** Triangles that are looked at: not much smaller than the island's largest, and so many at the most. */
const LARGE = 0.25;
const MOST = 12;

type Pair = readonly [number, number];
interface Candidate extends NameSpot {
  area: number;
  reach: number;
}

/**
 * For each island the panel with the most room to either side of its middle. O(triangles + outlines)
 *
 * @param former the spots of as many islands, and which of them lie elsewhere now
 */
export function nameSpots(
  surface: Surface,
  points: Float32Array,
  count: number,
  former: { spots: (NameSpot | null)[]; moved: Set<number> } | null = null,
): (NameSpot | null)[] {
  const { edges, edgeOutlines, pointIslands } = surface;
  const at = (point: number): Pair => [points[2 * point]!, points[2 * point + 1]!];
  const candidates = largest(surface, points, count, former?.moved);
  for (let e = 0; e < edgeOutlines.length; e += 1) {
    if (!edgeOutlines[e]) continue;
    const [from, to] = [edges[2 * e]!, edges[2 * e + 1]!];
    for (const spot of candidates[pointIslands[from]!] ?? []) narrow(spot, at(from), at(to));
  }
  return candidates.map((spots, island) => {
    if (former && !former.moved.has(island)) return former.spots[island] ?? null;
    const [best] = spots.filter(({ half }) => half < Infinity).sort((a, b) => b.half - a.half || b.area - a.area);
    if (!best) return null;
    const { x, y, half, top, topHalf } = best;
    return { x, y, half, top, topHalf };
  });
}

/** @param wanted islands; all if it is not said */
function largest(surface: Surface, points: Float32Array, count: number, wanted: Set<number> | undefined) {
  const { trianglePoints, triangleIslands } = surface;
  const found: Candidate[][] = Array.from({ length: count }, () => []);
  for (let k = 0; k < triangleIslands.length; k += 1) {
    const island = triangleIslands[k]!;
    const own = found[island];
    if (!own || (wanted && !wanted.has(island))) continue;
    const [a, b, c] = [trianglePoints[3 * k]!, trianglePoints[3 * k + 1]!, trianglePoints[3 * k + 2]!];
    const area = Math.abs(
      (points[2 * b]! - points[2 * a]!) * (points[2 * c + 1]! - points[2 * a + 1]!) -
        (points[2 * b + 1]! - points[2 * a + 1]!) * (points[2 * c]! - points[2 * a]!),
    );
    const last = own.at(-1);
    if (last && (area < own[0]!.area * LARGE || (own.length === MOST && area <= last.area))) continue;
    const corners = [a, b, c].map((point): Pair => [points[2 * point]!, points[2 * point + 1]!]);
    own.push(middleOf(corners, area));
    own.sort((one, other) => other.area - one.area);
    if (own.length > MOST) own.pop();
  }
  return found;
}

/** The longest side of half a quadrilateral runs through its middle. */
function middleOf(corners: Pair[], area: number): Candidate {
  const [side] = corners
    .map(([px, py], i) => {
      const [qx, qy] = corners[(i + 1) % 3]!;
      return { x: (px + qx) / 2, y: (py + qy) / 2, length: Math.hypot(qx - px, qy - py) };
    })
    .sort((one, other) => other.length - one.length);
  const down = corners.map(([, y]) => y);
  const top = Math.min(...down);
  const reach = (Math.max(...down) - top) * LEAN;
  return { x: side!.x, y: side!.y, half: Infinity, top, topHalf: Infinity, area, reach };
}

/** An outline leaves as much room as there is up to it. */
function narrow(spot: Candidate, [ax, ay]: Pair, [bx, by]: Pair) {
  const room = (y: number) =>
    ay > y === by > y ? Infinity : Math.abs(ax + ((y - ay) * (bx - ax)) / (by - ay) - spot.x);
  for (const lean of [-spot.reach, 0, spot.reach]) spot.half = Math.min(spot.half, room(spot.y + lean));
  const height = spot.reach / LEAN;
  for (const below of [0.02, BELOW]) spot.topHalf = Math.min(spot.topHalf, room(spot.top + below * height));
}
