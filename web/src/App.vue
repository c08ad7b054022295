<script setup lang="ts">
import { BApp } from "bootstrap-vue-next";
import { useEventListener } from "@vueuse/core";
import { useSettings } from "./stores/settings";
import FailureBar from "./ui/FailureBar.vue";

useSettings(); // sets the theme
// A file dropped beside a drop zone must not replace the page.
useEventListener(document, ["dragover", "drop"], (event) => event.preventDefault());
</script>

<template>
  <BApp>
    <RouterView />
    <FailureBar />
  </BApp>
</template>
