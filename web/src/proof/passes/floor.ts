import * as THREE from "three";
import { INK } from "../objects";

const GRID = 0xa59b88;

/** A grid of squares that the model stands on. */
export class Floor extends THREE.Group {
  private grid: THREE.GridHelper | null = null;

  /**
   * @param box of the model; null takes the floor away
   * @param square length of a side, model units
   */
  draw(box: THREE.Box3 | null, square: number) {
    this.grid?.removeFromParent();
    this.grid?.dispose();
    this.grid = null;
    if (!box || box.isEmpty()) return;
    const size = box.getSize(new THREE.Vector3());
    const middle = box.getCenter(new THREE.Vector3());
    const squares = Math.min(Math.max(2 * Math.ceil(Math.max(size.x, size.z) / square), 4), 200);
    this.grid = new THREE.GridHelper(squares * square, squares, INK, GRID);
    this.grid.position.set(middle.x, box.min.y, middle.z);
    this.add(this.grid);
  }
}
