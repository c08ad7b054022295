<script setup lang="ts">
/** Size, turn and way of a decal, and what the surface makes of it. */
import { BButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import type { Layer, OnSurface } from "@/api/types";
import { useJob } from "@/stores/job";
import NumberField from "@/ui/NumberField.vue";
import NoteBox from "@/ui/NoteBox.vue";
import { shown } from "@/ui/sums";
import PlaceTruth from "./PlaceTruth.vue";

const WAYS = {
  smooth: "follows the surface",
  creased: "faces keep their shape",
  square_on: "seen square-on",
} as const;
const props = defineProps<{ layer: Layer }>();
const jobs = useJob();

const place = computed(() => props.layer.place as OnSurface);
const change = (changes: Partial<Omit<OnSurface, "kind">>) =>
  jobs.operate("change_layer", { id: props.layer.id, place: changes });
const proportion = computed(() => place.value.height_mm / place.value.width_mm);
const islands = computed(() => place.value.islands.map((island) => jobs.islands[island]?.name ?? "").join(", "));
const cracked = computed(() => place.value.cracks_mm >= 0.05);
</script>

<template>
  <section aria-label="Decal on the model">
    <h3>{{ layer.name }} on the model</h3>
    <div class="fields">
      <span>Size</span>
      <NumberField
        label="Decal width"
        hide-label
        :value="place.width_mm"
        unit="mm"
        @change="change({ width_mm: $event })"
      />
      <NumberField
        label="Decal height"
        hide-label
        :value="place.height_mm"
        unit="mm"
        @change="change({ width_mm: $event / proportion })"
      />
      <span>Turn</span>
      <NumberField
        label="Decal turn"
        hide-label
        :value="place.turn_deg"
        unit="°"
        @change="change({ turn_deg: $event })"
      />
      <label for="decal-way">Laid on</label>
      <BFormSelect
        id="decal-way"
        class="wide"
        :model-value="place.way"
        :options="Object.entries(WAYS).map(([value, text]) => ({ value, text }))"
        @update:model-value="change({ way: $event as OnSurface['way'] })"
      />
    </div>
    <div v-if="place.way === 'square_on'" class="fields mt-1">
      <NumberField
        class="wide"
        label="Depth"
        :value="place.depth_mm ?? Math.hypot(place.width_mm, place.height_mm) / 2"
        unit="mm"
        @change="change({ depth_mm: $event })"
      />
    </div>
    <BFormCheckbox
      class="mt-1"
      :model-value="place.over_edges"
      @update:model-value="change({ over_edges: Boolean($event) })"
      >Goes round edges of the model</BFormCheckbox
    >
    <dl class="facts mt-2">
      <dt>Lies on</dt>
      <dd>{{ islands || "nothing that is on the sheet" }}</dd>
      <template v-if="cracked">
        <dt>Cracks</dt>
        <dd class="num">{{ shown(place.cracks_mm, 1) }} mm</dd>
      </template>
      <template v-if="place.laid < 0.995">
        <dt>On the surface</dt>
        <dd class="num">{{ Math.round(100 * place.laid) }} %</dd>
      </template>
    </dl>
    <PlaceTruth :layer="layer" :place="place" />
    <NoteBox v-if="place.way === 'smooth' && place.stretch_worst > 1.1" plain>
      No map is whole and true here. Where faces keep their shape, cracks open instead.
    </NoteBox>
    <BButton
      variant="secondary"
      class="btn-wide"
      title="On parts of the same shape, and on the model's other side"
      @click="jobs.operate('set_on_alike', { id: layer.id })"
      >Set on alike parts and sides too</BButton
    >
    <p class="mt-2 form-text">Drag it on the model to move it.</p>
  </section>
</template>
