import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Pieces, Symmetry } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** Where the surface is cut, what the cuts part it into, and the plane of symmetry that cuts may follow. */
export const useSeams = defineStore("seams", () => {
  const jobs = useJob();
  const messages = useMessages();
  /** a stage shows seams: only then are they asked for */
  const active = ref(false);
  const cut = shallowRef<Int32Array>(new Int32Array());
  /** the piece of each triangle, once seams are drawn; null before */
  const tints = shallowRef<Int32Array | null>(null);
  const pieces = shallowRef<Pieces | null>(null);
  const symmetry = shallowRef<Symmetry | null>(null);
  /** what the hand picks is cut or closed at once */
  const direct = ref(false);
  /** the same is done on the other side of the plane of symmetry */
  const mirrored = ref(false);
  let turn = 0;

  async function load() {
    const mine = ++turn;
    const job = jobs.job;
    if (!job || !active.value) {
      cut.value = new Int32Array();
      tints.value = pieces.value = symmetry.value = null;
      return;
    }
    const get = (name: "seams" | "triangle_pieces", version: string) => api.array(job.id, name, job.revision, version);
    try {
      const [seams, triangles, found, plane] = await Promise.all([
        get("seams", `${job.surface}-${job.seams ?? "map"}`),
        job.seams ? get("triangle_pieces", `${job.surface}-${job.seams}`) : null,
        api.pieces(job.id, job.revision),
        api.symmetry(job.id, job.revision),
      ]);
      if (mine !== turn) return;
      cut.value = new Int32Array(seams);
      tints.value = triangles && new Int32Array(triangles);
      pieces.value = found;
      symmetry.value = plane;
    } catch (error) {
      if (mine === turn) messages.fail(error);
    }
  }
  watch(() => jobs.job && [active.value, jobs.job.id, jobs.job.surface, jobs.job.seams].join(), load, {
    immediate: true,
  });

  const symmetric = computed(() => symmetry.value?.plane != null);
  const bothSides = computed(() => symmetric.value && mirrored.value);

  async function mark(edges: number[], cutting: boolean): Promise<boolean> {
    const done = await jobs.operate("mark_seams", { edges, cut: cutting, mirrored: bothSides.value });
    // The next click must not wait for the seams to be asked for anew.
    const kept = [...cut.value].filter((edge) => !edges.includes(edge));
    if (done) cut.value = new Int32Array(cutting ? [...kept, ...edges] : kept);
    return done;
  }

  return { active, cut, tints, pieces, symmetry, symmetric, direct, mirrored, bothSides, mark };
});
