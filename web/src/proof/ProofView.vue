<script setup lang="ts">
/** The model with the composed sheet on it. */
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { useElementSize } from "@vueuse/core";
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from "vue";
import type { Pair } from "@/api/types";
import { useKeys } from "@/composables/useKeys";
import PickBar from "@/hand/PickBar.vue";
import { useHand } from "@/hand/useHand";
import { usePickElements } from "@/hand/usePickElements";
import { useBench } from "@/stores/bench";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import EnlargeButton from "@/ui/EnlargeButton.vue";
import LookLegend from "./LookLegend.vue";
import ProofAids from "./ProofAids.vue";
import { VIEWS, type ViewName } from "./eye";
import { ProofScene } from "./scene";
import { usePickIsland, type HitsAt } from "./tools/usePickIsland";
import { usePlaceDecal } from "./tools/usePlaceDecal";
import { useProofPasses } from "./useProofPasses";

const props = defineProps<{
  /** faces, edges and corners can be picked, and seams are shown */
  cutting: boolean;
}>();

const bench = useBench();
const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const surfaces = useSurface();
const images = useSheetImage();

const holder = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const scene = shallowRef<ProofScene>();
const unable = ref(false);
/** a picture is due */
const drawing = ref(false);
const { width, height } = useElementSize(holder);
const views = Object.keys(VIEWS) as ViewName[];
const MEASURED = { chart: "Test chart", checker: "Checker", stretch: "Stretch", density: "Density" } as const;
const LIGHTS = { even: "Even light", shaded: "Shaded" } as const;
/** narrower than this, the bars are lists, px */
const NARROW = 340;
const narrow = computed(() => width.value > 0 && width.value < NARROW);
const optionsOf = (choices: object) => Object.entries(choices).map(([value, text]) => ({ value, text }));
const LOOKS = computed(() => ({
  art: "Art",
  ...(jobs.job?.fit_setup.shown == null ? {} : { underlay: "Underlay" }),
  ...MEASURED,
}));

onMounted(() => {
  try {
    scene.value = new ProofScene(canvas.value!);
    scene.value.onEye = (eye) => (selection.eye = eye);
    scene.value.onDue = (due) => (drawing.value = due);
  } catch {
    unable.value = true;
  }
});
onBeforeUnmount(() => scene.value?.dispose());

watch([scene, width, height], () => scene.value?.resize(width.value, height.value));
useProofPasses(scene, () => props.cutting);

const hitsAt: HitsAt = ([x, y]) =>
  (surfaces.surface && scene.value?.hitsAt(x, y, surfaces.surface, settings.proof.see_through)) || [];
const elements = usePickElements({
  on: () => props.cutting,
  underAt: (at) => {
    const hit = hitsAt(at)[0];
    return hit && surfaces.elements ? surfaces.elements.onModel(hit.face, hit.point) : null;
  },
  boxFrom: (from, to) => ({
    corners: [...clip(from), ...clip(to)],
    view: scene.value!.viewMatrix(),
    see_through: settings.proof.see_through,
  }),
});
const decal = usePlaceDecal(hitsAt);
const hand = useHand(canvas, [elements.tool, decal.tool, usePickIsland(hitsAt)]);
const dragged = computed(() => elements.pulling.value || decal.holding.value);
watch([scene, dragged], () => scene.value?.setTurning(!dragged.value), { flush: "sync" });
useKeys({ Escape: () => dragged.value && hand.leave() });

const TURNS: Record<string, [number, number, number]> = {
  ArrowLeft: [-1, 0, 1],
  ArrowRight: [1, 0, 1],
  ArrowUp: [0, 1, 1],
  ArrowDown: [0, -1, 1],
  "+": [0, 0, 0.8],
  "-": [0, 0, 1.25],
};
const TURN = Math.PI / 12;
function turn(event: KeyboardEvent) {
  const way = event.ctrlKey || event.altKey || event.metaKey ? undefined : TURNS[event.key];
  if (!way) return;
  event.preventDefault();
  event.stopPropagation();
  scene.value?.turn(way[0] * TURN, way[1] * TURN, way[2]);
}

/** A place of the view in clip space. */
const clip = ([x, y]: Pair): Pair => [(x / width.value) * 2 - 1, 1 - (y / height.value) * 2];
</script>

<template>
  <section ref="holder" class="proof-view" aria-label="Proof" :aria-busy="drawing">
    <canvas
      ref="canvas"
      tabindex="0"
      role="application"
      aria-label="The model with the sheet on it: arrows turn it, plus and minus draw it nearer and farther"
      :data-revision="images.revision"
      :style="{ cursor: hand.cursor.value }"
      @keydown="turn"
    ></canvas>
    <span v-if="images.busy" class="waiting spinner-border spinner-border-sm" role="status" aria-label="Drawing"></span>
    <div v-if="elements.box.value" class="pick-box" :style="elements.box.value"></div>
    <div class="bar top d-flex flex-wrap justify-content-between gap-2">
      <template v-if="narrow">
        <BFormSelect
          v-model="settings.look"
          size="sm"
          class="looks"
          aria-label="Shown on sheet and model"
          :options="optionsOf(LOOKS)"
        />
        <BFormSelect v-model="settings.light" size="sm" class="looks" aria-label="Light" :options="optionsOf(LIGHTS)" />
      </template>
      <template v-else>
        <ChoiceBar v-model="settings.look" look label="Shown on sheet and model" :choices="LOOKS" />
        <ChoiceBar v-model="settings.light" label="Light" :choices="LIGHTS" />
      </template>
      <span v-if="!narrow" class="governs">shown on sheet and model</span>
    </div>
    <PickBar v-if="cutting && bench.alone === 'proof'" class="pick-bar" />
    <ProofAids />
    <div class="bar bottom d-flex gap-1" role="group" aria-label="Look from">
      <BFormSelect
        v-if="narrow"
        :model-value="null"
        size="sm"
        aria-label="Look from"
        :options="[{ value: null, text: 'Look from' }, ...views]"
        @update:model-value="$event && scene?.look($event as ViewName)"
      />
      <BButton
        v-for="name in narrow ? [] : views"
        :key="name"
        variant="outline-secondary"
        size="sm"
        class="flex-fill px-1"
        @click="scene?.look(name)"
      >
        {{ name }}
      </BButton>
      <EnlargeButton view="proof" />
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
canvas:focus-visible {
  outline-offset: -2px;
}
.bar,
.legend,
.unable {
  position: absolute;
  left: 10px;
  right: 10px;
}
.waiting {
  position: absolute;
  top: 84px;
  right: 14px;
  animation-duration: 1s;
}
@media (prefers-reduced-motion: reduce) {
  .waiting {
    animation: none;
  }
}
.top {
  top: 10px;
}
.governs {
  align-self: center;
  margin-right: auto;
  color: var(--proof-ink);
  font-size: 11px;
}
.pick-bar {
  top: 84px;
  left: 10px;
}
.looks {
  width: auto;
  flex: 1;
}
.bottom {
  bottom: 10px;
}
.legend,
.unable {
  bottom: 44px;
  margin: 0;
  padding: 6px 9px;
  border-left: 3px solid var(--verdigris);
  border-radius: 0 5px 5px 0;
  background: var(--bs-tertiary-bg);
  font-size: 12px;
}
</style>
