<script setup lang="ts">
/** The layers, the upper ones first, with order, visibility and opacity. */
import { PhArrowDown, PhArrowUp, PhEye, PhEyeSlash, PhTrash } from "@phosphor-icons/vue";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";

const jobs = useJob();
const selection = useSelection();
const upperFirst = computed(() => [...jobs.layers].reverse());

function pick(layer: Layer) {
  selection.layer = layer.id === selection.layer ? null : layer.id;
  if (selection.layer && layer.place) selection.pick(layer.place.island);
}

const change = (layer: Layer, changes: object) => jobs.operate("change_layer", { id: layer.id, ...changes });
const limit = (layer: Layer, value: string) => change(layer, { material: value === "all" ? "all" : Number(value) });
const raise = (layer: Layer, by: number) => jobs.operate("move_layer", { id: layer.id, to: jobs.layers.findIndex((one) => one.id === layer.id) + by });
function where(layer: Layer) {
  if (layer.place) return `on ${jobs.islands[layer.place.island]?.name}`;
  return layer.material === null ? "over the sheet" : `on ${jobs.job?.materials[layer.material]?.name}`;
}
</script>

<template>
  <ul class="layers">
    <li v-for="(layer, i) in upperFirst" :key="layer.id" class="layer" :class="{ on: layer.id === selection.layer, off: !layer.visible }">
      <button type="button" class="pick" :aria-pressed="layer.id === selection.layer" @click="pick(layer)">
        <img :src="api.urls.picture(jobs.job!.id, layer.picture)" alt="" />
        <span><b>{{ layer.name }}</b><small>{{ layer.kind }} {{ where(layer) }}</small></span>
      </button>
      <button type="button" :title="layer.visible ? 'Hide' : 'Show'" :aria-label="`${layer.visible ? 'Hide' : 'Show'} ${layer.name}`" @click="change(layer, { visible: !layer.visible })">
        <PhEye v-if="layer.visible" :size="16" /><PhEyeSlash v-else :size="16" />
      </button>
      <div v-if="layer.id === selection.layer" class="more">
        <label>Opacity <input type="range" min="0" max="100" :value="Math.round(layer.opacity * 100)" @change="change(layer, { opacity: Number(($event.target as HTMLInputElement).value) / 100 })" /></label>
        <span class="num">{{ Math.round(layer.opacity * 100) }} %</span>
        <button type="button" title="Raise" :aria-label="`Raise ${layer.name}`" :disabled="i === 0" @click="raise(layer, 1)"><PhArrowUp :size="15" /></button>
        <button type="button" title="Lower" :aria-label="`Lower ${layer.name}`" :disabled="i === upperFirst.length - 1" @click="raise(layer, -1)"><PhArrowDown :size="15" /></button>
        <label v-if="!layer.place && jobs.job!.materials.length > 1" class="material">
          Shown on
          <select class="form-select" aria-label="Material it shows on" :value="layer.material ?? 'all'" @change="limit(layer, ($event.target as HTMLSelectElement).value)">
            <option value="all">all materials</option>
            <option v-for="(material, m) in jobs.job!.materials" :key="m" :value="m">{{ material.name }} only</option>
          </select>
        </label>
        <button type="button" title="Remove (undo brings it back)" :aria-label="`Remove ${layer.name}`" @click="jobs.operate('remove_layer', { id: layer.id })"><PhTrash :size="15" /></button>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.layers {
  padding: 0;
  margin: 0;
  list-style: none;
}
.layer {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  border: 1px solid var(--rule);
  border-radius: 6px;
  margin-bottom: 5px;
}
.layer.on {
  outline: 2px solid var(--verdigris);
}
.layer.off .pick {
  opacity: 0.55;
}
button {
  display: flex;
  padding: 5px 6px;
  border: 0;
  background: transparent;
  color: var(--ink);
}
button:disabled {
  color: var(--ink-faint);
}
.pick {
  flex: 1;
  min-width: 0;
  align-items: center;
  gap: 8px;
  text-align: left;
}
.pick img {
  width: 30px;
  height: 30px;
  object-fit: contain;
}
.pick span {
  min-width: 0;
  line-height: 1.2;
}
.pick b,
.pick small {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.pick small {
  color: var(--ink-soft);
}
.more {
  display: flex;
  width: 100%;
  flex-wrap: wrap;
  align-items: center;
  padding: 0 4px 4px 8px;
  gap: 3px;
  font-size: 12px;
}
.more .material {
  flex: 1 0 100%;
  order: 1;
  padding: 4px 4px 2px 0;
}
.more label {
  display: flex;
  min-width: 0;
  flex: 1;
  align-items: center;
  gap: 6px;
}
.more input {
  min-width: 0;
  flex: 1;
  accent-color: var(--verdigris);
}
</style>
