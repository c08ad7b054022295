<script setup lang="ts">
/** What a skin is held to. */
import { computed } from "vue";
import type { Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";

const HELD = { sheet: "The sheet", model: "The model" } as const;
const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const to = computed(() => (props.layer.place.kind === "model" ? "model" : "sheet"));
</script>

<template>
  <section v-if="layer.content.kind === 'picture'" aria-label="Skin">
    <h3>{{ layer.name }} is held to</h3>
    <ChoiceBar
      :model-value="to"
      label="Held to"
      :choices="HELD"
      @update:model-value="$event !== to && jobs.operate('hold_skin', { id: layer.id, to: $event })"
    />
    <p class="form-text mt-2">
      {{
        to === "sheet"
          ? "It stays on the sheet, and islands move over it. Hold it to the model once it is painted: then no new layout loses paint."
          : "It shows the same on the model, whatever becomes of the layout."
      }}
    </p>
    <div v-if="layer.place.kind === 'model'" class="fields">
      <NumberField
        class="wide"
        label="Guide lines taken out"
        :value="layer.place.guide_px"
        unit="px"
        :decimals="2"
        @change="jobs.operate('change_layer', { id: layer.id, place: { guide_px: $event } })"
      />
    </div>
  </section>
</template>
