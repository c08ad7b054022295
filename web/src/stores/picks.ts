import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { PickKind, Picks } from "@/api/types";
import { useQuestions } from "@/composables/useAnswer";
import { sameNet, type Under } from "@/picking/elements";
import { useJob } from "./job";
import { useMessages } from "./messages";
import { useSeams } from "./seams";
import { useSelection } from "./selection";
import { useSurface, type Surface } from "./surface";

export type PickedKind = PickKind | "islands";
export type Gesture = "click" | "box" | "stroke";
/** what is found is added to what is picked, or taken from it */
export type How = "add" | "remove";
type Way = keyof Picks;
/** a way with what it is given */
type Asked = { [W in Way]: [way: W, from: Picks[W]] }[Way];
type Sets = Record<PickKind, ReadonlySet<number>>;

const NOTHING: Sets = { faces: new Set(), edges: new Set(), corners: new Set() };
export const ONE: Record<PickedKind, string> = { islands: "island", faces: "face", edges: "edge", corners: "corner" };
export const counted = (count: number, kind: PickedKind) => `${count} ${count === 1 ? ONE[kind] : kind}`;

/**
 * Faces, edges and corners that are picked, each kind for itself, and how the hand picks them. Islands are picked in
 * the selection.
 */
export const usePicks = defineStore("picks", () => {
  const jobs = useJob();
  const seams = useSeams();
  const surfaces = useSurface();
  const selection = useSelection();
  const messages = useMessages();
  const kind = ref<PickedKind>("islands");
  const gesture = ref<Gesture>("click");
  const sets = shallowRef<Sets>(NOTHING);
  /** of the kind that is picked now: under the pointer, and passed over by a stroke that lasts */
  const hovered = ref<number | null>(null);
  const passed = shallowRef<ReadonlySet<number>>(new Set());
  /** what the last click was on, to go on from: a face, or else a vertex */
  let last: number | null = null;

  const count = computed(() => (kind.value === "islands" ? selection.islands.length : sets.value[kind.value].size));
  /** none while islands are picked */
  const part = computed<PickKind | null>(() => (kind.value === "islands" ? null : kind.value));

  // Picks outlast a change of the map, as long as the model is the same.
  let known: Surface | null = null;
  watch(
    () => surfaces.surface,
    (surface) => {
      if (!surface || (known && !sameNet(surface, known))) clear();
      known = surface;
    },
  );
  // Another job begins with islands.
  watch(
    () => jobs.job?.id,
    () => {
      kind.value = "islands";
      gesture.value = "click";
    },
  );
  watch(kind, () => (last = hovered.value = null), { flush: "sync" });

  function set(of: PickKind, found: Iterable<number>) {
    sets.value = { ...sets.value, [of]: new Set(found) };
  }

  function clear(of?: PickKind) {
    if (of) set(of, []);
    else sets.value = NOTHING;
    last = null;
  }

  function change(of: PickKind, found: number[], how: How) {
    const before = sets.value[of];
    const gone = new Set(how === "remove" ? found : []);
    set(of, how === "add" ? [...before, ...found] : [...before].filter((element) => !gone.has(element)));
    messages.say(
      found.length === 0
        ? "Nothing to pick that way"
        : `${counted(found.length, of)} ${how === "add" ? "picked" : "let go"}, ${sets.value[of].size} in all`,
    );
  }

  const question = useQuestions(() => jobs.job?.surface);

  /** Has the core find elements of a kind; none where it refuses or the job is another by then. */
  const find = <W extends Way>(of: PickKind, way: W, from: Picks[W]) =>
    question((id, revision) => api.pick(id, revision, way, of, from));

  /** Adds what the core finds to what is picked, or takes it away; "only" lets go what was picked before. */
  async function ask<W extends Way>(way: W, from: Picks[W], how: How | "only" = "add", of = part.value) {
    const found = of && (await find(of, way, from));
    if (!of || !found) return;
    if (how === "only") set(of, []);
    change(of, found, how === "remove" ? "remove" : "add");
  }

  /** What lies in a box; islands are those of which a face lies in it. */
  async function box(from: Picks["box"], how: How) {
    const found = await find(part.value ?? "faces", "box", from);
    if (found) await take(part.value ? found : (surfaces.elements?.islandsOf(found) ?? []), how);
  }

  /** What the hand has found: edges that are drawn directly are cut or closed, all else is picked or let go. */
  async function take(found: number[], how: How) {
    if (!part.value) {
      const others = selection.islands.filter((island) => !found.includes(island));
      selection.islands = how === "add" ? [...others, ...found] : others;
      messages.say(
        `${counted(found.length, "islands")} ${how === "add" ? "picked" : "let go"}, ${selection.islands.length} in all`,
      );
    } else if (part.value === "edges" && seams.direct && found.length > 0) await seams.mark(found, how === "add");
    else change(part.value, found, how);
  }

  /** The element under the pointer that would be picked. */
  function meant(under: Under | null): number | null {
    return under && { islands: under.island, faces: under.face, edges: under.edge, corners: under.corner }[kind.value];
  }

  /**
   * All that is meant when a click asks for more than one: with Ctrl a ring of faces or a loop, on a second click a
   * face's piece.
   */
  function whole(under: Under, again: boolean): Asked | null {
    if (kind.value === "faces" && again) return under.face === null ? null : ["piece", { picked: [under.face] }];
    if (kind.value === "faces") return under.side === null ? null : ["ring", { edge: under.side }];
    const edge = under.edge ?? under.side;
    return edge === null ? null : ["loop", { edge }];
  }

  async function click(under: Under, held: { shift: boolean; ctrl: boolean; again: boolean }) {
    const element = meant(under);
    const of = part.value;
    if (element === null || !of) return;
    const from = last;
    const now = of === "faces" ? under.face : of === "corners" ? under.corner : under.end;
    last = now;
    const more: Asked | null =
      held.again || held.ctrl
        ? whole(under, held.again && !held.ctrl)
        : held.shift && from !== null && now !== null
          ? ["run", { start: from, stop: now }]
          : null;
    if (more) {
      const found = await find(of, more[0], more[1]);
      if (found) await take(found, "add");
    } else {
      const there = of === "edges" && seams.direct ? seams.cut.includes(element) : sets.value[of].has(element);
      await take([element], there ? "remove" : "add");
    }
  }

  return { kind, part, gesture, sets, count, hovered, passed, set, clear, ask, box, take, meant, click };
});
