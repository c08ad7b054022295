<script setup lang="ts">
/** A sheet that can be read: in order, as a figure; twins on one place; and kept layouts. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useSelection } from "@/stores/selection";
import FoldSection from "@/ui/FoldSection.vue";
import PreviewCard from "@/ui/PreviewCard.vue";
import ComparePanel from "@/ui/maps/ComparePanel.vue";
import ReadingRule from "./ReadingRule.vue";

const jobs = useJob();
const previews = usePreview();
const selection = useSelection();

const islands = computed(() => [...selection.islands]);
const stacked = computed(() => jobs.islands.filter((island) => island.stack.length > 1));
/** the picked islands and all that lie on them */
const withTwins = computed(() => [...new Set(islands.value.flatMap((index) => jobs.islands[index]?.stack ?? []))]);
const unstack = computed(() =>
  stacked.value
    .filter((island) => islands.value.length === 0 || islands.value.includes(island.index))
    .map((island) => island.index),
);
</script>

<template>
  <section aria-label="Order">
    <FoldSection title="Arrange">
      <ReadingRule />
      <div class="row-of">
        <BButton
          variant="secondary"
          title="Each where it is on the model, seen from the front"
          :disabled="previews.looking"
          @click="previews.show('arrange_islands', { rule: 'figure' })"
        >
          As a figure
        </BButton>
      </div>
    </FoldSection>
    <FoldSection title="Twins">
      <p class="form-text">
        {{
          stacked.length === 0
            ? "Islands of the same shape to a thousandth of their size, turned or reflected, can share one place."
            : `${stacked.length} islands share places. Where one is reflected, lettering would read mirrored.`
        }}
      </p>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="previews.looking"
          @click="previews.show('stack_twins', { islands: islands.length > 1 ? islands : null })"
        >
          Stack {{ islands.length > 1 ? "picked twins" : "all twins" }}
        </BButton>
        <BButton
          variant="secondary"
          :disabled="unstack.length === 0"
          @click="jobs.operate('separate_islands', { islands: unstack })"
        >
          Unstack
        </BButton>
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          title="So that they are moved, turned and scaled as one"
          :disabled="withTwins.length === islands.length"
          @click="selection.islands = withTwins"
        >
          Pick twins too
        </BButton>
        <BButton
          variant="secondary"
          title="Each goes where the other is, point by point"
          :disabled="islands.length !== 2"
          @click="jobs.operate('exchange_twins', { islands })"
        >
          Swap the two
        </BButton>
      </div>
    </FoldSection>
    <PreviewCard />
    <FoldSection title="Kept layouts" folded>
      <ComparePanel />
    </FoldSection>
  </section>
</template>
