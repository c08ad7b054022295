import * as THREE from "three";
import { Line2 } from "three/examples/jsm/lines/Line2.js";
import { LineGeometry } from "three/examples/jsm/lines/LineGeometry.js";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import type { Triple } from "@/api/types";

const COLOR = 0x1f6f5c;
const LINE_PX = 2;
const SPOT_PX = 9;

/** The spots of a path with the straight ways between them; how it runs on the surface is seen once it is laid. */
export class PathShown extends THREE.Group {
  private readonly line = new Line2(
    new LineGeometry(),
    new LineMaterial({ color: COLOR, linewidth: LINE_PX, depthTest: false, transparent: true }),
  );
  private readonly spots = new THREE.Points(
    new THREE.BufferGeometry(),
    new THREE.PointsMaterial({
      color: COLOR,
      size: SPOT_PX,
      sizeAttenuation: false,
      depthTest: false,
      transparent: true,
    }),
  );

  constructor() {
    super();
    this.add(this.line, this.spots);
    this.visible = false;
    this.renderOrder = 2;
  }

  draw(path: { spots: Triple[]; closed: boolean } | null) {
    this.visible = path !== null && path.spots.length > 0;
    if (!this.visible || !path) return;
    const { spots, closed } = path;
    this.spots.geometry.setAttribute("position", new THREE.Float32BufferAttribute(spots.flat(), 3));
    this.line.visible = spots.length > 1;
    if (!this.line.visible) return;
    this.line.geometry.dispose();
    this.line.geometry = new LineGeometry().setPositions((closed ? [...spots, spots[0]!] : spots).flat());
  }
}
