import * as THREE from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";
import type { Picks, Triple } from "@/api/types";
import type { Surface } from "@/stores/surface";
import { VIEWS, directionFacing, distanceToFit, type ViewName } from "./eye";
import { lengthOf } from "./geometry";
import { SAME_PLACE, hitsAlong, type Hit } from "./hits";
import { TexturedModel } from "./passes/model";
import { ProofScreen } from "./screen";

/** ms that the hand rests before a picture is drawn that takes long */
const HAND_RESTS_MS = 150;

/** The eye, the light and the screen that the proof is drawn on. Draws only when something changed. */
export class ProofScene {
  private readonly screen: ProofScreen;
  private readonly scene = new THREE.Scene();
  private readonly camera = new THREE.PerspectiveCamera(32, 1, 0.01, 100);
  private readonly controls: OrbitControls;
  private readonly raycaster = new THREE.Raycaster();
  readonly model: TexturedModel;
  private box = new THREE.Box3();
  private frame = 0;
  private waits: number | undefined;
  /** something changed while a picture was on its way */
  private again = false;

  /** told whenever the view may have changed */
  onEye: ((eye: Triple) => void) | null = null;
  /** asked before each picture and each look at what lies under a place, for what has changed since */
  onDraw: (() => void) | null = null;
  /** more is about to change: where a picture takes long, one is drawn when it has come */
  private expecting = false;
  /** the eye is carried to another model, which no hand waits for */
  private settingUp = false;
  /** told when a picture is due, and when it is drawn */
  onDue: ((due: boolean) => void) | null = null;

  constructor(private readonly canvas: HTMLCanvasElement) {
    this.screen = new ProofScreen(canvas);
    this.model = new TexturedModel(this.screen.anisotropy);
    const headlight = new THREE.DirectionalLight(0xffffff, 2.1);
    headlight.position.set(0.6, 1, 1.2);
    this.camera.add(headlight);
    this.scene.add(this.camera, new THREE.HemisphereLight(0xffffff, 0xd8cfbd, 1.5));
    this.controls = new OrbitControls(this.camera, canvas);
    this.controls.addEventListener("change", () => this.draw());
    if (this.screen.slow) window.addEventListener("pointermove", this.waitOn, { passive: true });
  }

  add(object: THREE.Object3D) {
    this.scene.add(object);
  }

  /** Goes round another model. */
  goRound(box: THREE.Box3) {
    this.box = box;
    box.getCenter(this.controls.target);
    this.settingUp = true;
    this.look("Corner");
    this.settingUp = false;
    this.redraw();
  }

  /** Turns the eye to triangles, from the side they look to. */
  lookAt(corners: number[]) {
    if (corners.length > 0) this.lookFrom(directionFacing(corners, this.controls.target));
  }

  /** The faces under a place of the canvas, in CSS px: the nearest first; where it is seen through, all of them. */
  hitsAt(x: number, y: number, surface: Surface, seeThrough: boolean): Hit[] {
    this.onDraw?.();
    const pointer = new THREE.Vector2((x / this.canvas.clientWidth) * 2 - 1, 1 - (y / this.canvas.clientHeight) * 2);
    this.raycaster.setFromCamera(pointer, this.camera);
    const samePlace = lengthOf(this.box) * SAME_PLACE;
    return hitsAlong(this.raycaster, [this.model.faces, this.model.bare], surface, samePlace, seeThrough);
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

  /** Carries the eye round the model, to the right and up, in radians, and so many times as far off. */
  turn(across: number, up: number, farther = 1) {
    const at = new THREE.Spherical().setFromVector3(this.camera.position.clone().sub(this.controls.target));
    at.theta += across;
    at.phi -= up;
    at.radius *= farther;
    this.camera.position.setFromSpherical(at.makeSafe()).add(this.controls.target);
    this.controls.update();
    this.draw();
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
    this.draw();
  }

  resize(width: number, height: number) {
    if (width === 0 || height === 0) return;
    this.screen.resize(width, height);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.redraw();
  }

  /** Draws in the next frame of the screen; where a picture takes longer than that, once the hand rests. */
  redraw() {
    this.onDue?.(true);
    if (!this.screen.slow) this.draw();
    else if (this.waits === undefined) this.wait();
  }

  /** Until it is told otherwise, no picture is drawn that takes long; the one that is due is drawn then. */
  expect(more: boolean) {
    this.expecting = more;
    if (!more && this.waits !== undefined) this.draw();
  }

  private readonly waitOn = ({ movementX, movementY }: PointerEvent) => {
    // The browser tells of moves that are none, too, after it has drawn.
    if (this.waits !== undefined && (movementX || movementY)) this.wait();
  };

  private wait() {
    window.clearTimeout(this.waits);
    this.waits = window.setTimeout(() => this.expecting || this.draw(), HAND_RESTS_MS);
  }

  private draw() {
    if (this.settingUp) return;
    window.clearTimeout(this.waits);
    this.waits = undefined;
    this.onEye?.(this.camera.position.clone().sub(this.controls.target).normalize().toArray());
    this.onDue?.(true);
    cancelAnimationFrame(this.frame);
    this.again = this.screen.busy;
    if (this.again) return;
    this.frame = requestAnimationFrame(() => {
      this.onDraw?.();
      this.screen.draw(this.scene, this.camera, () =>
        this.again ? this.draw() : this.onDue?.(this.waits !== undefined),
      );
    });
  }

  dispose() {
    window.removeEventListener("pointermove", this.waitOn);
    window.clearTimeout(this.waits);
    cancelAnimationFrame(this.frame);
    this.model.dispose();
    this.controls.dispose();
    this.screen.dispose();
  }
}
