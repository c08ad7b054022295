<script setup lang="ts">
/** Width and height in px, typed or from presets. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed, ref, watch } from "vue";
import { LIMITS } from "@/api/operations";
import type { Sheet } from "@/api/types";
import NumberField from "./NumberField.vue";

const props = defineProps<{
  width: number;
  height: number;
  /** of which multiples are offered too */
  sheet?: Sheet;
  /** px along a side */
  most?: number;
}>();
const emit = defineEmits<{ change: [width: number, height: number] }>();

/** What was typed last: the other field may be typed before the answer is in. */
const typed = ref({ width: props.width, height: props.height });
watch(
  () => [props.width, props.height],
  () => (typed.value = { width: props.width, height: props.height }),
);

function type(size: { width?: number; height?: number }) {
  typed.value = { ...typed.value, ...size };
  emit("change", typed.value.width, typed.value.height);
}

const TIMES = { "½": 0.5, 2: 2, 4: 4 };
const multiples = computed(() =>
  Object.entries(props.sheet ? TIMES : {}).map(([name, times]) => ({
    value: `${Math.round(props.sheet!.width_px * times)}x${Math.round(props.sheet!.height_px * times)}`,
    text: `${name} × the sheet`,
  })),
);
function preset(value: string) {
  const [width, height = width] = value.split("x").map(Number);
  type({ width, height });
}

const SIDES = [64, 128, 256, 512, 1024, 2048, 4096, 8192, 16384];
const sides = computed(() => SIDES.filter((side) => side <= (props.most ?? LIMITS.side_px[1])));
const own = computed(() =>
  sides.value.includes(props.width) && props.width === props.height ? String(props.width) : "",
);
const options = computed(() => [
  ...(own.value === "" ? [{ value: "", text: `${props.width} × ${props.height}`, disabled: true }] : []),
  ...sides.value.map((side) => ({ value: String(side), text: `${side} × ${side}` })),
  ...multiples.value,
]);
</script>

<template>
  <div class="fields">
    <label for="size-preset">Preset</label>
    <BFormSelect
      id="size-preset"
      class="wide"
      :model-value="own"
      :options="options"
      @update:model-value="preset(String($event))"
    />
    <span>Size</span>
    <NumberField
      label="Sheet width"
      hide-label
      :value="width"
      unit="px"
      :decimals="0"
      @change="type({ width: $event })"
    />
    <NumberField
      label="Sheet height"
      hide-label
      :value="height"
      unit="px"
      :decimals="0"
      @change="type({ height: $event })"
    />
  </div>
</template>
