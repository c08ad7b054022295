<script setup lang="ts">
/** All keys, on one sheet. */
import { BModal } from "bootstrap-vue-next";
import { STAGES } from "@/stages";

const open = defineModel<boolean>({ required: true });
const KEYS: [string, string][] = [
  [`1 – ${STAGES.length}`, "go to a stage"],
  ["arrows", "nudge the picked islands by 1 px; with Shift 10 px, with Alt 0.1 px"],
  [", and .", "turn by the set step, left and right"],
  ["< and >", "turn by 90°"],
  ["+ and -", "zoom in and out"],
  ["0", "show the whole sheet"],
  ["s and p", "show the sheet or the proof alone, and both again"],
  ["i and l", "fold the inspector, and the strip of islands"],
  ["arrows, + and - in the proof", "turn the model, draw it nearer and farther"],
  ["Ctrl+Z", "undo"],
  ["Ctrl+Shift+Z", "redo"],
  ["Shift, on a click", "add an island or take it away"],
  ["Shift, on a drag", "along one axis, or turn in steps of 5°"],
  [
    "click, in Cut",
    "pick a face, edge or corner; with Shift the shortest way from the last one, with Ctrl the ring or loop",
  ],
  ["double click, in Cut", "pick all faces up to the seams, or the whole loop"],
  ["Alt, on a drag in Cut", "pull a box round what is to be picked; with Ctrl too, to be let go"],
  ["Enter, on a preview", "take the change that is shown; Escape leaves it"],
  ["Enter", "take what was typed"],
  ["Escape", "leave a drag, a field or the selection"],
  ["?", "this sheet"],
];
</script>

<template>
  <BModal v-model="open" title="Keys" ok-only ok-title="Close" ok-variant="secondary" size="lg">
    <dl class="keys mb-0">
      <template v-for="[key, what] in KEYS" :key="key">
        <dt class="num fw-bold">{{ key }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </BModal>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 7px 22px;
}
</style>
