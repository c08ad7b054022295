<script setup lang="ts">
/** A mark that tells severity by its shape first and its colour second. */
import { PhDiamond, PhInfo, PhOctagon } from "@phosphor-icons/vue";
import type { Severity } from "@/api/types";

defineProps<{ severity: Severity }>();
const NAMES: Record<Severity, string> = { error: "to mend", warning: "to look at", hint: "to know" };
</script>

<template>
  <span class="severity" :class="severity" role="img" :aria-label="NAMES[severity]" :title="NAMES[severity]">
    <PhOctagon v-if="severity === 'error'" :size="16" weight="fill" /><PhDiamond
      v-else-if="severity === 'warning'"
      :size="16"
      weight="fill"
    /><PhInfo v-else :size="16" />
  </span>
</template>

<style scoped>
.severity {
  display: inline-flex;
  flex: none;
}
.error {
  color: var(--brick-text);
}
.warning {
  color: var(--saffron);
}
.hint {
  color: var(--ink-soft);
}
</style>
