<script setup lang="ts">
/** The layers, the upper ones first: what each is and where it lies; whether it shows, in which order, how strong. */
import { PhArrowDown, PhArrowUp, PhCircle, PhCopy, PhLock, PhLockOpen, PhTrash } from "@phosphor-icons/vue";
import { BButton, BFormSelect, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import type { Layer, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";
import RenameField from "@/ui/RenameField.vue";
import { shown } from "@/ui/sums";
import { wordOf } from "./kinds";
import { sideInWords } from "./places/sides";
import { useMaskChoices } from "./useMaskChoices";

const jobs = useJob();
const selection = useSelection();
const masks = useMaskChoices();
/** so light that it would not be seen on paper */
const light = (color: string) => [1, 3, 5].every((at) => parseInt(color.slice(at, at + 2), 16) > 140);
const swatch = (content: Exclude<Layer["content"], { kind: "picture" | "lettering" }>) =>
  content.kind === "fill" ? content.color : `linear-gradient(${content.color}, ${content.to})`;
const edition = computed(() => jobs.job!.artwork.editions[jobs.job!.artwork.shown]);
const upperFirst = computed(() => [...jobs.layers].reverse());

function pick(layer: Layer) {
  selection.layer = layer.id === selection.layer ? null : layer.id;
  if (selection.layer && layer.place.kind === "island") selection.pick(layer.place.island);
}

const change = (layer: Layer, changes: Partial<Operations["change_layer"]>) =>
  jobs.operate("change_layer", { id: layer.id, ...changes });
async function copy(layer: Layer) {
  const at = jobs.layers.findIndex(({ id }) => id === layer.id);
  if (await jobs.operate("duplicate_layer", { id: layer.id })) selection.layer = jobs.layers[at + 1]?.id ?? null;
}
/** the layer under the hand, and the one that it would come to lie on */
const dragged = ref<string | null>(null);
const over = ref<string | null>(null);
function drop(onto: Layer) {
  const to = jobs.layers.findIndex(({ id }) => id === onto.id);
  const id = dragged.value;
  dragged.value = over.value = null;
  return id !== null && id !== onto.id && jobs.operate("move_layer", { id, to });
}
const raise = (layer: Layer, by: number) =>
  jobs.operate("move_layer", { id: layer.id, to: jobs.layers.findIndex(({ id }) => id === layer.id) + by });
function where(layer: Layer) {
  if (layer.place.kind === "island") {
    const { island, panel, width_mm, height_mm } = layer.place;
    const name = jobs.islands[island]?.name ?? "";
    const size = `${shown(width_mm, 1)} × ${shown(height_mm, 1)} mm`;
    return `on ${name}${name.endsWith(panel) ? "" : `, ${panel.toLowerCase()}`}, ${size}`;
  }
  if (layer.place.kind === "surface") {
    const { islands, width_mm, height_mm } = layer.place;
    const names = islands.map((island) => jobs.islands[island]?.name ?? "");
    return `on ${names.slice(0, 2).join(", ")}${names.length > 2 ? ` and ${names.length - 2} more` : ""}, ${shown(width_mm, 1)} × ${shown(height_mm, 1)} mm`;
  }
  if (layer.place.kind === "level")
    return `round the model, ${shown(layer.place.height_mm, 1)} mm wide, ${shown(layer.place.length_mm, 0)} mm long`;
  if (layer.place.kind === "path")
    return `along a path, ${shown(layer.place.height_mm, 1)} mm wide, ${shown(layer.place.length_mm, 0)} mm long`;
  if (layer.place.kind === "model") return "held to the model";
  if (layer.place.kind === "side" && !layer.mask) return `through the model from ${sideInWords(layer.place.side)}`;
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
  <BListGroup tag="ul" class="layers">
    <BListGroupItem
      v-for="(layer, i) in upperFirst"
      :key="layer.id"
      tag="li"
      class="layer d-flex flex-wrap align-items-center px-0"
      :class="{ picked: layer.id === selection.layer, over: layer.id === over && layer.id !== dragged }"
      draggable="true"
      @dragstart="dragged = layer.id"
      @dragenter.prevent="over = layer.id"
      @dragover.prevent
      @dragend="dragged = over = null"
      @drop.prevent.stop="drop(layer)"
    >
      <BButton
        variant="light"
        :title="layer.visible ? 'Hide' : 'Show'"
        :aria-label="`${layer.visible ? 'Hide' : 'Show'} ${layer.name}`"
        @click="change(layer, { visible: !layer.visible })"
      >
        <PhCircle :size="15" :weight="layer.visible ? 'fill' : 'regular'" />
      </BButton>
      <BButton
        variant="light"
        class="pick d-flex flex-fill align-items-center gap-2 text-start"
        :class="{ 'opacity-50': !layer.visible }"
        :aria-pressed="layer.id === selection.layer"
        @click="pick(layer)"
        @keydown.alt.up.prevent.stop="i > 0 && raise(layer, 1)"
        @keydown.alt.down.prevent.stop="i < upperFirst.length - 1 && raise(layer, -1)"
      >
        <img
          v-if="layer.content.kind === 'picture'"
          class="object-fit-contain"
          width="44"
          height="30"
          :src="api.urls.picture(jobs.job!.id, layer.content.picture.digest)"
          alt=""
        />
        <span
          v-else-if="layer.content.kind === 'lettering'"
          class="swatch letters border rounded text-truncate"
          :style="{
            color: layer.content.color,
            background: light(layer.content.color) ? 'var(--bs-body-color)' : undefined,
          }"
          >{{ layer.content.text }}</span
        >
        <span v-else class="swatch border rounded" :style="{ background: swatch(layer.content) }"></span>
        <span class="text"
          ><b class="d-block text-truncate">{{ layer.name }}</b
          ><small class="d-block text-body-secondary">{{ wordOf(layer) }} {{ where(layer) }}</small
          ><small v-if="layer.replaced" class="d-block edition">as in {{ edition }}</small></span
        >
      </BButton>
      <div v-if="layer.id === selection.layer" class="d-flex flex-wrap align-items-center w-100 px-2 gap-1 small">
        <span class="fields w-100">
          <span>Name</span>
          <RenameField
            class="wide"
            :name="layer.name"
            label="Name of the layer"
            @rename="change(layer, { name: $event })"
          />
          <label :for="`blend-${layer.id}`">Blend</label>
          <BFormSelect
            :id="`blend-${layer.id}`"
            class="wide"
            size="sm"
            :model-value="layer.blend"
            :options="[...LIMITS.blend]"
            @update:model-value="change(layer, { blend: $event as Layer['blend'] })"
          />
          <NumberField
            class="wide"
            label="Opacity"
            :value="Math.round(layer.opacity * 100)"
            unit="%"
            :decimals="0"
            @change="change(layer, { opacity: $event / 100 })"
          />
        </span>
        <BButton
          variant="light"
          title="Raise"
          :aria-label="`Raise ${layer.name}`"
          :disabled="i === 0"
          @click="raise(layer, 1)"
        >
          <PhArrowUp :size="15" />
        </BButton>
        <BButton
          variant="light"
          title="Lower"
          :aria-label="`Lower ${layer.name}`"
          :disabled="i === upperFirst.length - 1"
          @click="raise(layer, -1)"
        >
          <PhArrowDown :size="15" />
        </BButton>
        <BButton
          v-if="layer.replaced"
          variant="link"
          size="sm"
          @click="jobs.operate('replace_in_edition', { id: layer.id, restore: true })"
          >As in all editions</BButton
        >
        <BButton
          variant="light"
          :title="layer.locked ? 'Unlock' : 'Lock against changes'"
          :aria-label="`${layer.locked ? 'Unlock' : 'Lock'} ${layer.name}`"
          :aria-pressed="layer.locked"
          @click="change(layer, { locked: !layer.locked })"
        >
          <component :is="layer.locked ? PhLock : PhLockOpen" :size="15" />
        </BButton>
        <BButton variant="light" title="Copy" :aria-label="`Copy ${layer.name}`" @click="copy(layer)">
          <PhCopy :size="15" />
        </BButton>
        <BButton
          variant="light"
          title="Remove (undo brings it back)"
          :aria-label="`Remove ${layer.name}`"
          @click="jobs.operate('remove_layer', { id: layer.id })"
        >
          <PhTrash :size="15" />
        </BButton>
        <label
          v-if="layer.place.kind === 'sheet'"
          class="d-flex align-items-center w-100 gap-2 text-nowrap"
          :for="`shown-on-${layer.id}`"
        >
          Shown on
          <BFormSelect
            :id="`shown-on-${layer.id}`"
            aria-label="What it shows on"
            :model-value="masks.choiceOf(layer.mask) ?? 'own'"
            :options="limits(layer)"
            @update:model-value="limit(layer, String($event))"
          />
        </label>
      </div>
    </BListGroupItem>
  </BListGroup>
</template>

<style scoped>
.text {
  min-width: 0;
  flex: 1;
  line-height: 1.2;
}
.pick {
  flex-basis: 0 !important;
  min-width: 0;
}
.swatch {
  width: 44px;
  height: 30px;
  flex: none;
}
.letters {
  overflow: hidden;
  padding: 0 3px;
  background: var(--bs-body-bg);
  font: 600 12px/28px serif;
}
.over {
  box-shadow: inset 0 3px var(--verdigris);
}
.edition {
  color: var(--verdigris);
}
</style>
