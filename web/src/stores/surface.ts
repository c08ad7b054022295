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
  /** N x 3 */
  bareVertices: Int32Array;
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
  /** E: the edge of the model that each edge of the map is; P: the vertex that each point is */
  edgeMeshEdges: Int32Array;
  pointVertices: Int32Array;
  /** V x 3, model units; M x 2, the vertices that edges of the model join */
  vertices: Float32Array;
  meshEdges: Int32Array;
}

const FLOATS = {
  positions: "positions",
  barePositions: "bare_positions",
  normals: "normals",
  vertices: "vertices",
} as const;
const INTEGERS = {
  bareFaces: "bare_faces",
  bareVertices: "bare_vertices",
  trianglePoints: "triangle_points",
  triangleIslands: "triangle_islands",
  triangleFaces: "triangle_faces",
  triangleParts: "triangle_parts",
  pointIslands: "point_islands",
  edges: "edges",
  edgeOutlines: "edge_outlines",
  edgeNeighbours: "edge_neighbours",
  edgeMeshEdges: "edge_mesh_edges",
  pointVertices: "point_vertices",
  meshEdges: "mesh_edges",
} as const;

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
        const [placed, ...arrays] = await Promise.all([
          get("points", placements),
          ...Object.values({ ...FLOATS, ...INTEGERS }).map((name) => get(name)),
        ]);
        if (mine !== turn) return;
        const names = Object.keys({ ...FLOATS, ...INTEGERS });
        surface.value = Object.fromEntries(
          names.map((name, i) => [name, name in FLOATS ? new Float32Array(arrays[i]!) : new Int32Array(arrays[i]!)]),
        ) as unknown as Surface;
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
    () =>
      jobs.job &&
      [jobs.job.id, jobs.job.surface, jobs.job.placements, jobs.job.sheet.width_px, jobs.job.sheet.height_px].join(),
    () => {
      const job = jobs.job;
      if (job)
        void load(job.id, job.revision, job.surface, `${job.placements}-${job.sheet.width_px}x${job.sheet.height_px}`);
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
