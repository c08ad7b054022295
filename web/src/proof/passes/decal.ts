import * as THREE from "three";
import type { ShownDecal } from "@/stages/art/placing";

/** how far over the surface it is shown, as a share of its size */
const OVER = 0.01;

/** A decal that follows the hand, flat on the face under it; what it becomes on the surface is seen once it is put. */
export class DecalShown extends THREE.Mesh<THREE.PlaneGeometry, THREE.MeshBasicMaterial> {
  private readonly loader = new THREE.TextureLoader();
  private source: string | null = null;

  /** @param redraw asked for once a picture has come */
  constructor(private readonly redraw: () => void) {
    super(
      new THREE.PlaneGeometry(1, 1),
      new THREE.MeshBasicMaterial({ transparent: true, side: THREE.DoubleSide, depthWrite: false }),
    );
    this.visible = false;
    this.renderOrder = 1;
  }

  draw(decal: ShownDecal | null) {
    this.visible = decal !== null;
    if (!decal) return;
    this.wear(decal);
    const normal = new THREE.Vector3(...decal.normal);
    const up = new THREE.Vector3(0, 1, 0).addScaledVector(normal, -normal.y);
    if (up.lengthSq() < 1e-6) up.set(0, 0, normal.y > 0 ? -1 : 1);
    const right = new THREE.Vector3().crossVectors(up.normalize(), normal);
    this.setRotationFromMatrix(new THREE.Matrix4().makeBasis(right, up, normal));
    this.rotateZ((-decal.turn_deg * Math.PI) / 180);
    this.scale.set(decal.width, decal.height, 1);
    this.position.set(...decal.at).addScaledVector(normal, OVER * Math.max(decal.width, decal.height));
  }

  private wear({ picture, color }: ShownDecal) {
    this.material.color.set(color ?? "white");
    if (picture === this.source) return;
    this.source = picture;
    this.material.map?.dispose();
    this.material.map = picture
      ? this.loader.load(picture, (texture) => {
          texture.colorSpace = THREE.SRGBColorSpace;
          this.redraw();
        })
      : null;
    this.material.needsUpdate = true;
  }
}
