<script setup lang="ts">
/** Width and height of a stripe round the model. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { computed } from "vue";
import type { AtLevel, Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import NumberField from "@/ui/NumberField.vue";
import { shown } from "@/ui/sums";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const place = computed(() => props.layer.place as AtLevel);
const change = (changes: Partial<Omit<AtLevel, "kind">>) =>
  jobs.operate("change_layer", { id: props.layer.id, place: changes });
const islands = computed(() => place.value.islands.map((island) => jobs.islands[island]?.name ?? "").join(", "));
const unit = computed(() => jobs.job!.unit_mm ?? 1);
const lift = (height_mm: number) => change({ at: [place.value.at[0], height_mm / unit.value, place.value.at[2]] });
</script>

<template>
  <section aria-label="Stripe">
    <h3>{{ layer.name }} round the model</h3>
    <div class="fields">
      <NumberField
        class="wide"
        label="Stripe width"
        :value="place.height_mm"
        unit="mm"
        @change="change({ height_mm: $event })"
      />
      <NumberField class="wide" label="At height" :value="place.at[1] * unit" unit="mm" @change="lift" />
      <NumberField
        class="wide"
        label="Above the line"
        :value="place.offset_mm"
        unit="mm"
        @change="change({ offset_mm: $event })"
      />
    </div>
    <BFormCheckbox
      v-if="layer.content.kind !== 'fill'"
      class="mt-1"
      :model-value="place.all_round"
      @update:model-value="change({ all_round: Boolean($event) })"
      >Stretched over the whole line</BFormCheckbox
    >
    <dl class="facts mt-2">
      <dt>Line</dt>
      <dd class="num">{{ shown(place.length_mm, 1) }} mm, {{ place.closed ? "closed" : "open" }}</dd>
      <dt>Lies on</dt>
      <dd>{{ islands || "nothing that is on the sheet" }}</dd>
    </dl>
    <p class="mt-2 form-text">Drag it on the model to move it up or down.</p>
  </section>
</template>
