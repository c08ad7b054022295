import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Content, Triple } from "@/api/types";
import { useSheetImage } from "@/stores/image";
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

/** as decal, as stripe round the model at one height, or along a path from click to click */
export type PlacedAs = "surface" | "level" | "path";

/** share of the model's size that a new decal is wide */
const SHARE = 0.25;
/** width of a new stripe, as a share of that */
const STRIPE = 0.25;
/** share of the model's size within which a spot of a path is meant */
const NEAR = 0.02;

/** Putting decals on the model by pointing at it, and moving them there. */
export const usePlacing = defineStore("placing", () => {
  const jobs = useJob();
  const selection = useSelection();
  const adding = useAdding();
  const images = useSheetImage();
  /** what the next click on the model puts there, with its proportions */
  const next = shallowRef<{
    content: NewContent;
    aspect: number;
    as: PlacedAs;
  } | null>(null);
  /** where the path that is being drawn has been led */
  const led = shallowRef<ModelSpot[]>([]);
  /** which spot of the picked path follows the hand */
  const held = ref<number | null>(null);
  /** the stage that decals are moved on is open */
  const open = ref(false);
  /** what follows the hand */
  const shown = shallowRef<ShownDecal | null>(null);

  /** the picked layer, where it is a decal that may be moved */
  const layer = computed(() => {
    const own = open.value ? jobs.layers.find(({ id }) => id === selection.layer) : undefined;
    return own && !own.locked ? own : null;
  });
  const picked = computed(() => {
    const place = layer.value?.place;
    return place?.kind === "surface" || place?.kind === "level" ? { ...layer.value!, place } : null;
  });
  /** the picked layer's path, where it has one */
  const path = computed(() => (layer.value?.place.kind === "path" ? layer.value.place : null));
  /** the line that is shown: what is drawn, or the picked path with what follows the hand; whether it is closed */
  const line = computed(() => {
    const following = shown.value?.at;
    if (next.value?.as === "path")
      return { spots: [...led.value.map(({ at }) => at), ...(following ? [following] : [])], closed: false };
    if (!path.value || next.value) return null;
    const spots = path.value.spots.map(({ at }, i) => (i === held.value && following ? following : at));
    return { spots, closed: path.value.back };
  });

  const size_mm = () => {
    const { min, max } = jobs.job!.bounds_mm;
    return Math.max(...max.map((high, axis) => high - min[axis]!));
  };
  const usual_mm = () => SHARE * size_mm();
  const stripe_mm = () => STRIPE * usual_mm();
  /** letters keep their proportions, others go over the whole line */
  const beside = (content: NewContent) => ({ height_mm: stripe_mm(), all_round: content.kind !== "lettering" });
  const lookOf = (content: NewContent | Content) => ({
    picture:
      content.kind === "picture"
        ? api.urls.picture(jobs.job!.id, typeof content.picture === "string" ? content.picture : content.picture.digest)
        : null,
    color: "color" in content ? (content.color ?? null) : null,
  });

  /** Shows at a spot what is put there, or moved; nothing without a spot. */
  function show(spot: ModelSpot | null) {
    const unit = jobs.job!.unit_mm ?? 1;
    const moved = picked.value;
    if (!spot) shown.value = null;
    else if (next.value) {
      const width = usual_mm() / unit;
      const { content, aspect, as } = next.value;
      const height = as === "surface" ? width / aspect : stripe_mm() / unit;
      const of = as === "path" ? { width: height, height } : { width, height };
      shown.value = { ...spot, ...lookOf(content), ...of, turn_deg: 0 };
    } else if (held.value !== null && path.value) {
      const side = path.value.height_mm / unit;
      shown.value = { ...spot, ...lookOf(layer.value!.content), width: side, height: side, turn_deg: 0 };
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
    if (!next.value) images.foresee(spot && moving(spot));
  }

  async function put(spot: ModelSpot) {
    const { face, at } = spot;
    const from = next.value;
    if (from?.as === "path") {
      led.value = [...led.value, spot];
      return;
    }
    const moved = moving(spot);
    next.value = null;
    if (from) {
      const place =
        from.as === "level"
          ? { kind: "level" as const, face, at, ...beside(from.content) }
          : { kind: "surface" as const, face, at, width_mm: usual_mm() };
      await adding.add({ content: from.content, place });
    } else if (moved) {
      images.letGo(moved);
      const put = shown.value;
      const leaveIt = () => shown.value === put && (shown.value = held.value = null);
      // It is seen where it was put before the rest of that is known.
      const seen = watch(() => images.early, leaveIt, { flush: "sync" });
      if (!(await jobs.operate(moved.name, moved.parameters))) images.foresee(null);
      seen();
      leaveIt();
      return;
    }
    shown.value = held.value = null;
  }

  /** What becomes of the picked layer, or of the spot of its path that is held, at a spot of the model. */
  function moving({ face, at }: ModelSpot) {
    const spots = path.value?.spots;
    const place =
      spots && held.value !== null
        ? { spots: spots.map((own, i) => (i === held.value ? { face, at } : own)) }
        : picked.value && { face, at };
    return place && layer.value && { name: "change_layer" as const, parameters: { id: layer.value.id, place } };
  }

  /** Lays what is to be put there along edges or a rim. */
  const along = (content: NewContent, by: { edges: number[] } | { rim_of: number }) =>
    adding.add({ content, place: { kind: "path", ...beside(content), ...by } });

  /** The spot of the picked path that is meant by a place of the model. */
  function spotNear(at: Triple): number | null {
    const spots = path.value?.spots ?? [];
    const reach = (NEAR * size_mm()) / (jobs.job!.unit_mm ?? 1);
    const far = spots.map((spot) => Math.hypot(...spot.at.map((value, axis) => value - at[axis]!)));
    const least = Math.min(...far);
    return least <= reach ? far.indexOf(least) : null;
  }

  /** Ends the path that is drawn, and lays what it is for. */
  async function finish() {
    const from = next.value;
    if (from?.as !== "path" || led.value.length < 2) return;
    const spots = led.value.map(({ face, at }) => ({ face, at }));
    leave();
    await adding.add({ content: from.content, place: { kind: "path", spots, ...beside(from.content) } });
  }

  /** Takes the last spot of the path back. */
  function back() {
    led.value = led.value.slice(0, -1);
  }

  function leave() {
    images.foresee(null);
    next.value = shown.value = held.value = null;
    led.value = [];
  }

  return { next, open, shown, picked, path, line, led, held, show, put, along, spotNear, finish, back, leave };
});
