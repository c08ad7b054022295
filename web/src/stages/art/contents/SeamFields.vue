<script setup lang="ts">
/** Across which seams colours go over into each other, and within which width. */
import { computed } from "vue";
import type { Content, Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import NumberField from "@/ui/NumberField.vue";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const content = computed(() => props.layer.content as Extract<Content, { kind: "seam_blend" }>);
const seams = computed(() => {
  const { between } = content.value;
  if (!between) return "all seams";
  const names = between.map((pair) =>
    [...new Set(pair as number[])].map((island) => jobs.islands[island]?.name ?? "").join(" | "),
  );
  return `${names.slice(0, 3).join(", ")}${names.length > 3 ? ` and ${names.length - 3} more` : ""}`;
});
</script>

<template>
  <section aria-label="Blended seams">
    <h3>{{ layer.name }}</h3>
    <div class="fields">
      <NumberField
        class="wide"
        label="Within"
        :value="content.width_mm"
        unit="mm"
        @change="jobs.operate('change_layer', { id: layer.id, content: { width_mm: $event } })"
      />
    </div>
    <p class="form-text">
      Across {{ seams }}. Colours of both sides meet in their mean on the seam; it follows whatever lies below this
      layer, and Opacity says how strongly.
    </p>
  </section>
</template>
