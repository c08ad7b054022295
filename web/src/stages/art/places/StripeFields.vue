<script setup lang="ts">
/** Width, ends and place of a stripe round the model or along a path. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { computed } from "vue";
import type { AlongPath, AtLevel, Layer, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import NumberField from "@/ui/NumberField.vue";
import { shown } from "@/ui/sums";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const place = computed(() => props.layer.place as AtLevel | AlongPath);
const level = computed(() => (place.value.kind === "level" ? place.value : null));
const path = computed(() => (place.value.kind === "path" ? place.value : null));
const change = (changes: Operations["change_layer"]["place"]) =>
  jobs.operate("change_layer", { id: props.layer.id, place: changes });
const islands = computed(() => place.value.islands.map((island) => jobs.islands[island]?.name ?? "").join(", "));
const unit = computed(() => jobs.job!.unit_mm ?? 1);
const lift = (at: AtLevel["at"], height_mm: number) => change({ at: [at[0], height_mm / unit.value, at[2]] });
const trim = (end: 0 | 1, mm: number) =>
  change({ trim_mm: end === 0 ? [mm, place.value.trim_mm[1]] : [place.value.trim_mm[0], mm] });
</script>

<template>
  <section aria-label="Stripe">
    <h3>{{ layer.name }} {{ level ? "round the model" : "along its path" }}</h3>
    <div class="fields">
      <NumberField
        class="wide"
        label="Stripe width"
        :value="place.height_mm"
        unit="mm"
        @change="change({ height_mm: $event })"
      />
      <NumberField
        v-if="level"
        class="wide"
        label="At height"
        :value="level.at[1] * unit"
        unit="mm"
        @change="lift(level.at, $event)"
      />
      <NumberField
        class="wide"
        :label="level ? 'Above the line' : 'Left of the path'"
        :value="place.offset_mm"
        unit="mm"
        @change="change({ offset_mm: $event })"
      />
      <NumberField
        class="wide"
        label="Free at its start"
        :value="place.trim_mm[0]"
        unit="mm"
        @change="trim(0, $event)"
      />
      <NumberField class="wide" label="Free at its end" :value="place.trim_mm[1]" unit="mm" @change="trim(1, $event)" />
    </div>
    <BFormCheckbox
      v-if="layer.content.kind !== 'fill'"
      class="mt-1"
      :model-value="place.all_round"
      @update:model-value="change({ all_round: Boolean($event) })"
      >Stretched over the whole line</BFormCheckbox
    >
    <BFormCheckbox v-if="path" :model-value="path.back" @update:model-value="change({ back: Boolean($event) })"
      >Back to its first spot</BFormCheckbox
    >
    <dl class="facts mt-2">
      <dt>Line</dt>
      <dd class="num">{{ shown(place.length_mm, 1) }} mm, {{ place.closed ? "closed" : "open" }}</dd>
      <template v-if="path">
        <dt>Through</dt>
        <dd class="num">{{ path.spots.length }} spots</dd>
      </template>
      <dt>Lies on</dt>
      <dd>{{ islands || "nothing that is on the sheet" }}</dd>
    </dl>
    <p class="mt-2 form-text">
      {{ level ? "Drag it on the model to move it up or down." : "Drag its spots on the model." }}
    </p>
  </section>
</template>
