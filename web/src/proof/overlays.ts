import * as THREE from "three";
import type { Surface } from "@/stores/surface";
import { FatLines, PICKED, SEAM } from "./marks";

/** What may be drawn beside the model itself, and how. */
export interface Aids {
  edges: boolean;
  floor: boolean;
  facing: boolean;
  one_sided: boolean;
  see_through: boolean;
}

const LIT = 0xd2552a;
const INK = 0x1f2a36;
const GRID = 0xa59b88;
export const INSIDE = SEAM;

/** Lines over the model: the outlines of picked islands, lit faces, edges, facing marks, the floor grid. */
export class Overlays {
  private readonly outline = new FatLines(PICKED, 3, 2);
  private readonly lit = new THREE.Mesh(
    new THREE.BufferGeometry(),
    new THREE.MeshBasicMaterial({
      color: LIT,
      side: THREE.DoubleSide,
      transparent: true,
      opacity: 0.62,
      polygonOffset: true,
      polygonOffsetFactor: -3,
      polygonOffsetUnits: -3,
    }),
  );
  private readonly edges = new THREE.LineSegments(
    new THREE.BufferGeometry(),
    new THREE.LineBasicMaterial({ color: INK, transparent: true, opacity: 0.55 }),
  );
  private readonly facing = new THREE.LineSegments(
    new THREE.BufferGeometry(),
    new THREE.LineBasicMaterial({ color: INSIDE }),
  );
  private floor: THREE.GridHelper | null = null;
  private surface: Surface | null = null;
  private box = new THREE.Box3();
  private hidden: Set<number> = new Set();
  private aids: Aids | null = null;

  constructor(private readonly scene: THREE.Scene) {
    this.lit.visible = this.edges.visible = this.facing.visible = false;
    scene.add(this.outline, this.lit, this.edges, this.facing);
  }

  setSurface(surface: Surface, box: THREE.Box3) {
    this.surface = surface;
    this.box = box;
    this.lit.visible = false;
    this.drawAids();
  }

  setHidden(parts: Set<number>) {
    this.hidden = parts;
    this.drawAids();
  }

  /** @param square length of a floor square, in model units */
  setAids(aids: Aids, square: number) {
    this.aids = { ...aids };
    if (this.floor) this.scene.remove(this.floor);
    this.floor?.dispose();
    this.floor = null;
    if (aids.floor && !this.box.isEmpty()) this.addFloor(square);
    this.drawAids();
  }

  /** Draws round islands: the picked and the one under the pointer. */
  setOutlined(islands: number[]) {
    const surface = this.surface;
    if (!surface) return;
    const picked = new Set(islands);
    const lines =
      picked.size === 0
        ? []
        : this.edgeLines(
            (edge) => surface.edgeOutlines[edge] === 1 && picked.has(surface.pointIslands[surface.edges[2 * edge]!]!),
          );
    this.outline.draw(lines);
  }

  setLit(faces: number[]) {
    this.lit.visible = faces.length > 0 && this.surface !== null;
    if (this.lit.visible) this.setPositions(this.lit, this.corners(new Set(faces), null));
  }

  /** Corners of the triangles of faces, or else of islands, one after the other. */
  corners(faces: Set<number> | null, islands: Set<number> | null): number[] {
    const surface = this.surface;
    const corners: number[] = [];
    surface?.triangleFaces.forEach((face, k) => {
      if (faces ? faces.has(face) : islands?.has(surface.triangleIslands[k]!))
        corners.push(...surface.positions.subarray(9 * k, 9 * k + 9));
    });
    surface?.bareFaces.forEach((face, k) => {
      if (faces?.has(face)) corners.push(...surface.barePositions.subarray(9 * k, 9 * k + 9));
    });
    return corners;
  }

  private addFloor(square: number) {
    const size = this.box.getSize(new THREE.Vector3());
    const middle = this.box.getCenter(new THREE.Vector3());
    const squares = Math.min(Math.max(2 * Math.ceil(Math.max(size.x, size.z) / square), 4), 200);
    this.floor = new THREE.GridHelper(squares * square, squares, INK, GRID);
    this.floor.position.set(middle.x, this.box.min.y, middle.z);
    this.scene.add(this.floor);
  }

  private drawAids() {
    if (!this.surface) return;
    this.edges.visible = this.aids?.edges ?? false;
    this.facing.visible = this.aids?.facing ?? false;
    if (this.edges.visible)
      this.setPositions(
        this.edges,
        this.edgeLines(() => true),
      );
    if (this.facing.visible) this.setPositions(this.facing, this.facingLines());
  }

  private setPositions(object: THREE.Mesh | THREE.LineSegments, values: number[]) {
    object.geometry.dispose();
    object.geometry = new THREE.BufferGeometry();
    object.geometry.setAttribute("position", new THREE.Float32BufferAttribute(values, 3));
  }

  /** A short line out of the middle of each face. */
  private facingLines(): number[] {
    const surface = this.surface!;
    const length = this.box.getSize(new THREE.Vector3()).length() / 60;
    const lines: number[] = [];
    const [a, b, c] = [new THREE.Vector3(), new THREE.Vector3(), new THREE.Vector3()];
    let last = -1;
    surface.triangleFaces.forEach((face, k) => {
      if (face === last || this.hidden.has(surface.triangleParts[k]!)) return;
      last = face;
      [a, b, c].forEach((corner, i) => corner.fromArray(surface.positions, 9 * k + 3 * i));
      const middle = a.clone().add(b).add(c).divideScalar(3);
      const out = b.sub(a).cross(c.sub(a)).setLength(length).add(middle);
      lines.push(...middle.toArray(), ...out.toArray());
    });
    return lines;
  }

  private edgeLines(wanted: (edge: number) => boolean): number[] {
    const surface = this.surface!;
    const place = new Map<number, number>();
    surface.trianglePoints.forEach((point, corner) => {
      if (!this.hidden.has(surface.triangleParts[Math.floor(corner / 3)]!)) place.set(point, corner);
    });
    const lines: number[] = [];
    for (let edge = 0; edge < surface.edgeOutlines.length; edge += 1) {
      const ends = [place.get(surface.edges[2 * edge]!), place.get(surface.edges[2 * edge + 1]!)];
      if (ends[0] === undefined || ends[1] === undefined || !wanted(edge)) continue;
      for (const corner of ends) lines.push(...surface.positions.subarray(3 * corner!, 3 * corner! + 3));
    }
    return lines;
  }
}
