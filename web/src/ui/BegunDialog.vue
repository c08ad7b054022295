<script setup lang="ts">
/** Asks what becomes of a change that is shown and not taken, before the page it belongs to is left. */
import { useEventListener } from "@vueuse/core";
import { BButton, BModal } from "bootstrap-vue-next";
import { ref, shallowRef } from "vue";
import { onBeforeRouteLeave, onBeforeRouteUpdate } from "vue-router";
import { useBegun } from "@/stores/begun";

const begun = useBegun();
const open = ref(false);
/** tells the router whether the page is left */
const answer = shallowRef<(go: boolean) => void>();

/** Closed by Escape or its cross, it is no answer: the page stays. */
function choose(go: boolean) {
  open.value = false;
  answer.value?.(go);
  answer.value = undefined;
}

async function take() {
  await begun.now?.take();
  choose(true);
}

function leave() {
  begun.now?.leave();
  choose(true);
}

const ask = () =>
  new Promise<boolean>((resolve) => {
    answer.value = resolve;
    open.value = true;
  });
onBeforeRouteUpdate((to, from) => (begun.now && to.path !== from.path ? ask() : true));
onBeforeRouteLeave(() => (begun.now ? ask() : true));
useEventListener(window, "beforeunload", (event) => begun.now && event.preventDefault());
</script>

<template>
  <BModal v-model="open" title="Not taken yet" @hidden="choose(false)">
    <p class="mb-0">{{ begun.now?.what }}.</p>
    <template #footer>
      <BButton variant="light" @click="choose(false)">Stay here</BButton>
      <BButton variant="secondary" @click="leave">Leave it</BButton>
      <BButton variant="primary" @click="take">Take it</BButton>
    </template>
  </BModal>
</template>
