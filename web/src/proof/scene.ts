import * as THREE from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";
import type { Picks, Sheet } from "@/api/types";
import { placeWhile, type Moving } from "@/stores/moving";
import type { Surface } from "@/stores/surface";
import { VIEWS, directionFacing, distanceToFit, type ViewName } from "./eye";
import { SAME_PLACE, hitsAlong, type Hit } from "./hits";
import { CutMarks } from "./marks";
import { INSIDE, Overlays, type Aids } from "./overlays";

const PAPER = "#fffdf8";

/** The textured model on the screen. Draws only when something changed. */
export class ProofScene {
  private readonly renderer: THREE.WebGLRenderer;
  private readonly scene = new THREE.Scene();
  private readonly camera = new THREE.PerspectiveCamera(32, 1, 0.01, 100);
  private readonly controls: OrbitControls;
  private readonly even = new THREE.MeshBasicMaterial({ side: THREE.DoubleSide });
  private readonly shaded = new THREE.MeshLambertMaterial({ side: THREE.DoubleSide });
  private readonly bareMaterial = new THREE.MeshLambertMaterial({ color: 0xb9b2a2, side: THREE.DoubleSide });
  private readonly raycaster = new THREE.Raycaster();
  private readonly overlays = new Overlays(this.scene);
  /** what the cut stage draws over the model */
  readonly marks = new CutMarks(this.scene, () => this.redraw());
  private readonly inside = new THREE.MeshBasicMaterial({ color: INSIDE, side: THREE.BackSide });
  private model: THREE.Mesh | null = null;
  private backs: THREE.Mesh | null = null;
  private bare: THREE.Mesh | null = null;
  private surface: Surface | null = null;
  private aids: Aids | null = null;
  private box = new THREE.Box3();
  private frame = 0;

  /** told whenever the view may have changed */
  onEye: ((eye: [number, number, number]) => void) | null = null;

  constructor(private readonly canvas: HTMLCanvasElement) {
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: true, alpha: true });
    this.renderer.setPixelRatio(window.devicePixelRatio);
    const headlight = new THREE.DirectionalLight(0xffffff, 2.1);
    headlight.position.set(0.6, 1, 1.2);
    this.camera.add(headlight);
    this.scene.add(this.camera, new THREE.HemisphereLight(0xffffff, 0xd8cfbd, 1.5));
    this.controls = new OrbitControls(this.camera, canvas);
    this.controls.addEventListener("change", () => this.redraw());
  }

  setSurface(surface: Surface) {
    this.removeModel();
    this.surface = surface;
    const geometry = new THREE.BufferGeometry();
    geometry.setAttribute("position", new THREE.BufferAttribute(surface.positions, 3));
    geometry.setAttribute("uv", new THREE.BufferAttribute(new Float32Array(surface.trianglePoints.length * 2), 2));
    if (surface.normals.length > 0) geometry.setAttribute("normal", new THREE.BufferAttribute(surface.normals, 3));
    else geometry.computeVertexNormals();
    this.model = new THREE.Mesh(geometry, this.even);
    this.backs = new THREE.Mesh(geometry, this.inside);
    this.backs.visible = this.aids?.facing ?? false;
    this.scene.add(this.model, this.backs);
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
    this.overlays.setSurface(surface, box);
    this.marks.setBox(box);
    box.getCenter(this.controls.target);
    this.look("Corner");
  }

  /** Carries the islands' places on the sheet over to the model, also while a hand moves some. */
  setPoints(points: Float32Array, sheet: Sheet, moving: Moving | null = null) {
    const uv = this.model?.geometry.getAttribute("uv") as THREE.BufferAttribute | undefined;
    if (!uv || !this.surface) return;
    const { trianglePoints, pointIslands } = this.surface;
    for (let corner = 0; corner < trianglePoints.length; corner += 1) {
      const point = trianglePoints[corner]!;
      const [x, y] = placeWhile(moving, points[2 * point]!, points[2 * point + 1]!, point, pointIslands[point]!);
      uv.setXY(corner, x / sheet.width_px, 1 - y / sheet.height_px);
    }
    uv.needsUpdate = true;
    this.redraw();
  }

  /** Paper shows where the sheet has no paint. */
  setImage(image: HTMLImageElement, hard: boolean) {
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
    if (hard) texture.magFilter = THREE.NearestFilter;
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
    this.overlays.setOutlined(islands);
    this.redraw();
  }

  /** Leaves out the triangles of hidden parts. */
  setHidden(parts: Set<number>) {
    this.overlays.setHidden(parts);
    const geometry = this.model?.geometry;
    if (!geometry || !this.surface) return;
    if (parts.size === 0) geometry.setIndex(null);
    else {
      const shown: number[] = [];
      this.surface.triangleParts.forEach((part, k) => {
        if (!parts.has(part)) shown.push(3 * k, 3 * k + 1, 3 * k + 2);
      });
      geometry.setIndex(shown);
    }
    this.redraw();
  }

  /** @param square length of a floor square, in model units */
  setAids(aids: Aids, square: number) {
    this.aids = { ...aids };
    for (const material of [this.even, this.shaded]) {
      material.side = aids.one_sided || aids.facing ? THREE.FrontSide : THREE.DoubleSide;
      material.transparent = aids.see_through;
      material.opacity = aids.see_through ? 0.45 : 1;
      material.depthWrite = !aids.see_through;
      material.needsUpdate = true;
    }
    if (this.backs) this.backs.visible = aids.facing;
    this.overlays.setAids(aids, square);
    this.redraw();
  }

  setLit(faces: number[]) {
    this.overlays.setLit(faces);
    this.redraw();
  }

  /** Turns the eye to faces, or else to islands, from the side they look to. */
  lookAtSpot(faces: number[], islands: number[]) {
    if (!this.surface) return;
    const corners = this.overlays.corners(faces.length > 0 ? new Set(faces) : null, new Set(islands));
    if (corners.length === 0) return;
    this.lookFrom(directionFacing(corners, this.controls.target));
  }

  /** The faces under a place of the canvas, in CSS px: the nearest first. */
  hitsAt(x: number, y: number): Hit[] {
    if (!this.model || !this.surface) return [];
    const pointer = new THREE.Vector2((x / this.canvas.clientWidth) * 2 - 1, 1 - (y / this.canvas.clientHeight) * 2);
    this.raycaster.setFromCamera(pointer, this.camera);
    const samePlace = this.box.getSize(new THREE.Vector3()).length() * SAME_PLACE;
    return hitsAlong(this.raycaster, [this.model, this.bare], this.surface, samePlace, this.aids?.see_through ?? false);
  }

  /** From model units to clip space, column by column. */
  viewMatrix(): NonNullable<Picks["box"]["view"]> {
    this.camera.updateMatrixWorld();
    return new THREE.Matrix4()
      .multiplyMatrices(this.camera.projectionMatrix, this.camera.matrixWorldInverse)
      .toArray() as NonNullable<Picks["box"]["view"]>;
  }

  /** Whether a drag turns the model. */
  setTurning(on: boolean) {
    this.controls.enabled = on;
  }

  look(name: ViewName) {
    this.lookFrom(new THREE.Vector3(...VIEWS[name]).normalize());
  }

  private lookFrom(direction: THREE.Vector3) {
    const distance = distanceToFit(this.camera, this.box, this.controls.target, direction);
    this.camera.position.copy(this.controls.target).addScaledVector(direction, distance);
    this.camera.near = distance / 100;
    this.camera.far = distance * 10;
    this.camera.updateProjectionMatrix();
    this.controls.update();
    this.redraw();
  }

  resize(width: number, height: number) {
    if (width === 0 || height === 0) return;
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.redraw();
  }

  /** From the model's middle to the eye, of length 1. */
  eye(): [number, number, number] {
    return this.camera.position.clone().sub(this.controls.target).normalize().toArray();
  }

  redraw() {
    this.onEye?.(this.eye());
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
    if (this.backs) this.scene.remove(this.backs);
    this.backs = null;
    for (const mesh of [this.model, this.bare]) {
      if (!mesh) continue;
      this.scene.remove(mesh);
      mesh.geometry.dispose();
    }
    this.model = this.bare = null;
  }
}
