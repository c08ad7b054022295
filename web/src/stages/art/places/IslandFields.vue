<script setup lang="ts">
/** Size and place on the surface of what is set on an island, typed in mm. */
import { BButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed, onUnmounted } from "vue";
import type { Layer, OnIsland } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";
import { usePulling } from "@/hand/pulling";
import { shown } from "@/ui/sums";
import PlaceTruth from "./PlaceTruth.vue";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const pulling = usePulling();
const selection = useSelection();

const place = computed(() => props.layer.place as OnIsland);
const change = (changes: Partial<Omit<OnIsland, "kind">>) =>
  jobs.operate("change_layer", { id: props.layer.id, place: changes });
const proportion = computed(() => place.value.height_mm / place.value.width_mm);
const CORNERS = ["Top left", "Top right", "Bottom right", "Bottom left"];
const distorted = computed(() => place.value.bend_deg !== 0 || place.value.corners.some((pull) => pull !== 0));

/** Corners are kept as shares, and shown in mm: right, and down. */
const side = (axis: number) => (axis === 0 ? place.value.width_mm : place.value.height_mm);
const pulled = (corner: number, axis: number) => place.value.corners[2 * corner + axis]! * side(axis);
const withCorners = (of: (own: number, i: number) => number) => place.value.corners.map(of) as OnIsland["corners"];
const pull = (corner: number, axis: number, mm: number) =>
  change({ corners: withCorners((own, i) => (i === 2 * corner + axis ? mm / side(axis) : own)) });

function straighten() {
  pulling.on = false;
  void change({ bend_deg: 0, corners: withCorners(() => 0) });
}
onUnmounted(() => (pulling.on = false));
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
      <span>Left, right</span>
      <NumberField
        label="From the left edge of the island"
        hide-label
        :value="place.edges_mm[0]"
        unit="mm"
        @change="change({ x_mm: place.x_mm + $event - place.edges_mm[0] })"
      />
      <NumberField
        label="From the right edge of the island"
        hide-label
        :value="place.edges_mm[1]"
        unit="mm"
        @change="change({ x_mm: place.x_mm - $event + place.edges_mm[1] })"
      />
      <span>Top, bottom</span>
      <NumberField
        label="From the upper edge of the island"
        hide-label
        :value="place.edges_mm[2]"
        unit="mm"
        @change="change({ y_mm: place.y_mm - $event + place.edges_mm[2] })"
      />
      <NumberField
        label="From the lower edge of the island"
        hide-label
        :value="place.edges_mm[3]"
        unit="mm"
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
    <FoldSection title="Bend and pull" folded>
      <div class="fields">
        <NumberField
          class="wide"
          label="Bend"
          :value="place.bend_deg"
          unit="°"
          :decimals="1"
          @change="change({ bend_deg: $event })"
        />
        <template v-for="(name, corner) in CORNERS" :key="name">
          <span>{{ name }}</span>
          <NumberField
            :label="`${name} corner, pulled to the right`"
            hide-label
            :value="pulled(corner, 0)"
            unit="→"
            @change="pull(corner, 0, $event)"
          />
          <NumberField
            :label="`${name} corner, pulled down`"
            hide-label
            :value="pulled(corner, 1)"
            unit="↓"
            @change="pull(corner, 1, $event)"
          />
        </template>
      </div>
      <div class="d-flex gap-2 mt-1">
        <BButton variant="secondary" class="flex-fill" :aria-pressed="pulling.on" @click="pulling.on = !pulling.on"
          >Pull corners on the sheet</BButton
        >
        <BButton v-if="distorted" variant="secondary" @click="straighten">Straight again</BButton>
      </div>
      <p class="form-text">
        Bend says how much of a circle its width goes along: above 0 an arch, below 0 a bowl; its middle line keeps its
        length. Corners are pulled in mm.
      </p>
    </FoldSection>
    <PlaceTruth :layer="layer" :place="place" />
    <BButton variant="secondary" class="btn-wide" @click="jobs.operate('set_on_alike', { id: layer.id })"
      >Set on alike islands too</BButton
    >
    <p class="mt-2 form-text">
      Its middle lies on the {{ place.panel.toLowerCase() }} of the model. Centre is measured from the middle of the
      island, right and up as seen on the model; left, right, top and bottom from the label's box to the island's edges.
      Moved by hand it catches on edges and middles of panels, on centre lines and other layers; Alt moves it past them.
    </p>
  </section>
</template>
