<script setup lang="ts">
/** The colour of a fill. */
import { computed } from "vue";
import type { Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const color = computed(() => (props.layer.content.kind === "fill" ? props.layer.content.color : "#000000"));
</script>

<template>
  <section aria-label="Colour of the fill">
    <h3>Colour of {{ layer.name }}</h3>
    <ColorField
      label="Colour"
      :value="color"
      @change="jobs.operate('change_layer', { id: layer.id, content: { color: $event } })"
    />
  </section>
</template>
