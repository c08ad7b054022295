<script setup lang="ts">
/** Stands where a page needs a picture under the islands and there is none. */
import { BButton } from "bootstrap-vue-next";
import { useFitting } from "@/stages/fit/fitting";
import NoteBox from "@/ui/NoteBox.vue";

const fitting = useFitting();
</script>

<template>
  <NoteBox plain>
    No picture lies under the islands.
    <BButton variant="link" @click="fitting.page = 'picture'">Bring one in</BButton>{{ " " }}first.
  </NoteBox>
</template>
