<script setup lang="ts">
import { BApp } from "bootstrap-vue-next";
import { useEventListener } from "@vueuse/core";
import { useRoute } from "vue-router";
import { useSettings } from "./stores/settings";
import FailureBar from "./ui/FailureBar.vue";

/** A box that is not checked means no, rather than nothing; a dialog stands right under the page's heading. */
const DEFAULTS = { BFormCheckbox: { uncheckedValue: false }, BModal: { titleTag: "h2" } };

const route = useRoute();
useSettings(); // sets the theme
// A file dropped beside a drop zone must not replace the page.
useEventListener(document, ["dragover", "drop"], (event) => event.preventDefault());
</script>

<template>
  <BApp :defaults="DEFAULTS">
    <RouterView />
    <FailureBar v-if="!route.meta.tellsFailures" />
  </BApp>
</template>
