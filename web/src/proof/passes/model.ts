import * as THREE from "three";
import type { Sheet } from "@/api/types";
import { placeWhile, type Moving } from "@/hand/moving";
import type { SheetImage } from "@/stores/image";
import type { Aids } from "@/stores/settings";
import type { Surface } from "@/stores/surface";
import { SEAM } from "../objects";

const PAPER = "#fffdf8";
const BARE = 0xb9b2a2;

/** The model with the sheet on it: its faces, their backs, and those that have no place on the sheet. */
export class TexturedModel extends THREE.Group {
  private readonly even = new THREE.MeshBasicMaterial({ side: THREE.DoubleSide });
  private readonly shaded = new THREE.MeshLambertMaterial({ side: THREE.DoubleSide });
  readonly faces = new THREE.Mesh<THREE.BufferGeometry, THREE.Material>(new THREE.BufferGeometry(), this.even);
  readonly bare = new THREE.Mesh(
    new THREE.BufferGeometry(),
    new THREE.MeshLambertMaterial({ color: BARE, side: THREE.DoubleSide }),
  );
  private readonly backs = new THREE.Mesh(
    this.faces.geometry,
    new THREE.MeshBasicMaterial({ color: SEAM, side: THREE.BackSide }),
  );

  private readonly loader = new THREE.TextureLoader();
  /** address of the normal map */
  private relief: string | null = null;

  /** what the faces' UVs were made of */
  private placed: { uv: THREE.BufferAttribute; points: Float32Array; sheet: Sheet; moving: Moving | null } | null =
    null;

  /** the texture, and what it was made of */
  private worn: {
    flat: HTMLCanvasElement;
    source: SheetImage["source"];
    hard: boolean;
    cutOut: boolean;
    texture: THREE.CanvasTexture;
  } | null = null;

  /** @param anisotropy of the texture; 0: the machine is slow, and its texture is drawn as it is at any size */
  constructor(private readonly anisotropy: number) {
    super();
    this.backs.visible = false;
    this.add(this.faces, this.backs, this.bare);
  }

  setSurface(surface: Surface | null) {
    this.dispose();
    const geometry = new THREE.BufferGeometry();
    if (surface) {
      geometry.setAttribute("position", new THREE.BufferAttribute(surface.positions, 3));
      geometry.setAttribute("uv", new THREE.BufferAttribute(new Float32Array(surface.trianglePoints.length * 2), 2));
      if (surface.normals.length > 0) geometry.setAttribute("normal", new THREE.BufferAttribute(surface.normals, 3));
      else geometry.computeVertexNormals();
    }
    this.faces.geometry = this.backs.geometry = geometry;
    this.bare.geometry = new THREE.BufferGeometry();
    this.bare.geometry.setAttribute(
      "position",
      new THREE.BufferAttribute(surface?.barePositions ?? new Float32Array(), 3),
    );
    this.bare.geometry.computeVertexNormals();
  }

  /** Carries the islands' places on the sheet over to the model, also while a hand moves some. */
  setPoints(surface: Surface | null, points: Float32Array | null, sheet: Sheet | null, moving: Moving | null) {
    if (!surface || !points || !sheet) return;
    const uv = this.faces.geometry.getAttribute("uv") as THREE.BufferAttribute;
    const { trianglePoints, pointIslands } = surface;
    const before = this.placed;
    const known = before?.uv === uv && before.sheet === sheet ? before : null;
    this.placed = { uv, points, sheet, moving };
    /** whether each point lies elsewhere than it did */
    const elsewhere = new Uint8Array(pointIslands.length).fill(known ? 0 : 1);
    const hands = [known?.moving, moving].filter((hand) => !!hand);
    if (known)
      for (let point = 0; point < elsewhere.length; point += 1)
        if (
          known.points[2 * point] !== points[2 * point] ||
          known.points[2 * point + 1] !== points[2 * point + 1] ||
          hands.some((hand) => hand.islands.has(pointIslands[point]!) || hand.points.has(point))
        )
          elsewhere[point] = 1;
    for (let corner = 0; corner < trianglePoints.length; corner += 1) {
      const point = trianglePoints[corner]!;
      if (elsewhere[point] === 0) continue;
      const [x, y] = placeWhile(moving, points[2 * point]!, points[2 * point + 1]!, point, pointIslands[point]!);
      uv.setXY(corner, x / sheet.width_px, 1 - y / sheet.height_px);
    }
    uv.needsUpdate = true;
  }

  /** Paper shows where the sheet has no paint, or what lies behind where cut-outs are shown; px of a hard image are squares. Only what has changed is drawn anew. */
  setImage(image: SheetImage | null, hard: boolean, cutOut: boolean) {
    if (!image) return;
    const same =
      this.worn?.source === image.source &&
      this.worn.hard === hard &&
      this.worn.cutOut === cutOut &&
      image.changed !== null;
    const flat = same ? this.worn!.flat : document.createElement("canvas");
    if (!same) Object.assign(flat, { width: image.width, height: image.height });
    const context = flat.getContext("2d");
    if (!context) return;
    context.fillStyle = PAPER;
    for (const box of (same && image.changed) || [[0, 0, image.width, image.height] as const]) {
      if (cutOut) context.clearRect(...box);
      else context.fillRect(...box);
      context.drawImage(image.source, ...box, ...box);
    }
    if (same) this.worn!.texture.needsUpdate = true;
    else this.wear(flat, image.source, hard, cutOut);
  }

  private wear(flat: HTMLCanvasElement, source: SheetImage["source"], hard: boolean, cutOut: boolean) {
    const texture = new THREE.CanvasTexture(flat);
    texture.colorSpace = THREE.SRGBColorSpace;
    if (hard) texture.magFilter = THREE.NearestFilter;
    texture.anisotropy = Math.max(this.anisotropy, 1);
    if (this.anisotropy === 0) Object.assign(texture, { generateMipmaps: false, minFilter: THREE.LinearFilter });
    this.worn = { flat, source, hard, cutOut, texture };
    for (const material of [this.even, this.shaded]) {
      material.map?.dispose();
      material.map = texture;
      material.alphaTest = cutOut ? 0.5 : 0;
      material.needsUpdate = true;
    }
  }

  /** Wears a normal map, as strongly as is said; only the shaded look shows it. */
  setRelief(url: string | null, strength: number, redraw: () => void) {
    this.shaded.normalScale.setScalar(strength);
    if (url === this.relief) return;
    this.relief = url;
    if (!url) {
      this.shaded.normalMap?.dispose();
      this.shaded.normalMap = null;
      this.shaded.needsUpdate = true;
      return;
    }
    this.loader.load(url, (texture) => {
      if (url !== this.relief) return texture.dispose();
      this.shaded.normalMap?.dispose();
      this.shaded.normalMap = texture;
      this.shaded.needsUpdate = true;
      redraw();
    });
  }

  setLight(light: "even" | "shaded") {
    this.faces.material = light === "even" ? this.even : this.shaded;
  }

  /** Leaves out the triangles of hidden parts. */
  setHidden(surface: Surface | null, parts: Set<number>) {
    if (!surface) return;
    const shown: number[] = [];
    if (parts.size > 0)
      surface.triangleParts.forEach((part, k) => {
        if (!parts.has(part)) shown.push(3 * k, 3 * k + 1, 3 * k + 2);
      });
    this.faces.geometry.setIndex(parts.size > 0 ? shown : null);
  }

  setAids({ facing, one_sided, see_through }: Aids) {
    for (const material of [this.even, this.shaded]) {
      material.side = one_sided || facing ? THREE.FrontSide : THREE.DoubleSide;
      material.transparent = see_through;
      material.opacity = see_through ? 0.45 : 1;
      material.depthWrite = !see_through;
      material.needsUpdate = true;
    }
    this.backs.visible = facing;
  }

  dispose() {
    this.faces.geometry.dispose();
    this.bare.geometry.dispose();
  }
}
