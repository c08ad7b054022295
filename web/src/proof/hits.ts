import * as THREE from "three";
import type { Surface } from "@/stores/surface";

/** One face under the pointer. */
export interface Hit {
  face: number;
  /** null: it has no place on the sheet */
  island: number | null;
  part: number | null;
  /** model units */
  point: [number, number, number];
  /** outwards, as the face is wound */
  normal: [number, number, number];
}

/** Hits as near to each other as this share of the model's size are in one place. */
export const SAME_PLACE = 1e-4;

/**
 * The faces a ray meets: the nearest and those that lie in the same place; where the model is seen through, all that
 * lie behind each other.
 *
 * @param samePlace hits no farther than this behind the nearest lie in its place, in model units
 */
export function hitsAlong(
  ray: THREE.Raycaster,
  [model, bare]: [THREE.Mesh, THREE.Mesh | null],
  surface: Surface,
  samePlace: number,
  seeThrough: boolean,
): Hit[] {
  const found = ray.intersectObjects(bare ? [model, bare] : [model]);
  const reach = (found[0]?.distance ?? 0) + samePlace;
  const hits = found.filter(
    (hit) => (seeThrough || hit.distance <= reach) && hit.faceIndex !== undefined && hit.faceIndex !== null,
  );
  const index = model.geometry.index;
  const triangle = (hit: THREE.Intersection) => {
    if (hit.object === bare) return surface.triangleFaces.length + hit.faceIndex!;
    return index ? Math.floor(index.getX(3 * hit.faceIndex!) / 3) : hit.faceIndex!;
  };
  // Of faces in one place chance says which comes first; their order in the file is always the same.
  const rows = hits
    .map((hit) => ({
      k: triangle(hit),
      near: hit.distance <= reach,
      point: hit.point.toArray(),
      normal: hit.face!.normal.toArray(),
    }))
    .sort((a, b) => Number(b.near) - Number(a.near) || (a.near ? a.k - b.k : 0));
  return rows
    .map(({ k, point, normal }) => ({
      face: surface.triangleFaces[k] ?? surface.bareFaces[k - surface.triangleFaces.length]!,
      island: surface.triangleIslands[k] ?? null,
      part: surface.triangleParts[k] ?? null,
      point,
      normal,
    }))
    .filter((hit, i, all) => all.findIndex((other) => other.face === hit.face) === i);
}
