<script setup lang="ts">
/** Islands brought into line, spread evenly, reflected, and onto whole pixels. */
import { BButton } from "bootstrap-vue-next";
import {
  PhAlignBottom,
  PhAlignCenterHorizontal,
  PhAlignCenterVertical,
  PhAlignLeft,
  PhAlignRight,
  PhAlignTop,
  PhArrowsHorizontal,
  PhArrowsVertical,
} from "@/ui/icons";
import { computed, ref, type Component } from "vue";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FoldSection from "@/ui/FoldSection.vue";

const WAYS: { by: Operations["align_islands"]["by"]; text: string; least: number; icon: Component }[] = [
  { by: "left", text: "Left sides in line", least: 2, icon: PhAlignLeft },
  { by: "centre", text: "Centres in line, one above the other", least: 2, icon: PhAlignCenterHorizontal },
  { by: "right", text: "Right sides in line", least: 2, icon: PhAlignRight },
  { by: "top", text: "Tops in line", least: 2, icon: PhAlignTop },
  { by: "middle", text: "Middles in line, beside each other", least: 2, icon: PhAlignCenterVertical },
  { by: "bottom", text: "Bottoms in line", least: 2, icon: PhAlignBottom },
  { by: "spread_across", text: "Equal gaps across", least: 3, icon: PhArrowsHorizontal },
  { by: "spread_down", text: "Equal gaps down", least: 3, icon: PhArrowsVertical },
];
const WHAT = {
  place: "The box's left upper corner; the island keeps its size.",
  box: "All four sides of the box; the island is scaled to it.",
  shape: "All corners together: right angles and equal panels stay.",
  points: "Every corner by itself, wherever that bends the island.",
};
const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const what = ref<"points" | "box" | "place" | "shape">("place");
const to = ref<"corners" | "middles">("corners");

const islands = computed(() => [...selection.islands]);
</script>

<template>
  <FoldSection title="Align" folded>
    <div class="icons">
      <BButton
        v-for="way in WAYS"
        :key="way.by"
        variant="secondary"
        :title="islands.length < way.least ? `${way.text}: pick ${way.least} or more` : way.text"
        :aria-label="way.text"
        :disabled="islands.length < way.least"
        @click="jobs.operate('align_islands', { islands, by: way.by })"
      >
        <component :is="way.icon" :size="16" />
      </BButton>
    </div>
  </FoldSection>
  <FoldSection title="Whole pixels" folded>
    <ChoiceBar
      v-model="what"
      class="w-100"
      label="What is brought to whole pixels"
      :choices="{ place: 'Place', box: 'Box', shape: 'Shape', points: 'Corners' }"
    />
    <p class="form-text">{{ WHAT[what] }}</p>
    <ChoiceBar
      v-model="to"
      class="w-100 mt-1"
      label="To which part of a pixel"
      :choices="{ corners: 'Pixel corners', middles: 'Pixel middles' }"
    />
    <div class="row-of">
      <BButton
        variant="secondary"
        :disabled="islands.length === 0"
        @click="jobs.operate('snap_to_pixels', { islands, what, to })"
      >
        Bring to whole pixels
      </BButton>
    </div>
  </FoldSection>
  <FoldSection title="Drags snap to" folded>
    <ChoiceBar
      v-model="settings.hold"
      class="w-100"
      label="Drags snap to"
      :choices="{ free: 'nothing', gutter: 'gutter', corners: 'px corners', middles: 'middles' }"
    />
    <p v-if="settings.hold === 'gutter'" class="form-text">
      A gutter away from neighbours, in line with them, or at the margin, where one is near.
    </p>
    <p v-else-if="settings.hold !== 'free'" class="form-text">
      The box's left upper corner, while moving. Turning and scaling go free.
    </p>
  </FoldSection>
</template>

<style scoped>
.icons {
  display: grid;
  gap: 4px;
  grid-template-columns: repeat(8, 1fr);
}
.icons .btn {
  padding: 2px 0;
}
</style>
