<script setup lang="ts">
/** A card per island, drawn upright, as many as are on the screen. */
import { PhLockSimple, PhSortAscending } from "@/ui/icons";
import { BButton } from "bootstrap-vue-next";
import { useVirtualizer } from "@tanstack/vue-virtual";
import { computed, ref, watch } from "vue";
import { useBench } from "@/stores/bench";
import { useJob } from "@/stores/job";
import { usePreflight } from "@/stores/preflight";
import { useSelection } from "@/stores/selection";
import { useVisibility } from "@/stores/visibility";
import IslandThumb from "./IslandThumb.vue";
import { NOTHING, stateOf, type IslandState } from "./islandState";
import { shown } from "./sums";

const CARD = 226;

const jobs = useJob();
const bench = useBench();
const preflight = usePreflight();
const selection = useSelection();
const visibility = useVisibility();
/** that lie on others by accident, as the last report has it */
const overlapping = computed(
  () =>
    new Set(
      preflight.findings
        .filter(({ code }) => code === "overlap")
        .flatMap(({ places }) => places.flatMap((place) => place.islands)),
    ),
);
const states = computed(() => jobs.islands.map((island) => stateOf(island, overlapping.value.has(island.index))));
const islands = computed(() => {
  const shown = jobs.islands.filter((island) => !visibility.hiddenIslands.has(island.index));
  return bench.needyFirst ? shown.sort((a, b) => states.value[a.index]!.rank - states.value[b.index]!.rank) : shown;
});
/** islands that need something */
const needy = computed(() => islands.value.filter(({ index }) => states.value[index]!.rank < NOTHING).length);
const holder = ref<HTMLElement | null>(null);

const cards = useVirtualizer(
  computed(() => ({
    count: islands.value.length,
    horizontal: true,
    getScrollElement: () => holder.value,
    estimateSize: () => CARD,
    overscan: 4,
  })),
);
const visible = computed(() =>
  cards.value
    .getVirtualItems()
    .map((item) => ({ island: islands.value[item.index]!, start: item.start }))
    .filter((card) => card.island),
);

watch(
  () => selection.islands,
  ([first]) => {
    const at = islands.value.findIndex((island) => island.index === first);
    if (at >= 0) cards.value.scrollToIndex(at, { align: "auto" });
  },
);

function step(by: number) {
  const at = islands.value.findIndex((island) => island.index === selection.islands.at(-1));
  const next = islands.value[Math.min(Math.max(at + by, 0), islands.value.length - 1)]?.index;
  if (next === undefined) return;
  selection.pick(next);
  requestAnimationFrame(() => holder.value?.querySelector<HTMLElement>(`[data-island="${next}"]`)?.focus());
}

function scroll(event: WheelEvent) {
  if (holder.value && event.deltaX === 0) holder.value.scrollLeft += event.deltaY;
}

const look = ({ rank, text }: IslandState) =>
  rank < NOTHING ? "text-warning-emphasis" : text === "plain" ? "text-body-secondary" : "text-success-emphasis";
</script>

<template>
  <section class="strip" aria-label="Islands">
    <p v-if="jobs.islands.length === 0" class="position-absolute p-4 text-body-secondary">
      No face lies on the sheet yet.
    </p>
    <BButton
      v-if="jobs.islands.length > 0"
      variant="light"
      class="needy num"
      :pressed="bench.needyFirst"
      :aria-label="`${needy} that need something first`"
      :title="bench.needyFirst ? 'Back to the order of the islands' : 'Islands that need something come first'"
      @click="bench.needyFirst = !bench.needyFirst"
      ><PhSortAscending :size="16" :weight="bench.needyFirst ? 'fill' : 'regular'" aria-hidden="true" />{{
        needy
      }}</BButton
    >
    <div ref="holder" class="holder" @wheel.passive="scroll">
      <div
        class="rail"
        :style="{ width: `${cards.getTotalSize()}px` }"
        role="listbox"
        aria-label="Islands"
        aria-multiselectable="true"
      >
        <BButton
          v-for="{ island, start } in visible"
          :key="island.index"
          variant="light"
          role="option"
          class="island-card d-flex align-items-center gap-2 border text-start"
          :class="{ picked: selection.islands.includes(island.index), hovered: selection.hovered === island.index }"
          :style="{ transform: `translateX(${start}px)` }"
          :aria-selected="selection.islands.includes(island.index)"
          :data-island="island.index"
          :title="island.name"
          @click="selection.pick(island.index, $event.shiftKey)"
          @pointerenter="selection.hovered = island.index"
          @pointerleave="selection.hovered = null"
          @keydown.right.prevent.stop="step(1)"
          @keydown.left.prevent.stop="step(-1)"
        >
          <IslandThumb :island="island" />
          <span class="text small text-nowrap">
            <b>{{ island.name }}<PhLockSimple v-if="island.locked" class="ms-1" weight="fill" aria-label="locked" /></b>
            <span class="num"
              >{{ island.size_exact ? "" : "≈ " }}{{ shown(island.size_mm[0], 1) }} ×
              {{ shown(island.size_mm[1], 1) }} mm</span
            >
            <span
              ><span class="num">{{ island.density_px_per_mm.toFixed(2) }} px/mm</span>{{ " "
              }}<b :class="look(states[island.index]!)">{{ states[island.index]!.text }}</b></span
            >
          </span>
        </BButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.strip {
  display: flex;
  min-width: 0;
  border-top: 1px solid var(--bs-border-color);
  background: var(--bs-secondary-bg);
}
.needy {
  display: grid;
  padding: 0;
  border-radius: 0;
  flex: 0 0 30px;
  align-content: center;
  justify-items: center;
  gap: 2px;
}
.needy.active {
  background: var(--bs-tertiary-bg);
  color: var(--bs-body-color);
}
.holder {
  flex: 1;
  min-width: 0;
  height: 100%;
  overflow: auto hidden;
  scrollbar-width: thin;
}
.rail {
  position: relative;
  height: 100%;
  margin-left: 8px;
}
.island-card {
  --bs-btn-bg: var(--bs-tertiary-bg);
  --bs-btn-hover-bg: var(--bs-tertiary-bg);
  --bs-btn-hover-color: inherit;
  position: absolute !important;
  top: 8px;
  left: 0;
  width: 218px;
  height: 70px;
}
.island-card.hovered {
  border-color: var(--verdigris) !important;
}
.text {
  display: grid;
  min-width: 0;
  line-height: 1.32;
}
.text .num {
  font-size: 11px;
}
.text > * {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
