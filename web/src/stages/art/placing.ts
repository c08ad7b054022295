import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { api } from "@/api/client";
import type { Content, Triple } from "@/api/types";
import { useJob } from "@/stores/job";
import { useAdding, type NewContent } from "./adding";
import { useSelection } from "@/stores/selection";

/** A spot of the model under the pointer. */
export interface ModelSpot {
  face: number;
  at: Triple;
  /** outwards */
  normal: Triple;
}

/** What a decal looks like before it is settled: its picture or colour, and its size in model units. */
export interface ShownDecal extends ModelSpot {
  picture: string | null;
  color: string | null;
  width: number;
  height: number;
  turn_deg: number;
}

/** share of the model's size that a new decal is wide */
const SHARE = 0.25;
/** width of a new stripe, as a share of that */
const STRIPE = 0.25;

/** Putting decals on the model by pointing at it, and moving them there. */
export const usePlacing = defineStore("placing", () => {
  const jobs = useJob();
  const selection = useSelection();
  const adding = useAdding();
  /** what the next click on the model puts there, with its proportions */
  const next = shallowRef<{
    content: NewContent;
    aspect: number;
    as: "surface" | "level";
  } | null>(null);
  /** the stage that decals are moved on is open */
  const open = ref(false);
  /** what follows the hand */
  const shown = shallowRef<ShownDecal | null>(null);

  /** the picked layer, where it is a decal that may be moved */
  const picked = computed(() => {
    const layer = open.value ? jobs.layers.find(({ id }) => id === selection.layer) : undefined;
    const place = layer?.place;
    return (place?.kind === "surface" || place?.kind === "level") && !layer!.locked ? { ...layer!, place } : null;
  });

  const usual_mm = () => {
    const { min, max } = jobs.job!.bounds_mm;
    return SHARE * Math.max(...max.map((high, axis) => high - min[axis]!));
  };
  const stripe_mm = () => STRIPE * usual_mm();
  const lookOf = (content: NewContent | Content) => ({
    picture:
      content.kind === "picture"
        ? api.urls.picture(jobs.job!.id, typeof content.picture === "string" ? content.picture : content.picture.digest)
        : null,
    color: content.kind === "picture" ? null : (content.color ?? null),
  });

  /** Shows at a spot what is put there, or moved; nothing without a spot. */
  function show(spot: ModelSpot | null) {
    const unit = jobs.job!.unit_mm ?? 1;
    const moved = picked.value;
    if (!spot) shown.value = null;
    else if (next.value) {
      const width = usual_mm() / unit;
      const { content, aspect, as } = next.value;
      const height = as === "level" ? stripe_mm() / unit : width / aspect;
      shown.value = { ...spot, ...lookOf(content), width, height, turn_deg: 0 };
    } else if (moved) {
      const { place } = moved;
      const height = place.height_mm / unit;
      const width = place.kind === "level" ? usual_mm() / unit : place.width_mm / unit;
      shown.value = {
        ...spot,
        ...lookOf(moved.content),
        width,
        height,
        turn_deg: place.kind === "level" ? 0 : place.turn_deg,
      };
    }
  }

  async function put({ face, at }: ModelSpot) {
    const from = next.value;
    const moved = picked.value;
    next.value = null;
    if (from) {
      const place =
        from.as === "level"
          ? { kind: "level" as const, face, at, height_mm: stripe_mm() }
          : { kind: "surface" as const, face, at, width_mm: usual_mm() };
      await adding.add({ content: from.content, place });
    } else if (moved) await jobs.operate("change_layer", { id: moved.id, place: { face, at } });
    shown.value = null;
  }

  function leave() {
    next.value = shown.value = null;
  }

  return { next, open, shown, picked, show, put, leave };
});
