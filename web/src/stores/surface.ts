import { defineStore } from "pinia";
import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** Arrays that change only with the model or its cut. */
export interface Surface {
  /** K x 9, corners of triangles on the sheet, model units */
  positions: Float32Array;
  /** N x 9, corners of triangles without UVs */
  barePositions: Float32Array;
  bareFaces: Int32Array;
  /** K x 9, shading; empty where it follows the faces */
  normals: Float32Array;
  /** K x 3 */
  trianglePoints: Int32Array;
  triangleIslands: Int32Array;
  triangleFaces: Int32Array;
  triangleParts: Int32Array;
  pointIslands: Int32Array;
  /** E x 2 */
  edges: Int32Array;
  edgeOutlines: Int32Array;
  /** E: the island across an outline on the model, -1 where there is none */
  edgeNeighbours: Int32Array;
}

/** The big arrays of the job on the screen. */
export const useSurface = defineStore("surface", () => {
  const jobs = useJob();
  const messages = useMessages();
  const surface = shallowRef<Surface | null>(null);
  /** P x 2, px on the sheet, in step with the surface */
  const points = shallowRef<Float32Array | null>(null);
  const loading = ref(false);
  let shownSurface = "";
  let turn = 0;

  async function load(id: string, revision: number, digest: string, placements: string) {
    const mine = ++turn;
    const get = (name: Parameters<typeof api.array>[1], version = digest) => api.array(id, name, revision, version);
    loading.value = digest !== shownSurface;
    try {
      if (digest !== shownSurface) {
        const [positions, bare, bareFaces, normals, trianglePoints, triangleIslands, faces, parts, pointIslands, edges, outlines, neighbours, placed] = await Promise.all([
          get("positions"), get("bare_positions"), get("bare_faces"), get("normals"), get("triangle_points"), get("triangle_islands"), get("triangle_faces"),
          get("triangle_parts"), get("point_islands"), get("edges"), get("edge_outlines"), get("edge_neighbours"),
          get("points", placements),
        ]);
        if (mine !== turn) return;
        surface.value = {
          positions: new Float32Array(positions), barePositions: new Float32Array(bare), bareFaces: new Int32Array(bareFaces), normals: new Float32Array(normals),
          trianglePoints: new Int32Array(trianglePoints), triangleIslands: new Int32Array(triangleIslands), triangleFaces: new Int32Array(faces),
          triangleParts: new Int32Array(parts), pointIslands: new Int32Array(pointIslands), edges: new Int32Array(edges),
          edgeOutlines: new Int32Array(outlines), edgeNeighbours: new Int32Array(neighbours),
        };
        shownSurface = digest;
        points.value = new Float32Array(placed);
      } else {
        const newPoints = new Float32Array(await get("points", placements));
        if (mine === turn) points.value = newPoints;
      }
    } catch (error) {
      if (mine === turn) messages.fail(error);
    } finally {
      if (mine === turn) loading.value = false;
    }
  }

  watch(
    () => jobs.job && [jobs.job.id, jobs.job.surface, jobs.job.placements, jobs.job.sheet.width_px, jobs.job.sheet.height_px].join(),
    () => {
      const job = jobs.job;
      if (job) void load(job.id, job.revision, job.surface, `${job.placements}-${job.sheet.width_px}x${job.sheet.height_px}`);
      else {
        turn += 1;
        shownSurface = "";
        surface.value = points.value = null;
      }
    },
    { immediate: true },
  );

  return { surface, points, loading };
});
