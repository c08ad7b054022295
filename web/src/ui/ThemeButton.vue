<script setup lang="ts">
/** Switches between the light and the dark bench. */
import { PhMoon, PhSun } from "@/ui/icons";
import { BButton } from "bootstrap-vue-next";
import { useSettings } from "@/stores/settings";

const settings = useSettings();
</script>

<template>
  <BButton
    variant="light"
    :title="settings.theme === 'light' ? 'Dark bench' : 'Light bench'"
    aria-label="Light or dark bench"
    @click="settings.theme = settings.theme === 'light' ? 'dark' : 'light'"
  >
    <PhMoon v-if="settings.theme === 'light'" :size="18" /><PhSun v-else :size="18" />
  </BButton>
</template>
