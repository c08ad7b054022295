<script setup lang="ts">
/** The sheet's zoom, and ways to change it. */
defineProps<{ percent: number }>();
const emit = defineEmits<{ zoom: [factor: number]; fit: []; actual: [] }>();
</script>

<template>
  <div class="zoom-tools" role="group" aria-label="Zoom">
    <button type="button" title="Zoom out ( - )" aria-label="Zoom out" @click="emit('zoom', 0.8)">−</button>
    <output class="num" aria-label="Zoom">{{ percent }} %</output>
    <button type="button" title="Zoom in ( + )" aria-label="Zoom in" @click="emit('zoom', 1.25)">+</button>
    <button type="button" title="Whole sheet ( 0 )" @click="emit('fit')">Whole</button>
    <button type="button" title="One sheet px to one screen px" @click="emit('actual')">1:1</button>
  </div>
</template>

<style scoped>
.zoom-tools {
  position: absolute;
  right: 12px;
  bottom: 12px;
  display: flex;
  overflow: hidden;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--panel);
}
.zoom-tools > * {
  min-width: 30px;
  padding: 4px 8px;
  border: 0;
  background: transparent;
  color: var(--ink);
  font-size: 12px;
  text-align: center;
}
.zoom-tools > * + * {
  border-left: 1px solid var(--rule);
}
.zoom-tools output {
  min-width: 58px;
}
.zoom-tools button:hover {
  background: var(--ground);
}
</style>
