<script setup lang="ts">
/** A card per island, drawn upright, as many as are on the screen. */
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

function mark(island: (typeof jobs.islands)[number]): { text: string; kind: string } {
  if (island.mirrored) return { text: "mirrored", kind: "warn" };
  if (island.stretch_worst === null) return { text: "flat", kind: "warn" };
  if (island.tag === "plain") return { text: "plain", kind: "plain" };
  if (island.stretch_worst > 1.02) return { text: `stretch ${shown(island.stretch_worst)}`, kind: "warn" };
  if (Math.abs(island.up_angle_deg) > 135) return { text: "upside down", kind: "warn" };
  if (Math.abs(island.up_angle_deg) > 45) return { text: "sideways", kind: "warn" };
  return { text: "true", kind: "good" };
}
</script>

<template>
  <section class="strip" aria-label="Islands">
    <p v-if="jobs.islands.length === 0" class="empty">No face lies on the sheet yet.</p>
    <div ref="holder" class="holder" @wheel.passive="scroll">
      <div
        class="rail"
        :style="{ width: `${cards.getTotalSize()}px` }"
        role="listbox"
        aria-label="Islands"
        aria-multiselectable="true"
      >
        <button
          v-for="{ island, start } in visible"
          :key="island.index"
          type="button"
          role="option"
          class="island-card"
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
          <span class="text">
            <b>{{ island.name }}</b>
            <span class="num">{{ shown(island.size_mm[0], 1) }} × {{ shown(island.size_mm[1], 1) }} mm</span>
            <span
              ><span class="num">{{ island.density_px_per_mm.toFixed(2) }} px/mm</span>{{ " "
              }}<em :class="mark(island).kind">{{ mark(island).text }}</em></span
            >
          </span>
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.strip {
  min-width: 0;
  border-top: 1px solid var(--rule);
  background: var(--rail);
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
  position: absolute;
  top: 8px;
  left: 0;
  display: flex;
  align-items: center;
  gap: 9px;
  width: 218px;
  height: 70px;
  padding: 6px 8px 6px 6px;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background: var(--panel);
  color: var(--ink);
  text-align: left;
}
.island-card.hovered {
  border-color: var(--verdigris);
}
.island-card.picked {
  outline: 2px solid var(--verdigris);
}
.text {
  display: flex;
  min-width: 0;
  flex-direction: column;
  line-height: 1.32;
  white-space: nowrap;
}
.text > * {
  overflow: hidden;
  text-overflow: ellipsis;
}
.num {
  font-size: 11px;
}
em {
  font-size: 12px;
  font-style: normal;
  font-weight: 600;
}
.good {
  color: var(--verdigris-text);
  font-weight: 500;
}
.warn {
  color: var(--saffron-text);
}
.plain {
  color: var(--ink-soft);
  font-weight: 500;
}
.empty {
  position: absolute;
  padding: 30px 20px;
  color: var(--ink-soft);
}
</style>
