<script setup lang="ts" generic="Value extends string">
/** A few exclusive choices side by side, worked as radio buttons. */
import { BFormRadio, BFormRadioGroup } from "bootstrap-vue-next";

defineProps<{
  label: string;
  choices: Partial<Record<Value, string>>;
  /** it governs what sheet and model show, and so stands out */
  look?: boolean;
}>();
const model = defineModel<Value>({ required: true });
</script>

<template>
  <BFormRadioGroup
    v-model="model"
    class="choice-bar"
    :class="{ look }"
    :aria-label="label"
    buttons
    button-variant="outline-secondary"
    size="sm"
  >
    <BFormRadio v-for="(text, value) in choices" :key="value" :value="value">{{ text }}</BFormRadio>
  </BFormRadioGroup>
</template>
