<script setup lang="ts">
/** The border between sheet and proof: dragged, or moved by the arrow keys. */
import { useTemplateRef } from "vue";
import { useBench } from "@/stores/bench";

const STEP = 0.02;
const EVEN = 0.6;
const bench = useBench();
const bar = useTemplateRef<HTMLElement>("bar");

function drag({ buttons, clientX }: PointerEvent) {
  const [left, right] = [bar.value?.previousElementSibling, bar.value?.nextElementSibling];
  if (buttons !== 1 || !left || !right) return;
  const from = left.getBoundingClientRect().left;
  bench.divide((clientX - from) / (right.getBoundingClientRect().right - from));
}
</script>

<template>
  <div
    ref="bar"
    class="view-divider"
    role="separator"
    tabindex="0"
    aria-orientation="vertical"
    aria-label="Border between sheet and proof"
    :aria-valuenow="Math.round(bench.share * 100)"
    title="Drag to divide the room; double click puts it back"
    @pointerdown="bar?.setPointerCapture($event.pointerId)"
    @pointermove="drag"
    @dblclick="bench.divide(EVEN)"
    @keydown.left.prevent.stop="bench.divide(bench.share - STEP)"
    @keydown.right.prevent.stop="bench.divide(bench.share + STEP)"
  ></div>
</template>

<style scoped>
.view-divider {
  cursor: col-resize;
  touch-action: none;
  background: linear-gradient(var(--rule-strong) 0 0) center / 1px 36px no-repeat var(--bs-body-bg);
}
.view-divider:hover {
  background-color: var(--rule-strong);
}
</style>
