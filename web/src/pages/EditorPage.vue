<script setup lang="ts">
/** One job: sheet and proof side by side, the inspector of the stage, the island strip. */
import { PhCaretLeft, PhCaretUp } from "@/ui/icons";
import { BButton } from "bootstrap-vue-next";
import { computed, nextTick, onUnmounted, ref, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { useIslandKeys } from "@/composables/useIslandKeys";
import { useJobEvents } from "@/composables/useJobEvents";
import { useKeys } from "@/composables/useKeys";
import ProofView from "@/proof/ProofView.vue";
import SheetView from "@/sheet/SheetView.vue";
import { STAGES } from "@/stages";
import { useBench } from "@/stores/bench";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { usePacking } from "@/stages/layout/packing";
import { counted, usePicks } from "@/stores/picks";
import { usePreview } from "@/stores/preview";
import { useRelaxing } from "@/stages/cut/relaxing";
import { useSelection } from "@/stores/selection";
import BegunDialog from "@/ui/BegunDialog.vue";
import FirstSteps from "@/ui/FirstSteps.vue";
import IslandStrip from "@/ui/IslandStrip.vue";
import KeySheet from "@/ui/KeySheet.vue";
import NoteBox from "@/ui/NoteBox.vue";
import StageRail from "@/ui/StageRail.vue";
import StatusBar from "@/ui/StatusBar.vue";
import TopBar from "@/ui/TopBar.vue";
import ViewDivider from "@/ui/ViewDivider.vue";

const props = defineProps<{ id: string; stage: string }>();
const route = useRoute();
const router = useRouter();
const jobs = useJob();
const bench = useBench();
const selection = useSelection();
const messages = useMessages();
const picks = usePicks();
const packing = usePacking();
const previews = usePreview();
const relaxing = useRelaxing();
const missing = ref("");
const keysOpen = ref(false);

const current = computed(() => STAGES.find((stage) => stage.id === props.stage) ?? STAGES[0]!);
const hint = computed(() => {
  if (previews.shown || packing.shown) return "Enter takes what is shown, Escape leaves it";
  if (current.value.movable)
    return selection.islands.length > 0 ? "drag, pull a corner tick, or type numbers" : "pick an island to move it";
  if (current.value.seams)
    return picks.part
      ? "Alt-drag pulls a box; the wheel zooms"
      : "pick islands to lay flat, or none for the whole model";
  if (current.value.labels) return "pick an island, then a picture for it";
  return "wheel zooms, drag the mat to pan, ? shows the keys";
});

watch(
  () => props.id,
  async (id) => {
    missing.value = "";
    selection.clear();
    messages.say("");
    try {
      await jobs.open(id);
      document.title = `${jobs.job?.name} - Sheet Trace`;
    } catch (error) {
      missing.value = (error as Error).message;
    }
  },
  { immediate: true },
);
onUnmounted(() => {
  jobs.close();
  selection.clear();
  document.title = "Sheet Trace";
});

const go = (stage: string) => router.push({ params: { ...route.params, stage }, query: {} });

/** Past the bars, for who works without a pointer. */
const SKIPS = {
  Islands: ".island-card",
  "Tools of the stage": ".inspector :is(button, input, select)",
  Sheet: ".sheet-view",
  "The stage's main action": ".inspector .btn-primary",
};
const skip = (selector: string) => document.querySelector<HTMLElement>(selector)?.focus();

// A link may lead to a field.
watch(
  () => route.hash,
  async (hash) => {
    await nextTick();
    if (hash) document.getElementById(hash.slice(1))?.focus();
  },
  { immediate: true, flush: "post" },
);

useJobEvents(() => props.id);
useIslandKeys(() => current.value.movable);
useKeys({
  ...Object.fromEntries(STAGES.map((stage, i) => [String(i + 1), () => go(stage.id)])),
  "Ctrl+z": () => void jobs.undo(),
  "Ctrl+Shift+z": () => void jobs.redo(),
  s: () => bench.enlarge("sheet"),
  p: () => bench.enlarge("proof"),
  i: () => (bench.inspector = !bench.inspector),
  l: () => (bench.strip = !bench.strip),
  "?": () => (keysOpen.value = true),
  Escape: () => {
    if (messages.failure) messages.dismiss();
    else if (previews.leave() || relaxing.leave() || packing.leave()) return;
    else if (current.value.seams && picks.part) picks.clear(picks.part);
    else {
      selection.layer = null;
      selection.pick(null);
    }
  },
});
</script>

<template>
  <main
    v-if="jobs.job"
    class="editor"
    :class="{ 'without-strip': !bench.strip }"
    :style="{ gridTemplateColumns: bench.columns }"
  >
    <nav class="skips" aria-label="Skip to">
      <BButton
        v-for="(selector, name) in SKIPS"
        :key="name"
        variant="secondary"
        size="sm"
        class="visually-hidden-focusable"
        @click="skip(selector)"
        >To {{ name.toLowerCase() }}</BButton
      >
    </nav>
    <TopBar @keys="keysOpen = true" />
    <NoteBox v-if="jobs.job.damage" class="damage" role="alert">{{ jobs.job.damage }}</NoteBox>
    <StageRail :stage="current.id" @go="go" />
    <SheetView
      v-show="bench.alone !== 'proof'"
      :movable="current.movable"
      :labels="current.labels"
      :cutting="current.seams"
    />
    <ViewDivider v-if="bench.alone === null" />
    <ProofView v-show="bench.alone !== 'sheet'" :cutting="current.seams" />
    <aside v-show="bench.inspector" class="inspector" :aria-label="current.name">
      <FirstSteps />
      <component :is="current.inspector" />
    </aside>
    <BButton
      v-if="!bench.inspector"
      variant="light"
      class="handle upright"
      title="Show the inspector ( i )"
      @click="bench.inspector = true"
      ><PhCaretLeft :size="12" weight="bold" aria-hidden="true" /> Tools of the stage</BButton
    >
    <IslandStrip v-show="bench.strip" />
    <BButton
      v-if="!bench.strip"
      variant="light"
      class="handle"
      title="Show the strip of islands ( l )"
      @click="bench.strip = true"
      ><PhCaretUp :size="12" weight="bold" aria-hidden="true" /> {{ counted(jobs.islands.length, "islands") }}</BButton
    >
    <StatusBar :hint="hint" />
    <BegunDialog />
    <KeySheet v-model="keysOpen" />
  </main>
  <main v-else-if="missing" class="missing m-auto p-5">
    <h1>This job can't be shown</h1>
    <p>{{ missing }}</p>
    <RouterLink to="/">All jobs</RouterLink>
  </main>
</template>

<style scoped>
.editor {
  --rail: 84px;
  --inspector: 266px;
  --handle: 28px;
  display: grid;
  overflow: hidden;
  height: 100vh;
  grid-template-rows: 46px minmax(0, 1fr) 88px 24px;
}
.without-strip {
  grid-template-rows: 46px minmax(0, 1fr) var(--handle) 24px;
}
.editor > :is(.top-bar, .strip, .status-bar, .handle:not(.upright)) {
  grid-column: 1 / -1;
}
.handle {
  padding: 0;
  border: 0 solid var(--bs-border-color);
  border-width: 1px 0 0;
  border-radius: 0;
  background: var(--bs-secondary-bg);
  font-size: 12px;
  line-height: 1;
}
.handle.upright {
  border-width: 0 0 0 1px;
  writing-mode: vertical-rl;
}
.skips {
  position: absolute;
  z-index: 20;
  top: 8px;
  left: 8px;
  display: flex;
  gap: 6px;
}
.inspector {
  position: relative; /* what is hidden from sight in it must not make the page longer */
  overflow: hidden auto;
  padding: 12px 14px 20px;
  border-left: 1px solid var(--bs-border-color);
  background: var(--bs-tertiary-bg);
  scrollbar-width: thin;
}
.damage {
  position: absolute;
  z-index: 10;
  top: 54px;
  left: 50%;
  max-width: 720px;
  transform: translateX(-50%);
}
@media (min-width: 1600px) {
  .editor {
    --inspector: 320px;
  }
}
.missing {
  max-width: 560px;
}
</style>
