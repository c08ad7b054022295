import { defineStore } from "pinia";
import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Pieces } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** The edges of the mesh, which of them are cut, and those picked to be cut or sewn up. */
export const useSeams = defineStore("seams", () => {
  const jobs = useJob();
  const messages = useMessages();
  /** the hand picks edges on the model */
  const picking = ref(false);
  const picked = shallowRef<ReadonlySet<number>>(new Set());
  /** edge under the pointer */
  const hovered = ref<number | null>(null);
  const cut = shallowRef<Int32Array>(new Int32Array());
  /** the piece of each triangle, once seams are drawn; null before */
  const tints = shallowRef<Int32Array | null>(null);
  const pieces = shallowRef<Pieces | null>(null);
  const net = shallowRef<{ vertices: Float32Array; edges: Int32Array } | null>(null);
  /** the vertex where the last picked edge ended, to go on from */
  let last: number | null = null;
  let shownNet = "";
  let turn = 0;

  async function load() {
    const mine = ++turn;
    const job = jobs.job;
    if (!job) {
      net.value = null;
      cut.value = new Int32Array();
      shownNet = "";
      clear();
      return;
    }
    const get = (name: "vertices" | "mesh_edges" | "seams" | "triangle_pieces", version: string) => api.array(job.id, name, job.revision, version);
    const newNet = shownNet !== job.surface;
    try {
      const [vertices, edges, seams, triangles, found] = await Promise.all([
        newNet ? get("vertices", job.surface) : null, newNet ? get("mesh_edges", job.surface) : null, get("seams", `${job.surface}-${job.seams ?? "map"}`),
        job.seams ? get("triangle_pieces", `${job.surface}-${job.seams}`) : null, api.pieces(job.id, job.revision),
      ]);
      if (mine !== turn) return;
      if (vertices && edges) {
        net.value = { vertices: new Float32Array(vertices), edges: new Int32Array(edges) };
        shownNet = job.surface;
        clear();
      }
      cut.value = new Int32Array(seams);
      tints.value = triangles && new Int32Array(triangles);
      pieces.value = found;
    } catch (error) {
      if (mine === turn) messages.fail(error);
    }
  }
  watch(() => jobs.job && [jobs.job.id, jobs.job.surface, jobs.job.seams].join(), load, { immediate: true });

  function clear() {
    picked.value = new Set();
    last = null;
  }

  function add(edges: Iterable<number>) {
    picked.value = new Set([...picked.value, ...edges]);
  }

  async function ask(how: Parameters<typeof api.pickEdges>[2], from: object) {
    const job = jobs.job;
    if (!job) return;
    try {
      const edges = await api.pickEdges(job.id, job.revision, how, from);
      add(edges);
      messages.say(edges.length === 0 ? "Nothing to pick that way" : `${edges.length} ${edges.length === 1 ? "edge" : "edges"} picked, ${picked.value.size} in all`);
    } catch (error) {
      messages.fail(error);
    }
  }

  /** The end of an edge that is nearer to a place on the model. */
  function nearEnd(edge: number, at: readonly number[]): number {
    const { vertices, edges } = net.value!;
    const far = [0, 1].map((end) => {
      const vertex = edges[2 * edge + end]!;
      return Math.hypot(...[0, 1, 2].map((axis) => vertices[3 * vertex + axis]! - at[axis]!));
    });
    return edges[2 * edge + (far[0]! <= far[1]! ? 0 : 1)]!;
  }

  /** A click: one edge; with Shift the shortest run from where the last one ended; a second click on it, its whole loop. */
  async function click(edge: number, at: readonly number[], held: { shift: boolean; again: boolean }) {
    const end = nearEnd(edge, at);
    if (held.again) await ask("loop", { edge });
    else if (held.shift && last !== null) await ask("run", { from: last, to: end });
    else if (picked.value.has(edge)) picked.value = new Set([...picked.value].filter((one) => one !== edge));
    else add([edge]);
    last = end;
  }

  return { picking, picked, hovered, cut, net, tints, pieces, clear, ask, click };
});
