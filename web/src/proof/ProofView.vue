<script setup lang="ts">
/** The model with the composed sheet on it. */
import { useElementSize } from "@vueuse/core";
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from "vue";
import type { Pair } from "@/api/types";
import { useKeys } from "@/composables/useKeys";
import { useHand } from "@/hand/useHand";
import { usePickElements } from "@/hand/usePickElements";
import { useElements } from "@/stores/elements";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useMoving } from "@/stores/moving";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import LookLegend from "./LookLegend.vue";
import ProofAids from "./ProofAids.vue";
import { VIEWS, type ViewName } from "./eye";
import { ProofScene } from "./scene";
import { usePickIsland } from "./tools/usePickIsland";
import { useProofMarks } from "./useProofMarks";

const props = defineProps<{
  /** faces, edges and corners can be picked, and seams are shown */
  cutting: boolean;
}>();

const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const surfaces = useSurface();
const images = useSheetImage();
const visibility = useVisibility();
const store = useElements();

const holder = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const scene = shallowRef<ProofScene>();
const unable = ref(false);
const { width, height } = useElementSize(holder);
const views = Object.keys(VIEWS) as ViewName[];
const SMALL_PX = 256 * 256;
const moving = useMoving();
const MEASURED = { chart: "Test chart", checker: "Checker", stretch: "Stretch", density: "Density" } as const;
const LOOKS = computed(() => ({
  art: "Art",
  ...(jobs.job?.fit_setup.shown == null ? {} : { underlay: "Underlay" }),
  ...MEASURED,
}));

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
watch([scene, () => surfaces.points, () => moving.now], ([view, points, now]) => {
  if (view && points && jobs.job) view.setPoints(points, jobs.job.sheet, now);
});
/** Px of a small picture are shown as squares by themselves. */
watch([scene, () => images.image, () => settings.pixels], ([view, image]) => {
  if (view && image)
    view.setImage(
      image,
      settings.pixels === "hard" ||
        (settings.pixels === "auto" && image.naturalWidth * image.naturalHeight <= SMALL_PX),
    );
});
watch([scene, () => surfaces.surface, () => settings.light], () => scene.value?.setLight(settings.light));
watch([scene, () => surfaces.surface, () => visibility.hidden], () => scene.value?.setHidden(visibility.hidden));
watch(
  [scene, () => surfaces.surface, () => settings.proof, () => jobs.job?.unit_mm],
  () => scene.value?.setAids(settings.proof, 10 / (jobs.job?.unit_mm ?? 1)),
  { deep: true },
);
watch([scene, () => surfaces.surface, () => selection.islands, () => selection.hovered], () => {
  const hovered = selection.hovered === null ? [] : [selection.hovered];
  scene.value?.setOutlined([...selection.islands, ...hovered]);
});
watch([scene, () => surfaces.surface, () => selection.spot], ([view, , spot], [, , before]) => {
  view?.setLit(spot?.faces ?? []);
  if (spot && spot !== before) view?.lookAtSpot(spot.faces, spot.islands);
});

useProofMarks(scene, () => props.cutting);
const elements = usePickElements({
  on: () => props.cutting,
  underAt: ([x, y]) => {
    const hit = scene.value?.hitsAt(x, y)[0];
    return hit && store.elements ? store.elements.onModel(hit.face, hit.point) : null;
  },
  boxFrom: (from, to) => ({
    corners: [...clip(from), ...clip(to)],
    view: scene.value!.viewMatrix(),
    see_through: settings.proof.see_through,
  }),
});
const hand = useHand(canvas, [elements.tool, usePickIsland(scene)]);
watch([scene, elements.pulling], () => scene.value?.setTurning(!elements.pulling.value), { flush: "sync" });
useKeys({ Escape: () => elements.pulling.value && hand.leave() });

/** A place of the view in clip space. */
const clip = ([x, y]: Pair): Pair => [(x / width.value) * 2 - 1, 1 - (y / height.value) * 2];
</script>

<template>
  <section ref="holder" class="proof-view" aria-label="Proof">
    <canvas
      ref="canvas"
      role="img"
      aria-label="The model with the sheet on it"
      :data-revision="images.revision"
      :style="{ cursor: hand.cursor.value }"
    ></canvas>
    <div v-if="elements.box.value" class="pick-box" :style="elements.box.value"></div>
    <div class="bar top">
      <ChoiceBar v-model="settings.look" label="What the model wears" :choices="LOOKS" />
      <ChoiceBar v-model="settings.light" label="Light" :choices="{ even: 'Even light', shaded: 'Shaded' }" />
    </div>
    <ProofAids />
    <div class="bar bottom" role="group" aria-label="Look from">
      <button v-for="name in views" :key="name" type="button" @click="scene?.look(name)">{{ name }}</button>
    </div>
    <LookLegend class="legend" />
    <p v-if="unable" class="unable">
      This browser shows no 3D (WebGL 2 is off), so there is no proof. The sheet works as usual.
    </p>
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
