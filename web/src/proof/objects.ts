import * as THREE from "three";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import { LineSegments2 } from "three/examples/jsm/lines/LineSegments2.js";
import { LineSegmentsGeometry } from "three/examples/jsm/lines/LineSegmentsGeometry.js";
import type { Elements } from "@/picking/elements";
import { hatched } from "./hatch";

/** Faces, edges and corners that are drawn alike. */
export interface Marked {
  faces: Iterable<number>;
  edges: Iterable<number>;
  corners: Iterable<number>;
}

export const PICKED = 0x0c5048;
export const SEAM = 0x662d5e;
export const WARNING = 0x633d00;
export const INK = 0x1f2a36;
const PAPER = 0xfffdf8;

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

  /**
   * @param ends pairs of places, model units
   * @param dash length of a dash of dashed lines, model units
   */
  draw(ends: number[], dash = 0) {
    this.visible = ends.length > 0;
    if (!this.visible) return;
    this.geometry.dispose();
    this.geometry = new LineSegmentsGeometry();
    this.geometry.setPositions(ends);
    if (!this.material.dashed) return;
    this.material.dashSize = dash;
    this.material.gapSize = dash / 2;
    this.computeLineDistances();
  }
}

/** Lines over a light casing, so that they stand out from any art. */
export class CasedLines extends THREE.Group {
  private readonly casing: FatLines;
  private readonly lines: FatLines;

  constructor(color: number, width: number, over: number, options: object = {}) {
    super();
    this.casing = new FatLines(PAPER, width + 3, over, { ...options, dashed: false });
    this.lines = new FatLines(color, width, over + 1, options);
    this.lines.renderOrder = 1;
    this.add(this.casing, this.lines);
  }

  /** @param ends, dash as FatLines takes them */
  draw(ends: number[], dash = 0) {
    this.casing.draw(ends);
    this.lines.draw(ends, dash);
  }
}

/** Two outlines, one inside the other: what a finding or a table leads to. */
export class DoubleLines extends CasedLines {
  private readonly between = new FatLines(PAPER, 3, 6);

  constructor() {
    super(INK, 7, 3);
    this.between.renderOrder = 2;
    this.add(this.between);
  }

  override draw(ends: number[]) {
    super.draw(ends);
    this.between.draw(ends);
  }
}

/** Triangles in one colour, or each in its own, over the model. */
export class Patches extends THREE.Mesh<THREE.BufferGeometry, THREE.MeshBasicMaterial> {
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

  /** @param positions corners of triangles; hatch, colors as many, or none */
  draw(positions: Float32Array, hatch = new Float32Array(positions.length / 3), colors?: Float32Array) {
    this.visible = positions.length > 0;
    this.geometry.dispose();
    this.geometry = new THREE.BufferGeometry();
    this.geometry.setAttribute("position", new THREE.BufferAttribute(positions, 3));
    this.geometry.setAttribute("hatch", new THREE.BufferAttribute(hatch, 1));
    if (colors) this.geometry.setAttribute("color", new THREE.BufferAttribute(colors, 3));
  }
}

/** Squares or rings of one size on the screen, a little before the surface. */
export class Spots extends THREE.Points<THREE.BufferGeometry, THREE.PointsMaterial> {
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

/** Faces under stripes, edges as heavy lines, corners as squares. */
export class ElementMarks extends THREE.Group {
  private readonly faces: Patches;
  private readonly edges: CasedLines;
  private readonly corners: Spots;

  constructor(opacity: number, width: number, over: number) {
    super();
    this.faces = new Patches({ color: PICKED, opacity }, 0, over);
    this.edges = new CasedLines(PICKED, width, over + 1);
    this.corners = new Spots(PICKED, width + 7, false);
    this.add(this.faces, this.edges, this.corners);
  }

  show(elements: Elements | null, { faces, edges, corners }: Marked) {
    const positions = elements?.faceCorners(faces) ?? [];
    const lines = elements?.edgeLines(edges) ?? [];
    this.faces.draw(new Float32Array(positions));
    this.edges.draw(lines);
    this.corners.draw(elements?.places(corners) ?? []);
  }
}

/** Thin lines of one colour. */
export class ThinLines extends THREE.LineSegments<THREE.BufferGeometry, THREE.LineBasicMaterial> {
  constructor(color: number, options: THREE.LineBasicMaterialParameters = {}) {
    super(new THREE.BufferGeometry(), new THREE.LineBasicMaterial({ color, ...options }));
    this.visible = false;
  }

  /** @param ends pairs of places, model units */
  draw(ends: number[]) {
    this.visible = ends.length > 0;
    this.geometry.dispose();
    this.geometry = new THREE.BufferGeometry();
    this.geometry.setAttribute("position", new THREE.Float32BufferAttribute(ends, 3));
  }
}
