import * as THREE from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import { LineSegments2 } from "three/examples/jsm/lines/LineSegments2.js";
import { LineSegmentsGeometry } from "three/examples/jsm/lines/LineSegmentsGeometry.js";
import type { Sheet } from "@/api/types";
import type { Surface } from "@/stores/surface";

/** Where to look from: a direction from the model's middle to the eye. */
export const VIEWS = {
  Front: [0, 0, 1],
  Back: [0, 0, -1],
  Left: [-1, 0, 0],
  Right: [1, 0, 0],
  Above: [0, 1, 0.0001],
  Below: [0, -1, 0.0001],
  Corner: [0.62, 0.42, 1],
} as const;

export type ViewName = keyof typeof VIEWS;

const PAPER = "#fffdf8";
const SELECTED = 0x1e7b6e;
const MARGIN = 1.22; // free room round the model, for the buttons

/** The textured model on the screen. Draws only when something changed. */
export class ProofScene {
  private readonly renderer: THREE.WebGLRenderer;
  private readonly scene = new THREE.Scene();
  private readonly camera = new THREE.PerspectiveCamera(32, 1, 0.01, 100);
  private readonly controls: OrbitControls;
  private readonly even = new THREE.MeshBasicMaterial({ side: THREE.DoubleSide });
  private readonly shaded = new THREE.MeshLambertMaterial({ side: THREE.DoubleSide });
  private readonly bareMaterial = new THREE.MeshLambertMaterial({ color: 0xb9b2a2, side: THREE.DoubleSide });
  private readonly outline: LineSegments2;
  private readonly raycaster = new THREE.Raycaster();
  private model: THREE.Mesh | null = null;
  private bare: THREE.Mesh | null = null;
  private surface: Surface | null = null;
  private box = new THREE.Box3();
  private frame = 0;

  constructor(private readonly canvas: HTMLCanvasElement) {
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: true, alpha: true });
    this.renderer.setPixelRatio(window.devicePixelRatio);
    const headlight = new THREE.DirectionalLight(0xffffff, 2.1);
    headlight.position.set(0.6, 1, 1.2);
    this.camera.add(headlight);
    this.scene.add(this.camera, new THREE.HemisphereLight(0xffffff, 0xd8cfbd, 1.5));
    this.outline = new LineSegments2(new LineSegmentsGeometry(), new LineMaterial({ color: SELECTED, linewidth: 3, polygonOffset: true, polygonOffsetFactor: -2, polygonOffsetUnits: -2 }));
    this.outline.visible = false;
    this.scene.add(this.outline);
    this.controls = new OrbitControls(this.camera, canvas);
    this.controls.addEventListener("change", () => this.redraw());
  }

  setSurface(surface: Surface) {
    this.removeModel();
    this.surface = surface;
    const geometry = new THREE.BufferGeometry();
    geometry.setAttribute("position", new THREE.BufferAttribute(surface.positions, 3));
    geometry.setAttribute("uv", new THREE.BufferAttribute(new Float32Array(surface.trianglePoints.length * 2), 2));
    geometry.computeVertexNormals();
    this.model = new THREE.Mesh(geometry, this.even);
    this.scene.add(this.model);
    const box = new THREE.Box3().setFromBufferAttribute(geometry.getAttribute("position") as THREE.BufferAttribute);
    if (surface.barePositions.length > 0) {
      const bare = new THREE.BufferGeometry();
      bare.setAttribute("position", new THREE.BufferAttribute(surface.barePositions, 3));
      bare.computeVertexNormals();
      this.bare = new THREE.Mesh(bare, this.bareMaterial);
      this.scene.add(this.bare);
      box.union(new THREE.Box3().setFromBufferAttribute(bare.getAttribute("position") as THREE.BufferAttribute));
    }
    this.box = box;
    box.getCenter(this.controls.target);
    this.look("Corner");
  }

  /** Carries the islands' places on the sheet over to the model. */
  setPoints(points: Float32Array, sheet: Sheet) {
    const uv = this.model?.geometry.getAttribute("uv") as THREE.BufferAttribute | undefined;
    if (!uv || !this.surface) return;
    const { trianglePoints } = this.surface;
    for (let corner = 0; corner < trianglePoints.length; corner += 1) {
      const point = trianglePoints[corner]!;
      uv.setXY(corner, points[2 * point]! / sheet.width_px, 1 - points[2 * point + 1]! / sheet.height_px);
    }
    uv.needsUpdate = true;
    this.redraw();
  }

  /** Paper shows where the sheet has no paint. */
  setImage(image: HTMLImageElement) {
    const flat = document.createElement("canvas");
    flat.width = image.naturalWidth;
    flat.height = image.naturalHeight;
    const context = flat.getContext("2d");
    if (!context) return;
    context.fillStyle = PAPER;
    context.fillRect(0, 0, flat.width, flat.height);
    context.drawImage(image, 0, 0);
    const texture = new THREE.CanvasTexture(flat);
    texture.colorSpace = THREE.SRGBColorSpace;
    texture.anisotropy = this.renderer.capabilities.getMaxAnisotropy();
    for (const material of [this.even, this.shaded]) {
      material.map?.dispose();
      material.map = texture;
      material.needsUpdate = true;
    }
    this.redraw();
  }

  setLight(light: "even" | "shaded") {
    if (this.model) this.model.material = light === "even" ? this.even : this.shaded;
    this.redraw();
  }

  /** Draws round the islands: the picked and the one under the pointer. */
  setOutlined(islands: number[]) {
    const surface = this.surface;
    if (!surface) return;
    const place = new Map<number, number>();
    surface.trianglePoints.forEach((point, corner) => place.set(point, corner));
    const lines: number[] = [];
    surface.edgeOutlines.forEach((outline, edge) => {
      const from = surface.edges[2 * edge]!;
      if (!outline || !islands.includes(surface.pointIslands[from]!)) return;
      for (const point of [from, surface.edges[2 * edge + 1]!]) {
        const corner = place.get(point)!;
        lines.push(...surface.positions.subarray(3 * corner, 3 * corner + 3));
      }
    });
    this.outline.visible = lines.length > 0;
    if (lines.length > 0) {
      this.outline.geometry.dispose();
      this.outline.geometry = new LineSegmentsGeometry();
      this.outline.geometry.setPositions(lines);
    }
    this.redraw();
  }

  /** The island under a place of the canvas, in CSS px. */
  islandAt(x: number, y: number): number | null {
    if (!this.model || !this.surface) return null;
    const pointer = new THREE.Vector2((x / this.canvas.clientWidth) * 2 - 1, 1 - (y / this.canvas.clientHeight) * 2);
    this.raycaster.setFromCamera(pointer, this.camera);
    const [hit] = this.raycaster.intersectObject(this.model);
    return hit?.faceIndex === undefined || hit.faceIndex === null ? null : this.surface.triangleIslands[hit.faceIndex]!;
  }

  look(name: ViewName) {
    const direction = new THREE.Vector3(...VIEWS[name]).normalize();
    const distance = this.distanceToFit(direction);
    this.camera.position.copy(this.controls.target).addScaledVector(direction, distance);
    this.camera.near = distance / 100;
    this.camera.far = distance * 10;
    this.camera.updateProjectionMatrix();
    this.controls.update();
    this.redraw();
  }

  /** How far off the eye must be to see the whole box of the model, with a margin. */
  private distanceToFit(direction: THREE.Vector3): number {
    const toEye = new THREE.Matrix4().lookAt(direction, new THREE.Vector3(), this.camera.up).transpose();
    const tall = Math.tan((this.camera.fov * Math.PI) / 360) / MARGIN;
    const wide = tall * Math.min(this.camera.aspect, 4);
    const { min, max } = this.box;
    const distances = [0, 1, 2, 3, 4, 5, 6, 7].map((corner) => {
      const at = new THREE.Vector3(corner & 1 ? max.x : min.x, corner & 2 ? max.y : min.y, corner & 4 ? max.z : min.z).sub(this.controls.target).applyMatrix4(toEye);
      return at.z + Math.max(Math.abs(at.x) / wide, Math.abs(at.y) / tall);
    });
    return Math.max(...distances, 1e-6);
  }

  resize(width: number, height: number) {
    if (width === 0 || height === 0) return;
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.redraw();
  }

  redraw() {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame(() => this.renderer.render(this.scene, this.camera));
  }

  dispose() {
    cancelAnimationFrame(this.frame);
    this.removeModel();
    this.controls.dispose();
    this.renderer.dispose();
  }

  private removeModel() {
    for (const mesh of [this.model, this.bare]) {
      if (!mesh) continue;
      this.scene.remove(mesh);
      mesh.geometry.dispose();
    }
    this.model = this.bare = null;
  }
}
