import * as THREE from "three";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import { LineSegments2 } from "three/examples/jsm/lines/LineSegments2.js";
import { LineSegmentsGeometry } from "three/examples/jsm/lines/LineSegmentsGeometry.js";
import type { Elements } from "@/picking/elements";
import type { Surface } from "@/stores/surface";
import { HATCHES, hatched } from "./hatch";

/** Faces, edges and corners that are drawn alike. */
export interface Marked {
  faces: Iterable<number>;
  edges: Iterable<number>;
  corners: Iterable<number>;
}

export const PICKED = 0x1e7b6e;
export const SEAM = 0x7b3f72;
const WARNING = 0xc98a12;
const PAPER = 0xfffdf8;
const INK = 0x1f2a36;
/** Tints of pieces: told apart by lightness and by their hatching too. */
const TINTS = ["#f2d9a6", "#7fa9a3", "#e0a58c", "#5b7c99", "#d8d2e3", "#8f6d8a", "#c3d3a2", "#a98d62"].map(
  (color) => new THREE.Color(color),
);

/** Lines as wide as wanted, which lie over the model by a number of steps. */
export class FatLines extends LineSegments2 {
  constructor(color: number, width: number, over: number, options: object = {}) {
    super(
      new LineSegmentsGeometry(),
      new LineMaterial({
        color,
        linewidth: width,
        polygonOffset: true,
        polygonOffsetFactor: -over,
        polygonOffsetUnits: -over,
        ...options,
      }),
    );
    this.visible = false;
  }

  /** @param ends pairs of places, model units */
  draw(ends: number[]) {
    this.visible = ends.length > 0;
    if (!this.visible) return;
    this.geometry.dispose();
    this.geometry = new LineSegmentsGeometry();
    this.geometry.setPositions(ends);
  }
}

/** Triangles in one colour, or each in its own, over the model. */
class Patches extends THREE.Mesh<THREE.BufferGeometry, THREE.MeshBasicMaterial> {
  constructor(options: THREE.MeshBasicMaterialParameters, between: number, over: number) {
    const offset = { polygonOffset: true, polygonOffsetFactor: -over, polygonOffsetUnits: -over };
    super(
      new THREE.BufferGeometry(),
      hatched(
        new THREE.MeshBasicMaterial({ side: THREE.DoubleSide, transparent: true, ...offset, ...options }),
        between,
      ),
    );
    this.visible = false;
  }

  draw(positions: Float32Array, hatch: Float32Array, colors?: Float32Array) {
    this.visible = positions.length > 0;
    this.geometry.dispose();
    this.geometry = new THREE.BufferGeometry();
    this.geometry.setAttribute("position", new THREE.BufferAttribute(positions, 3));
    this.geometry.setAttribute("hatch", new THREE.BufferAttribute(hatch, 1));
    if (colors) this.geometry.setAttribute("color", new THREE.BufferAttribute(colors, 3));
  }
}

/** Squares or rings of one size on the screen, a little before the surface. */
class Spots extends THREE.Points<THREE.BufferGeometry, THREE.PointsMaterial> {
  constructor(color: number, size: number, round: boolean) {
    const material = new THREE.PointsMaterial({ color, size: size * window.devicePixelRatio, sizeAttenuation: false });
    material.onBeforeCompile = (shader) => {
      shader.vertexShader = shader.vertexShader.replace(
        "#include <project_vertex>",
        "#include <project_vertex>\ngl_Position.z -= 0.002 * gl_Position.w;",
      );
      const rim = round
        ? "float far = length(gl_PointCoord - 0.5); if (far > 0.5) discard; if (far < 0.28) diffuseColor.rgb = vec3(1.0, 0.99, 0.97);"
        : "vec2 far = abs(gl_PointCoord - 0.5); if (max(far.x, far.y) > 0.34) diffuseColor.rgb = vec3(1.0, 0.99, 0.97);";
      shader.fragmentShader = shader.fragmentShader.replace(
        "#include <color_fragment>",
        `#include <color_fragment>\n${rim}`,
      );
    };
    super(new THREE.BufferGeometry(), material);
    this.visible = false;
  }

  draw(places: number[]) {
    this.visible = places.length > 0;
    this.geometry.dispose();
    this.geometry = new THREE.BufferGeometry();
    this.geometry.setAttribute("position", new THREE.Float32BufferAttribute(places, 3));
  }
}

/** Faces hatched, edges as heavy lines, corners as squares. */
class ElementMarks {
  private readonly faces: Patches;
  private readonly casing: FatLines;
  private readonly edges: FatLines;
  private readonly corners: Spots;

  constructor(scene: THREE.Scene, opacity: number, width: number, over: number) {
    this.faces = new Patches({ color: PICKED, opacity }, 0.35, over);
    this.casing = new FatLines(PAPER, width + 3, over + 1);
    this.edges = new FatLines(PICKED, width, over + 2);
    this.corners = new Spots(PICKED, width + 7, false);
    scene.add(this.faces, this.casing, this.edges, this.corners);
  }

  draw(elements: Elements | null, { faces, edges, corners }: Marked) {
    const positions = elements?.faceCorners(faces) ?? [];
    const lines = elements?.edgeLines(edges) ?? [];
    this.faces.draw(new Float32Array(positions), new Float32Array(positions.length / 3));
    this.casing.draw(lines);
    this.edges.draw(lines);
    this.corners.draw(elements?.places(corners) ?? []);
  }
}

/**
 * What the cut stage draws over the model: what is picked, seams with their open ends, tinted pieces, and the axis of a
 * band.
 */
export class CutMarks {
  private readonly tints = new Patches({ vertexColors: true, opacity: 0.62 }, 0.72, 1);
  private readonly seams = new FatLines(SEAM, 2.5, 2, { dashed: true, dashScale: 1 });
  private readonly openEnds = new Spots(WARNING, 15, true);
  private readonly picked: ElementMarks;
  private readonly hovered: ElementMarks;
  private readonly axis = new FatLines(INK, 2, 0, { depthTest: false, dashed: true, dashScale: 1 });
  private readonly apex = new Spots(INK, 13, true);
  private dash = 1;

  constructor(
    scene: THREE.Scene,
    private readonly changed: () => void,
  ) {
    scene.add(this.tints, this.seams, this.openEnds, this.axis, this.apex);
    this.picked = new ElementMarks(scene, 0.8, 4, 3);
    this.hovered = new ElementMarks(scene, 0.4, 4, 4);
    this.axis.renderOrder = 1;
    this.apex.material.depthTest = false;
  }

  setBox(box: THREE.Box3) {
    this.dash = box.getSize(new THREE.Vector3()).length() / 70;
  }

  setPicked(elements: Elements | null, marked: Marked) {
    this.picked.draw(elements, marked);
    this.changed();
  }

  setHovered(elements: Elements | null, marked: Marked) {
    this.hovered.draw(elements, marked);
    this.changed();
  }

  /** Dashes along the edges that are cut, and rings where a seam ends openly. */
  setSeams(elements: Elements | null, cut: Iterable<number>, openEnds: Iterable<number>) {
    this.dashed(this.seams, elements?.edgeLines(cut) ?? [], this.dash);
    this.openEnds.draw(elements?.places(openEnds) ?? []);
    this.changed();
  }

  /** Tints each piece, pieces of neighbouring numbers apart; null takes the tints away. */
  setTints(surface: Surface | null, pieces: Int32Array | null) {
    const count = pieces && surface && pieces.length === surface.triangleIslands.length ? pieces.length : 0;
    const colors = new Float32Array(count * 9);
    const hatch = new Float32Array(count * 3);
    for (let k = 0; k < count; k += 1) {
      const piece = pieces![k]!;
      hatch.fill((piece + (piece >> 3)) % HATCHES, 3 * k, 3 * k + 3);
      for (let corner = 0; corner < 3; corner += 1) TINTS[piece % TINTS.length]!.toArray(colors, 9 * k + 3 * corner);
    }
    this.tints.draw(count > 0 ? surface!.positions : new Float32Array(), hatch, colors);
    this.changed();
  }

  /** The axis of a band between two places, and the apex of a cone; model units, null takes it away. */
  setAxis(ends: number[] | null, apex: number[] | null) {
    this.dashed(this.axis, ends ?? [], this.dash * 2);
    this.apex.draw(apex ?? []);
    this.changed();
  }

  private dashed(lines: FatLines, ends: number[], dash: number) {
    lines.draw(ends);
    if (!lines.visible) return;
    lines.material.dashSize = dash;
    lines.material.gapSize = dash / 2;
    lines.computeLineDistances();
  }
}
