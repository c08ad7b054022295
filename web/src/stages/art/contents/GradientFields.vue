<script setup lang="ts">
/** Both colours of a gradient, and which way it goes. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { computed } from "vue";
import type { Content, Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";
import NumberField from "@/ui/NumberField.vue";

type Gradient = Extract<Content, { kind: "gradient" }>;

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const content = computed(() => props.layer.content as Gradient);
const change = (changes: Partial<Omit<Gradient, "kind">>) =>
  jobs.operate("change_layer", { id: props.layer.id, content: changes });
</script>

<template>
  <section aria-label="Gradient">
    <h3>Gradient</h3>
    <div class="fields">
      <span>From</span>
      <ColorField
        class="wide"
        label="Colour where it begins"
        :value="content.color"
        @change="change({ color: $event })"
      />
      <span>To</span>
      <ColorField class="wide" label="Colour where it ends" :value="content.to" @change="change({ to: $event })" />
      <NumberField
        class="wide"
        label="Turn of the gradient"
        :value="content.turn_deg"
        unit="°"
        @change="change({ turn_deg: $event })"
      />
    </div>
    <BFormCheckbox class="mt-1" :model-value="content.round" @update:model-value="change({ round: Boolean($event) })"
      >From the middle outwards</BFormCheckbox
    >
  </section>
</template>
