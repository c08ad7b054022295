import * as THREE from "three";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import { LineSegments2 } from "three/examples/jsm/lines/LineSegments2.js";
import { LineSegmentsGeometry } from "three/examples/jsm/lines/LineSegmentsGeometry.js";
import type { Surface } from "@/stores/surface";

/** What may be drawn beside the model itself, and how. */
export interface Aids {
  edges: boolean;
  floor: boolean;
  facing: boolean;
  one_sided: boolean;
  see_through: boolean;
}

const SELECTED = 0x1e7b6e;
const LIT = 0xd2552a;
const INK = 0x1f2a36;
const GRID = 0xa59b88;
/** Tints of pieces: told apart by lightness too. */
const TINTS = ["#f2d9a6", "#7fa9a3", "#e0a58c", "#5b7c99", "#d8d2e3", "#8f6d8a", "#c3d3a2", "#a98d62"].map((color) => new THREE.Color(color));
export const INSIDE = 0x7b3f72;

/** Lines and tints over the model: seams, the outlines of picked islands, lit faces, edges, facing marks, the floor grid. */
export class Overlays {
  private readonly outline = new LineSegments2(
    new LineSegmentsGeometry(),
    new LineMaterial({ color: SELECTED, linewidth: 3, polygonOffset: true, polygonOffsetFactor: -2, polygonOffsetUnits: -2 }),
  );
  private readonly seams = new LineSegments2(
    new LineSegmentsGeometry(),
    new LineMaterial({ color: INSIDE, linewidth: 2.5, dashed: true, dashScale: 1, polygonOffset: true, polygonOffsetFactor: -1, polygonOffsetUnits: -1 }),
  );
  private readonly picked = new LineSegments2(
    new LineSegmentsGeometry(),
    new LineMaterial({ color: LIT, linewidth: 5, polygonOffset: true, polygonOffsetFactor: -3, polygonOffsetUnits: -3 }),
  );
  private readonly tint = new THREE.Mesh(
    new THREE.BufferGeometry(),
    new THREE.MeshBasicMaterial({ vertexColors: true, side: THREE.DoubleSide, transparent: true, opacity: 0.55, polygonOffset: true, polygonOffsetFactor: -1, polygonOffsetUnits: -1 }),
  );
  private readonly lit = new THREE.Mesh(
    new THREE.BufferGeometry(),
    new THREE.MeshBasicMaterial({ color: LIT, side: THREE.DoubleSide, transparent: true, opacity: 0.62, polygonOffset: true, polygonOffsetFactor: -3, polygonOffsetUnits: -3 }),
  );
  private readonly edges = new THREE.LineSegments(new THREE.BufferGeometry(), new THREE.LineBasicMaterial({ color: INK, transparent: true, opacity: 0.55 }));
  private readonly facing = new THREE.LineSegments(new THREE.BufferGeometry(), new THREE.LineBasicMaterial({ color: INSIDE }));
  private floor: THREE.GridHelper | null = null;
  private surface: Surface | null = null;
  private box = new THREE.Box3();
  private hidden: Set<number> = new Set();
  private aids: Aids | null = null;

  constructor(private readonly scene: THREE.Scene) {
    this.tint.visible = this.picked.visible = this.seams.visible = this.outline.visible = this.lit.visible = this.edges.visible = this.facing.visible = false;
    scene.add(this.tint, this.seams, this.picked, this.outline, this.lit, this.edges, this.facing);
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
    const lines = picked.size === 0 ? [] : this.edgeLines((edge) => surface.edgeOutlines[edge] === 1 && picked.has(surface.pointIslands[surface.edges[2 * edge]!]!));
    this.setFat(this.outline, lines);
  }

  /** Dashes along the edges that are cut, and a heavy line along those that are picked; pairs of ends, model units. */
  setSeams(cut: number[], picked: number[]) {
    this.setFat(this.picked, picked);
    this.setFat(this.seams, cut);
    if (!this.seams.visible) return;
    const dash = this.box.getSize(new THREE.Vector3()).length() / 70;
    this.seams.material.dashSize = dash;
    this.seams.material.gapSize = dash / 2;
    this.seams.computeLineDistances();
  }

  /** Tints each piece, neighbours of one number apart; null takes the tints away. */
  setTints(pieces: Int32Array | null) {
    const surface = this.surface;
    this.tint.visible = pieces !== null && surface !== null && pieces.length === surface.triangleIslands.length;
    if (!pieces || !surface || !this.tint.visible) return;
    const colors = new Float32Array(pieces.length * 9);
    pieces.forEach((piece, k) => {
      const color = TINTS[piece % TINTS.length]!;
      for (let corner = 0; corner < 3; corner += 1) color.toArray(colors, 9 * k + 3 * corner);
    });
    this.tint.geometry.dispose();
    this.tint.geometry = new THREE.BufferGeometry();
    this.tint.geometry.setAttribute("position", new THREE.BufferAttribute(surface.positions, 3));
    this.tint.geometry.setAttribute("color", new THREE.BufferAttribute(colors, 3));
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
      if (faces ? faces.has(face) : islands?.has(surface.triangleIslands[k]!)) corners.push(...surface.positions.subarray(9 * k, 9 * k + 9));
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
    if (this.edges.visible) this.setPositions(this.edges, this.edgeLines(() => true));
    if (this.facing.visible) this.setPositions(this.facing, this.facingLines());
  }

  private setFat(object: LineSegments2, lines: number[]) {
    object.visible = lines.length > 0;
    if (lines.length === 0) return;
    object.geometry.dispose();
    object.geometry = new LineSegmentsGeometry();
    object.geometry.setPositions(lines);
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
