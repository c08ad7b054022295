<script setup lang="ts" generic="Value extends string">
/** A few exclusive choices side by side, worked as radio buttons. */
import { useId } from "vue";

defineProps<{ label: string; choices: Partial<Record<Value, string>> }>();
const model = defineModel<Value>({ required: true });
const name = useId();
</script>

<template>
  <fieldset class="choices">
    <legend class="visually-hidden">{{ label }}</legend>
    <label v-for="(text, value) in choices" :key="value" :class="{ on: model === value }">
      <input v-model="model" class="visually-hidden" type="radio" :name="name" :value="value" />{{ text }}
    </label>
  </fieldset>
</template>

<style scoped>
.choices {
  display: inline-flex;
  overflow: hidden;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--panel);
}
label {
  flex: 1 1 auto;
  padding: 3px 8px;
  text-align: center;
  white-space: nowrap;
  font-size: 12px;
  cursor: pointer;
}
label + label {
  border-left: 1px solid var(--rule);
}
label.on {
  background: var(--ink);
  color: var(--panel);
}
label:focus-within {
  outline: 2px solid var(--verdigris);
  outline-offset: -2px;
}
</style>
