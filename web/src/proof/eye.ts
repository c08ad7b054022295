import * as THREE from "three";

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

const MARGIN = 1.22; // free room round the model, for the buttons

/** How far off the eye must be to see the whole box of the model, with a margin. */
export function distanceToFit(
  camera: THREE.PerspectiveCamera,
  { min, max }: THREE.Box3,
  target: THREE.Vector3,
  direction: THREE.Vector3,
): number {
  const toEye = new THREE.Matrix4().lookAt(direction, new THREE.Vector3(), camera.up).transpose();
  const tall = Math.tan((camera.fov * Math.PI) / 360) / MARGIN;
  const wide = tall * Math.min(camera.aspect, 4);
  const distances = [0, 1, 2, 3, 4, 5, 6, 7].map((corner) => {
    const at = new THREE.Vector3(corner & 1 ? max.x : min.x, corner & 2 ? max.y : min.y, corner & 4 ? max.z : min.z)
      .sub(target)
      .applyMatrix4(toEye);
    return at.z + Math.max(Math.abs(at.x) / wide, Math.abs(at.y) / tall);
  });
  return Math.max(...distances, 1e-6);
}

/**
 * The side that triangles look to on the whole, seen from slightly aside; of closed ones, the side of the target they
 * lie on.
 */
export function directionFacing(corners: number[], target: THREE.Vector3): THREE.Vector3 {
  const [a, b, c, normal, middle] = Array.from({ length: 5 }, () => new THREE.Vector3()) as [
    THREE.Vector3,
    THREE.Vector3,
    THREE.Vector3,
    THREE.Vector3,
    THREE.Vector3,
  ];
  for (let k = 0; k < corners.length; k += 9) {
    [a, b, c].forEach((corner, i) => middle.add(corner.fromArray(corners, k + 3 * i)));
    normal.add(b.sub(a).cross(c.sub(a)));
  }
  middle.divideScalar(corners.length / 3);
  if (normal.lengthSq() === 0) normal.copy(middle).sub(target);
  return normal
    .normalize()
    .add(new THREE.Vector3(0.12, 0.14, 0))
    .normalize();
}
