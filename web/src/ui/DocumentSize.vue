<script setup lang="ts">
/** A size in mm, cm or inch at so many px to an inch, and the px that come of it. */
import { computed, ref } from "vue";
import NumberField from "./NumberField.vue";
import SelectField from "./SelectField.vue";
import { shown } from "./sums";

const UNITS = { mm: "mm", cm: "cm", in: "inch" };
const MM = { mm: 1, cm: 10, in: 25.4 } as const;
const MM_PER_INCH = 25.4;
const props = defineProps<{ width: number; height: number; dpi: number }>();
const emit = defineEmits<{ change: [width: number, height: number, dpi: number] }>();
const unit = ref<keyof typeof MM>("mm");

const length = (px: number) => (px / props.dpi) * (MM_PER_INCH / MM[unit.value]);
const px = (value: number, dpi = props.dpi) => Math.round(((value * MM[unit.value]) / MM_PER_INCH) * dpi);
/** What a length becomes by being so many whole px. */
const rounded = computed(
  () =>
    `${shown((props.width / props.dpi) * MM_PER_INCH, 3)} × ${shown((props.height / props.dpi) * MM_PER_INCH, 3)} mm`,
);
const resolve = (dpi: number) => emit("change", px(length(props.width), dpi), px(length(props.height), dpi), dpi);
</script>

<template>
  <div class="fields">
    <NumberField
      class="wide"
      label="Width"
      :value="length(width)"
      :unit="unit"
      :decimals="3"
      @change="emit('change', px($event), height, dpi)"
    />
    <NumberField
      class="wide"
      label="Height"
      :value="length(height)"
      :unit="unit"
      :decimals="3"
      @change="emit('change', width, px($event), dpi)"
    />
    <SelectField id="length-unit" v-model="unit" label="In" :choices="UNITS" />
    <NumberField class="wide" label="Resolution" :value="dpi" unit="dpi" :decimals="1" @change="resolve" />
  </div>
  <p class="num form-text mb-0">{{ width }} × {{ height }} px, which is {{ rounded }}</p>
</template>
