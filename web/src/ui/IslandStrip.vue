<script setup lang="ts">
/** A card per island, drawn upright, as many as are on the screen. */
import { PhLockSimple } from "@phosphor-icons/vue";
import { BButton } from "bootstrap-vue-next";
import { useVirtualizer } from "@tanstack/vue-virtual";
import { computed, ref, watch } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import IslandThumb from "./IslandThumb.vue";
import { useVisibility } from "@/stores/visibility";
import { shown } from "./sums";

const CARD = 226;

const jobs = useJob();
const selection = useSelection();
const visibility = useVisibility();
const islands = computed(() => jobs.islands.filter((island) => !visibility.hiddenIslands.has(island.index)));
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

const GOOD = "text-success-emphasis";
const WARN = "text-warning-emphasis";
function mark(island: (typeof jobs.islands)[number]): { text: string; look: string } {
  if (island.beside_sheet) return { text: "off the sheet", look: WARN };
  if (island.off_sheet) return { text: "partly off", look: WARN };
  if (island.mirrored) return { text: "mirrored", look: WARN };
  if (island.stretch_worst === null) return { text: "flat", look: WARN };
  if (island.stretched)
    return { text: `stretch ${shown(island.stretch_worst, island.stretch_worst < 2 ? 2 : 1)}`, look: WARN };
  if (island.tag === "plain") return { text: "plain", look: "text-body-secondary" };
  if (Math.abs(island.up_angle_deg) > 135) return { text: "upside down", look: WARN };
  if (Math.abs(island.up_angle_deg) > 45) return { text: "sideways", look: WARN };
  return { text: "true shape", look: GOOD };
}
</script>

<template>
  <section class="strip" aria-label="Islands">
    <p v-if="jobs.islands.length === 0" class="position-absolute p-4 text-body-secondary">
      No face lies on the sheet yet.
    </p>
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
              }}<b :class="mark(island).look">{{ mark(island).text }}</b></span
            >
          </span>
        </BButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.strip {
  min-width: 0;
  border-top: 1px solid var(--bs-border-color);
  background: var(--bs-secondary-bg);
}
.holder {
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
