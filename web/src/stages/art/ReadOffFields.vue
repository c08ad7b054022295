<script setup lang="ts">
/** Between which levels something is read off the art, and how it is cleaned. */
import ColorField from "@/ui/ColorField.vue";
import NumberField from "@/ui/NumberField.vue";

interface ReadOff {
  from: string;
  color: string;
  low: number;
  high: number;
  noise_px: number;
  smooth_px: number;
}
defineProps<{ value: ReadOff; colorLabel: string; low: string; high: string }>();
const emit = defineEmits<{ change: [changes: Partial<Omit<ReadOff, "from">>] }>();
const percent = (share: number) => Math.round(1000 * share) / 10;
</script>

<template>
  <template v-if="value.from === 'color'">
    <span>Colour</span>
    <ColorField class="wide" :label="colorLabel" :value="value.color" @change="emit('change', { color: $event })" />
  </template>
  <template v-if="value.from !== 'paint'">
    <NumberField
      class="wide"
      :label="low"
      :value="percent(value.low)"
      unit="%"
      :decimals="1"
      @change="emit('change', { low: $event / 100 })"
    />
    <NumberField
      class="wide"
      :label="high"
      :value="percent(value.high)"
      unit="%"
      :decimals="1"
      @change="emit('change', { high: $event / 100 })"
    />
  </template>
  <NumberField
    class="wide"
    label="Specks"
    :value="value.noise_px"
    unit="px"
    :decimals="0"
    @change="emit('change', { noise_px: $event })"
  />
  <NumberField
    class="wide"
    label="Smoothed"
    :value="value.smooth_px"
    unit="px"
    @change="emit('change', { smooth_px: $event })"
  />
</template>
