<script setup lang="ts">
/** The model with the composed sheet on it. */
import { useElementSize } from "@vueuse/core";
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from "vue";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import { edgeLines, nearestEdge } from "./edges";
import LookLegend from "./LookLegend.vue";
import ProofAids from "./ProofAids.vue";
import { VIEWS, type ViewName } from "./eye";
import { ProofScene } from "./scene";

const props = defineProps<{ cutting: boolean }>();

const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const surfaces = useSurface();
const images = useSheetImage();
const visibility = useVisibility();
const seams = useSeams();
const picksEdges = computed(() => props.cutting && seams.picking);

const holder = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const scene = shallowRef<ProofScene>();
const unable = ref(false);
const { width, height } = useElementSize(holder);
const views = Object.keys(VIEWS) as ViewName[];
const LOOKS = { art: "Art", chart: "Test chart", checker: "Checker", stretch: "Stretch", density: "Density" } as const;
const pressed = ref<[number, number] | null>(null);

onMounted(() => {
  try {
    scene.value = new ProofScene(canvas.value!);
    scene.value.onEye = (eye) => (selection.eye = eye);
  } catch {
    unable.value = true;
  }
});
onBeforeUnmount(() => scene.value?.dispose());

watch([scene, width, height], () => scene.value?.resize(width.value, height.value));
watch([scene, () => surfaces.surface], ([view, surface]) => {
  if (view && surface) view.setSurface(surface);
});
watch([scene, () => surfaces.points], ([view, points]) => {
  if (view && points && jobs.job) view.setPoints(points, jobs.job.sheet);
});
watch([scene, () => images.image], ([view, image]) => {
  if (view && image) view.setImage(image);
});
watch([scene, () => surfaces.surface, () => settings.light], () => scene.value?.setLight(settings.light));
watch([scene, () => surfaces.surface, () => props.cutting, () => seams.net, () => seams.cut, () => seams.picked, () => seams.hovered], () => {
  const picked = seams.picking && seams.hovered !== null ? [...seams.picked, seams.hovered] : [...seams.picked];
  scene.value?.setSeams(props.cutting ? edgeLines(seams.net, seams.cut) : [], props.cutting ? edgeLines(seams.net, picked) : []);
});
watch([scene, () => surfaces.surface, () => props.cutting, () => seams.tints], () => scene.value?.setTints(props.cutting ? seams.tints : null));
watch([scene, () => surfaces.surface, () => visibility.hidden], () => scene.value?.setHidden(visibility.hidden));
watch([scene, () => surfaces.surface, () => settings.proof, () => jobs.job?.unit_mm], () => scene.value?.setAids(settings.proof, 10 / (jobs.job?.unit_mm ?? 1)), { deep: true });
watch([scene, () => surfaces.surface, () => selection.islands, () => selection.hovered], () => {
  const hovered = selection.hovered === null ? [] : [selection.hovered];
  scene.value?.setOutlined([...selection.islands, ...hovered]);
});
watch([scene, () => surfaces.surface, () => selection.spot], ([view, , spot], [, , before]) => {
  view?.setLit(spot?.faces ?? []);
  if (spot && spot !== before) view?.lookAtSpot(spot.faces, spot.islands);
});

/** What lies in one place under the pointer, and which of it was picked last. */
let pile: { key: string; at: number } = { key: "", at: 0 };

function press(event: PointerEvent) {
  pressed.value = [event.offsetX, event.offsetY];
  look(event);
}

function hover(event: PointerEvent) {
  if (event.buttons === 0) look(event);
}

function look(event: PointerEvent) {
  if (picksEdges.value) {
    const at = scene.value?.hitsAt(event.offsetX, event.offsetY)[0]?.point;
    seams.hovered = at && seams.net ? nearestEdge(seams.net, at) : null;
    return;
  }
  const hits = scene.value?.hitsAt(event.offsetX, event.offsetY) ?? [];
  const key = hits.map((hit) => hit.face).join();
  if (key !== pile.key) pile = { key, at: 0 };
  selection.hovered = hits[pile.at]?.island ?? null;
  selection.touched = hits[pile.at]?.point ?? null;
  const names = hits.map((hit) => jobs.job?.parts[hit.part]?.name ?? "");
  if (names.join() !== selection.stacked.join()) selection.stacked = names;
}

function release(event: PointerEvent) {
  const from = pressed.value;
  if (!from || Math.hypot(event.offsetX - from[0], event.offsetY - from[1]) > 4) return;
  const hits = scene.value?.hitsAt(event.offsetX, event.offsetY) ?? [];
  if (picksEdges.value) {
    if (seams.hovered !== null && hits[0]) void seams.click(seams.hovered, hits[0].point, { shift: event.shiftKey, again: event.detail > 1 || event.ctrlKey });
    return;
  }
  const hit = hits[pile.at] ?? null;
  selection.pick(hit?.island ?? null, event.shiftKey);
  if (hits.length > 1) {
    selection.spot = { faces: [hit!.face], islands: [] };
    pile.at = (pile.at + 1) % hits.length;
  }
}

function leave() {
  seams.hovered = null;
  selection.hovered = null;
  selection.touched = null;
  selection.stacked = [];
}
</script>

<template>
  <section ref="holder" class="proof-view" aria-label="Proof">
    <canvas
      ref="canvas"
      role="img"
      aria-label="The model with the sheet on it"
      :data-revision="images.revision"
      @pointerdown="press"
      @pointermove="hover"
      @pointerup="release"
      @pointerleave="leave"
    ></canvas>
    <div class="bar top">
      <ChoiceBar v-model="settings.look" label="What the model wears" :choices="LOOKS" />
      <ChoiceBar v-model="settings.light" label="Light" :choices="{ even: 'Even light', shaded: 'Shaded' }" />
    </div>
    <ProofAids />
    <div class="bar bottom" role="group" aria-label="Look from">
      <button v-for="name in views" :key="name" type="button" @click="scene?.look(name)">{{ name }}</button>
    </div>
    <LookLegend class="legend" />
    <p v-if="unable" class="unable">This browser shows no 3D (WebGL 2 is off), so there is no proof. The sheet works as usual.</p>
  </section>
</template>

<style scoped>
.proof-view {
  position: relative;
  overflow: hidden;
  min-width: 0;
  background: var(--proof);
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
}
.bar {
  position: absolute;
  left: 10px;
  right: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.top {
  top: 10px;
  justify-content: space-between;
}
.bottom {
  bottom: 10px;
  gap: 4px;
}
.bottom button {
  flex: 1 1 auto;
  padding: 3px 5px;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--panel);
  color: var(--ink);
  font-size: 12px;
}
.bottom button:hover {
  border-color: var(--ink-soft);
}
.legend,
.unable {
  position: absolute;
  left: 10px;
  right: 10px;
  bottom: 44px;
  margin: 0;
  padding: 6px 9px;
  border-left: 3px solid var(--verdigris);
  border-radius: 0 5px 5px 0;
  background: var(--panel);
  font-size: 12px;
}
</style>
