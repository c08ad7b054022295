<script setup lang="ts">
/** Size and place on the surface of what is set on an island, typed in mm. */
import { BButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import type { Layer, OnIsland } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";
import { shown } from "@/ui/sums";
import PlaceTruth from "./PlaceTruth.vue";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const selection = useSelection();

const place = computed(() => props.layer.place as OnIsland);
const change = (changes: Partial<Omit<OnIsland, "kind">>) =>
  jobs.operate("change_layer", { id: props.layer.id, place: changes });
const proportion = computed(() => place.value.height_mm / place.value.width_mm);
const islands = computed(() => jobs.islands.map((island) => ({ value: island.index, text: island.name })));

async function moveTo(island: number) {
  if (await change({ island })) selection.pick(island);
}
</script>

<template>
  <section aria-label="Label on the surface">
    <h3>{{ layer.name }} on the surface</h3>
    <div class="fields">
      <label for="label-island">Island</label>
      <BFormSelect
        id="label-island"
        class="wide"
        :model-value="place.island"
        :options="islands"
        @update:model-value="moveTo(Number($event))"
      />
      <span>Size</span>
      <NumberField
        label="Label width"
        hide-label
        :value="place.width_mm"
        unit="mm"
        @change="change({ width_mm: $event })"
      />
      <NumberField
        label="Label height"
        hide-label
        :value="place.height_mm"
        unit="mm"
        @change="change({ width_mm: $event / proportion })"
      />
      <span>Centre</span>
      <NumberField
        label="Label centre, right of the island's middle"
        hide-label
        :value="place.x_mm"
        unit="mm"
        @change="change({ x_mm: $event })"
      />
      <NumberField
        label="Label centre, above the island's middle"
        hide-label
        :value="place.y_mm"
        unit="mm"
        @change="change({ y_mm: $event })"
      />
      <span>From edges</span>
      <NumberField
        label="From the left edge of the island"
        hide-label
        :value="place.edges_mm[0]"
        unit="left"
        @change="change({ x_mm: place.x_mm + $event - place.edges_mm[0] })"
      />
      <NumberField
        label="From the right edge of the island"
        hide-label
        :value="place.edges_mm[1]"
        unit="right"
        @change="change({ x_mm: place.x_mm - $event + place.edges_mm[1] })"
      />
      <span></span>
      <NumberField
        label="From the upper edge of the island"
        hide-label
        :value="place.edges_mm[2]"
        unit="top"
        @change="change({ y_mm: place.y_mm - $event + place.edges_mm[2] })"
      />
      <NumberField
        label="From the lower edge of the island"
        hide-label
        :value="place.edges_mm[3]"
        unit="bottom"
        @change="change({ y_mm: place.y_mm + $event - place.edges_mm[3] })"
      />
      <span>Turn</span>
      <NumberField
        label="Label turn"
        hide-label
        :value="place.turn_deg"
        unit="°"
        @change="change({ turn_deg: $event })"
      />
    </div>
    <BFormCheckbox
      class="mt-1"
      :model-value="place.along === 'rim'"
      @update:model-value="change({ along: $event ? 'rim' : 'straight' })"
      >Bends along the rims of a rolled-out band</BFormCheckbox
    >
    <template v-if="place.along === 'rim'">
      <p class="form-text num">
        {{ shown(place.rim_widths_mm[0], 1) }} mm wide at its top, {{ shown(place.rim_widths_mm[1], 1) }} at its bottom;
        {{ shown(place.round_mm, 1) }} mm all round
      </p>
      <BButton variant="secondary" class="btn-wide" @click="change({ width_mm: place.round_mm, x_mm: 0 })"
        >Wrap all round</BButton
      >
    </template>
    <PlaceTruth :layer="layer" :place="place" />
    <BButton variant="secondary" class="btn-wide" @click="jobs.operate('set_on_alike', { id: layer.id })"
      >Set on alike islands too</BButton
    >
    <p class="mt-2 form-text">
      Its middle lies on the {{ place.panel.toLowerCase() }} of the model. Centre is measured from the middle of the
      island, right and up as seen on the model; edges in mm from the label's box to the island's.
    </p>
  </section>
</template>
