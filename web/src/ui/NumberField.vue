<script setup lang="ts">
/**
 * A number that can be typed, also as a sum (=120/3). It is taken with Enter or on leaving; Escape brings the old one
 * back. When all changes are saved it shows the value it was given, so that one the server refused does not stay.
 */
import { computed, ref, useId, watch } from "vue";
import { useJob } from "@/stores/job";
import { shown, valueOf } from "./sums";

const props = withDefaults(
  defineProps<{
    label: string;
    value: number;
    unit?: string;
    decimals?: number;
    hideLabel?: boolean;
    disabled?: boolean;
  }>(),
  {
    unit: "",
    decimals: 2,
  },
);
const emit = defineEmits<{ change: [value: number] }>();

const jobs = useJob();
const id = useId();
const text = ref(shown(props.value, props.decimals));
const typing = ref(false);
const typed = computed(() => valueOf(text.value));

const restore = () => (text.value = shown(props.value, props.decimals));

watch([() => props.value, () => props.decimals, () => jobs.saved], () => {
  if (!typing.value) restore();
});

function take() {
  if (!typing.value) return;
  typing.value = false;
  const taken = typed.value;
  if (taken === null || text.value === shown(props.value, props.decimals)) {
    restore();
    return;
  }
  text.value = shown(taken, props.decimals);
  emit("change", taken);
}

function drop(event: KeyboardEvent) {
  typing.value = false;
  restore();
  (event.target as HTMLInputElement).blur();
}
</script>

<template>
  <div class="number-field" :class="{ bare: hideLabel }">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <span class="box" :class="{ wrong: typing && typed === null }">
      <input
        :id="id"
        v-model="text"
        class="num"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        spellcheck="false"
        :disabled="disabled"
        :aria-invalid="typing && typed === null"
        @focus="($event.target as HTMLInputElement).select()"
        @input="typing = true"
        @keydown.enter="take"
        @keydown.esc.stop="drop"
        @blur="take"
      />
      <span v-if="unit" class="unit">{{ unit }}</span>
    </span>
  </div>
</template>

<style scoped>
.number-field {
  display: contents;
}
.number-field.bare {
  display: block;
  min-width: 0;
}
label {
  align-self: center;
}
.box {
  display: flex;
  align-items: center;
  min-width: 0;
  border: 1px solid var(--rule-strong);
  border-radius: 5px;
  background: var(--field);
}
.box:focus-within {
  border-color: var(--verdigris);
  box-shadow: 0 0 0 1px var(--verdigris);
}
.box.wrong {
  border-color: var(--brick);
  box-shadow: 0 0 0 1px var(--brick);
}
input {
  flex: 1;
  min-width: 0;
  width: 100%;
  padding: 3px 6px;
  border: 0;
  outline: 0;
  background: transparent;
  color: var(--ink);
  text-align: right;
}
.unit {
  padding-right: 7px;
  color: var(--ink-soft);
  font-size: 11px;
}
</style>
