import { defineStore } from "pinia";
import { computed, watch } from "vue";
import type { ArrayName } from "@/api/answers";
import { api } from "@/api/client";
import { useAnswer } from "@/composables/useAnswer";
import { Elements } from "@/picking/elements";
import { useJob } from "./job";

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

export const SURFACE_ARRAYS: readonly ArrayName[] = Object.values({ ...FLOATS, ...INTEGERS });

/** A surface of its arrays by their names. */
export function surfaceOf(arrays: Record<string, ArrayBuffer>): Surface {
  const floats = Object.entries(FLOATS).map(([name, sent]) => [name, new Float32Array(arrays[sent]!)]);
  const integers = Object.entries(INTEGERS).map(([name, sent]) => [name, new Int32Array(arrays[sent]!)]);
  return Object.fromEntries([...floats, ...integers]) as Surface;
}

/** The big arrays of the job on the screen. */
export const useSurface = defineStore("surface", () => {
  const jobs = useJob();
  /** what the arrays are of: they change with the surface, points with their places on the sheet too */
  const subject = () =>
    jobs.job &&
    [jobs.job.id, jobs.job.surface, jobs.job.placements, jobs.job.sheet.width_px, jobs.job.sheet.height_px].join();
  const { value, asking, ask, forget } = useAnswer<{ digest: string; surface: Surface; points: Float32Array }>({
    goodFor: subject,
    keep: true,
  });

  async function load(id: string, revision: number) {
    const { surface: digest, placements, sheet } = jobs.job!;
    const known = value.value?.digest === digest ? value.value.surface : null;
    const names: ArrayName[] = known ? ["points"] : ["points", ...SURFACE_ARRAYS];
    const version = `${digest}-${placements}-${sheet.width_px}x${sheet.height_px}`;
    const arrays = await api.arrays(id, names, revision, version);
    return { digest, surface: known ?? surfaceOf(arrays), points: new Float32Array(arrays.points!) };
  }
  watch(subject, (now) => (now === null ? forget() : ask(load)), { immediate: true });

  const surface = computed(() => value.value?.surface ?? null);
  /** P x 2, px on the sheet, in step with the surface */
  const points = computed(() => value.value?.points ?? null);
  /** Its faces, edges and corners, to be picked and drawn; sorted out when they are first asked for. */
  const elements = computed(() => surface.value && new Elements(surface.value));
  const loading = computed(() => asking.value && value.value?.digest !== jobs.job?.surface);

  return { surface, points, elements, loading };
});
