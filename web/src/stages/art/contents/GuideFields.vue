<script setup lang="ts">
/** How the guide is drawn: its lines' colour and width, and whether those within islands are there. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { computed } from "vue";
import type { Content, Layer, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";
import NumberField from "@/ui/NumberField.vue";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const guide = computed(() => props.layer.content as Extract<Content, { kind: "guide" }>);
/** A guide is locked, so that no hand moves it; what it looks like may be changed all the same. */
async function change(content: Operations["change_layer"]["content"]) {
  const { id, locked } = props.layer;
  await jobs.operate("change_layer", { id, locked, content });
}
</script>

<template>
  <section aria-label="Guide">
    <h3>{{ layer.name }}</h3>
    <ColorField label="Lines" :value="guide.color" @change="change({ color: $event })" />
    <div class="fields mt-1">
      <NumberField
        class="wide"
        label="Line width"
        :value="guide.line_px"
        unit="px"
        @change="change({ line_px: $event })"
      />
    </div>
    <BFormCheckbox
      :model-value="guide.edges === 'outline'"
      @update:model-value="change({ edges: $event ? 'outline' : 'all' })"
      >Islands' borders only</BFormCheckbox
    >
    <p class="form-text">It follows the layout, and is in nothing that is delivered.</p>
  </section>
</template>
