<script setup lang="ts">
/** A colour, chosen or typed as #rrggbb. */
import { BFormInput, BInputGroup } from "bootstrap-vue-next";
import { ref, watch } from "vue";

const props = defineProps<{ label: string; value: string }>();
const emit = defineEmits<{ change: [color: string] }>();
const typed = ref(props.value);

watch(
  () => props.value,
  (value) => (typed.value = value),
);

/** What is no colour stays to be mended; the field says so. */
function take(color: string) {
  typed.value = color;
  if (/^#[0-9a-f]{6}$/i.test(color) && color.toLowerCase() !== props.value) emit("change", color.toLowerCase());
}
const wrong = () => (/^#[0-9a-f]{6}$/i.test(typed.value) ? null : false);
</script>

<template>
  <BInputGroup class="flex-nowrap">
    <BFormInput
      type="color"
      class="flex-grow-0 flex-shrink-0"
      style="width: 46px"
      :aria-label="`${label}, from the colour wheel`"
      :model-value="value"
      list="swatches"
      @change="take(($event.target as HTMLInputElement).value)"
    />
    <BFormInput
      class="num"
      :aria-label="label"
      :model-value="typed"
      :state="wrong()"
      maxlength="7"
      @update:model-value="typed = String($event)"
      @change="take(typed.trim())"
    />
  </BInputGroup>
</template>
