<script setup lang="ts">
/**
 * A number that can be typed, also as a sum (=120/3); a whole one where no decimals are shown. It is taken with Enter
 * or on leaving; Escape brings the old one back. What is no number stays, with a word why, until it is mended. When all
 * changes are saved it shows the value it was given, so that one the server refused does not stay.
 */
import { BFormInput, BInputGroup } from "bootstrap-vue-next";
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
const refused = ref(false);
const typed = computed(() => valueOf(text.value));

const restore = () => (text.value = shown(props.value, props.decimals));

watch([() => props.value, () => props.decimals, () => jobs.saved], () => {
  if (!typing.value) restore();
});

function take() {
  if (!typing.value) return;
  typing.value = false;
  if (typed.value === null && text.value.trim() !== "") {
    typing.value = refused.value = true;
    return;
  }
  refused.value = false;
  const taken = typed.value !== null && props.decimals === 0 ? Math.round(typed.value) : typed.value;
  if (taken === null || text.value === shown(props.value, props.decimals)) {
    restore();
    return;
  }
  text.value = shown(taken, props.decimals);
  emit("change", taken);
}

function drop(event: KeyboardEvent) {
  typing.value = refused.value = false;
  restore();
  (event.target as HTMLInputElement).blur();
}
</script>

<template>
  <div class="number-field" :class="{ bare: hideLabel }">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <BInputGroup :append="unit || undefined" size="sm" class="flex-nowrap">
      <BFormInput
        :id="id"
        v-model="text"
        class="num text-end"
        inputmode="decimal"
        autocomplete="off"
        spellcheck="false"
        :disabled="disabled"
        :state="typing && typed === null ? false : null"
        :aria-describedby="refused ? `${id}-why` : undefined"
        @focus="($event.target as HTMLInputElement).select()"
        @input="
          typing = true;
          refused = false;
        "
        @keydown.enter="take"
        @keydown.esc.stop="drop"
        @blur="take"
      />
    </BInputGroup>
    <p v-if="refused" :id="`${id}-why`" class="why" role="alert" title="Type a number, or a sum such as =120/3">
      “{{ text }}” is no number
    </p>
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
.why {
  margin: -2px 0 4px;
  color: var(--bs-form-invalid-color);
  font-size: 11px;
  grid-column: 1 / -1;
}
.number-field.bare :deep(.form-control) {
  padding-inline: 4px;
}
.number-field :deep(.input-group-text) {
  padding: 0 6px 0 0;
  font-size: 11px;
}
.number-field :deep(.form-control:not(:last-child)) {
  border-right: 0;
}
</style>
