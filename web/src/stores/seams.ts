import { defineStore } from "pinia";
import { computed, ref, watch } from "vue";
import { api } from "@/api/client";
import type { Pieces, Symmetry } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "./job";

interface Cuts {
  cut: Int32Array;
  /** the piece of each triangle, once seams are drawn; null before */
  tints: Int32Array | null;
  pieces: Pieces | null;
  symmetry: Symmetry | null;
}

const NONE: Cuts = { cut: new Int32Array(), tints: null, pieces: null, symmetry: null };

/** Where the surface is cut, what the cuts part it into, and the plane of symmetry that cuts may follow. */
export const useSeams = defineStore("seams", () => {
  const jobs = useJob();
  /** a stage shows seams: only then are they asked for */
  const active = ref(false);
  /** what the hand picks is cut or closed at once */
  const direct = ref(false);
  /** the same is done on the other side of the plane of symmetry */
  const mirrored = ref(false);

  /** what the seams shown are of; none while no stage shows them */
  const subject = () =>
    jobs.job && active.value ? [jobs.job.id, jobs.job.surface, jobs.job.seams ?? "map"].join("-") : null;
  const { value, ask, forget } = useAnswer<Cuts>({ goodFor: subject, keep: true });
  const cuts = computed(() => value.value ?? NONE);

  async function load(id: string, revision: number): Promise<Cuts> {
    const { surface, seams } = jobs.job!;
    const names = ["seams", ...(seams ? ["triangle_pieces" as const] : [])] as const;
    const [arrays, pieces, symmetry] = await Promise.all([
      api.arrays(id, names, revision, `${surface}-${seams ?? "map"}`),
      api.pieces(id, revision),
      api.symmetry(id, revision),
    ]);
    const tints = seams ? new Int32Array(arrays.triangle_pieces) : null;
    return { cut: new Int32Array(arrays.seams), tints, pieces, symmetry };
  }
  watch(subject, (now) => (now === null ? forget() : ask(load)), { immediate: true });

  const cut = computed(() => cuts.value.cut);
  const tints = computed(() => cuts.value.tints);
  const pieces = computed(() => cuts.value.pieces);
  const symmetry = computed(() => cuts.value.symmetry);
  const symmetric = computed(() => symmetry.value?.plane != null);
  const bothSides = computed(() => symmetric.value && mirrored.value);

  async function mark(edges: number[], cutting: boolean): Promise<boolean> {
    const done = await jobs.operate("mark_seams", { edges, cut: cutting, mirrored: bothSides.value });
    // The next click must not wait for the seams to be asked for anew.
    const kept = [...cut.value].filter((edge) => !edges.includes(edge));
    if (done) value.value = { ...cuts.value, cut: new Int32Array(cutting ? [...kept, ...edges] : kept) };
    return done;
  }

  return { active, cut, tints, pieces, symmetry, symmetric, direct, mirrored, bothSides, mark };
});
