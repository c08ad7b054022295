<script setup lang="ts">
/** The layers, the upper ones first, with order, visibility and opacity. */
import { PhArrowDown, PhArrowUp, PhEye, PhEyeSlash, PhTrash } from "@phosphor-icons/vue";
import { BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Layer, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { wordOf } from "./kinds";
import { useMaskChoices } from "./useMaskChoices";

const jobs = useJob();
const selection = useSelection();
const masks = useMaskChoices();
const upperFirst = computed(() => [...jobs.layers].reverse());

function pick(layer: Layer) {
  selection.layer = layer.id === selection.layer ? null : layer.id;
  if (selection.layer && layer.place.kind === "island") selection.pick(layer.place.island);
}

const change = (layer: Layer, changes: Partial<Operations["change_layer"]>) =>
  jobs.operate("change_layer", { id: layer.id, ...changes });
const raise = (layer: Layer, by: number) =>
  jobs.operate("move_layer", { id: layer.id, to: jobs.layers.findIndex((one) => one.id === layer.id) + by });
function where(layer: Layer) {
  if (layer.place.kind === "island") return `on ${jobs.islands[layer.place.island]?.name}`;
  return layer.mask ? `on ${masks.wordsOf(layer.mask)}` : "over the sheet";
}
/** What a layer can be limited to; what it is limited to now stands first where it is none of these. */
function limits(layer: Layer) {
  const own = masks.choiceOf(layer.mask) === null ? [{ value: "own", text: masks.wordsOf(layer.mask!) }] : [];
  return [...own, ...masks.choices.value];
}
const limit = (layer: Layer, choice: string) => choice !== "own" && change(layer, { mask: masks.maskOf(choice) });
</script>

<template>
  <ul class="layers">
    <li
      v-for="(layer, i) in upperFirst"
      :key="layer.id"
      class="layer"
      :class="{ on: layer.id === selection.layer, off: !layer.visible }"
    >
      <button type="button" class="pick" :aria-pressed="layer.id === selection.layer" @click="pick(layer)">
        <img
          v-if="layer.content.kind === 'picture'"
          :src="api.urls.picture(jobs.job!.id, layer.content.picture.digest)"
          alt=""
        />
        <span v-else class="swatch" :style="{ background: layer.content.color }"></span>
        <span
          ><b>{{ layer.name }}</b
          ><small>{{ wordOf(layer) }} {{ where(layer) }}</small></span
        >
      </button>
      <button
        type="button"
        :title="layer.visible ? 'Hide' : 'Show'"
        :aria-label="`${layer.visible ? 'Hide' : 'Show'} ${layer.name}`"
        @click="change(layer, { visible: !layer.visible })"
      >
        <PhEye v-if="layer.visible" :size="16" /><PhEyeSlash v-else :size="16" />
      </button>
      <div v-if="layer.id === selection.layer" class="more">
        <label
          >Opacity
          <input
            type="range"
            min="0"
            max="100"
            :value="Math.round(layer.opacity * 100)"
            @change="change(layer, { opacity: Number(($event.target as HTMLInputElement).value) / 100 })"
        /></label>
        <span class="num">{{ Math.round(layer.opacity * 100) }} %</span>
        <button
          type="button"
          title="Raise"
          :aria-label="`Raise ${layer.name}`"
          :disabled="i === 0"
          @click="raise(layer, 1)"
        >
          <PhArrowUp :size="15" />
        </button>
        <button
          type="button"
          title="Lower"
          :aria-label="`Lower ${layer.name}`"
          :disabled="i === upperFirst.length - 1"
          @click="raise(layer, -1)"
        >
          <PhArrowDown :size="15" />
        </button>
        <label v-if="layer.place.kind === 'sheet'" class="material">
          Shown on
          <BFormSelect
            aria-label="What it shows on"
            :model-value="masks.choiceOf(layer.mask) ?? 'own'"
            :options="limits(layer)"
            @update:model-value="limit(layer, String($event))"
          />
        </label>
        <button
          type="button"
          title="Remove (undo brings it back)"
          :aria-label="`Remove ${layer.name}`"
          @click="jobs.operate('remove_layer', { id: layer.id })"
        >
          <PhTrash :size="15" />
        </button>
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
.pick .swatch {
  width: 30px;
  height: 30px;
  flex: none;
  border: 1px solid var(--rule);
  border-radius: 4px;
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
