<script setup lang="ts">
/** A mark that tells severity by its shape first and its colour second. */
import { PhDiamond, PhInfo, PhOctagon } from "@/ui/icons";
import type { Severity } from "@/api/types";

defineProps<{ severity: Severity }>();
const NAMES: Record<Severity, string> = { error: "to mend", warning: "to look at", hint: "to know" };
const LOOKS: Record<Severity, string> = {
  error: "text-danger-emphasis",
  warning: "text-warning",
  hint: "text-body-secondary",
};
</script>

<template>
  <span
    class="d-inline-flex flex-shrink-0"
    :class="LOOKS[severity]"
    role="img"
    :aria-label="NAMES[severity]"
    :title="NAMES[severity]"
  >
    <PhOctagon v-if="severity === 'error'" :size="16" weight="fill" /><PhDiamond
      v-else-if="severity === 'warning'"
      :size="16"
      weight="fill"
    /><PhInfo v-else :size="16" />
  </span>
</template>
