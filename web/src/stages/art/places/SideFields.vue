<script setup lang="ts">
/** The side that a layer goes through the model from. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import type { FromSide, Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import { SIDES } from "./sides";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const side = computed(() => (props.layer.place as FromSide).side);
const look = (from: FromSide["side"]) => jobs.operate("change_layer", { id: props.layer.id, place: { side: from } });
</script>

<template>
  <section aria-label="Side">
    <h3>Through the model</h3>
    <div class="fields">
      <label for="side-seen">Seen from</label>
      <BFormSelect
        id="side-seen"
        class="wide"
        :model-value="side"
        :options="SIDES"
        @update:model-value="look($event as FromSide['side'])"
      />
    </div>
    <p class="form-text mt-1 mb-0">As large as the model, through to its other side, whatever the layout is.</p>
  </section>
</template>
