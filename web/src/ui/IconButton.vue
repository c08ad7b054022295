<script setup lang="ts">
/** A small button that shows a sign alone, and says what it does when it is pointed at or heard. */
import { BButton } from "bootstrap-vue-next";

const { pressed = undefined } = defineProps<{
  /** what it does, in few words */
  title: string;
  /** the same with the name of what it does it to */
  label: string;
  disabled?: boolean;
  /** of one that stays pressed */
  pressed?: boolean;
}>();
</script>

<template>
  <BButton variant="light" :title="title" :aria-label="label" :aria-pressed="pressed" :disabled="disabled">
    <slot />
  </BButton>
</template>
