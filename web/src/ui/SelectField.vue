<script setup lang="ts" generic="Value extends string">
/** A choice with its label, in the two columns of fields. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";

const props = defineProps<{
  id: string;
  label: string;
  /** value => what it is called */
  choices: Partial<Record<Value, string>>;
  /** of these, those that can't be chosen now */
  without?: Value[];
}>();
const model = defineModel<Value>({ required: true });
const options = computed(() =>
  (Object.entries(props.choices) as [Value, string][]).map(([value, text]) => ({
    value,
    text,
    disabled: props.without?.includes(value) ?? false,
  })),
);
</script>

<template>
  <label :for="id">{{ label }}</label>
  <BFormSelect :id="id" v-model="model" class="wide" :options="options" />
</template>
