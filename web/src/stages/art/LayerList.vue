<script setup lang="ts">
/** The layers, the upper ones first, in their groups: what each is and where it lies; whether it shows, in which order. */
import { PhCircle } from "@/ui/icons";
import { BButton, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { Layer, LayerGroup } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import GroupRow from "./GroupRow.vue";
import { wordOf } from "./kinds";
import LayerThumb from "./LayerThumb.vue";
import LayerTools from "./LayerTools.vue";
import { useLayerWords } from "./layerWords";

type Row = { key: string; group: LayerGroup; layer: null } | { key: string; group: LayerGroup | null; layer: Layer };

const jobs = useJob();
const selection = useSelection();
const { where } = useLayerWords();
const edition = computed(() => jobs.job!.artwork.editions[jobs.job!.artwork.shown]);
/** groups that are folded, by name */
const folded = ref(new Set<string>());

const rows = computed(() => {
  const groups = new Map(jobs.job!.artwork.groups.map((group) => [group.name, group]));
  const found: Row[] = [];
  let above: string | null = null;
  for (const layer of [...jobs.layers].reverse()) {
    const group = layer.group === null ? null : groups.get(layer.group)!;
    if (group && group.name !== above) found.push({ key: `group ${group.name}`, group, layer: null });
    if (!group || !folded.value.has(group.name)) found.push({ key: layer.id, group, layer });
    above = layer.group;
  }
  return found;
});

function fold(name: string) {
  const now = new Set(folded.value);
  if (!now.delete(name)) now.add(name);
  folded.value = now;
}
function renamed(from: string, to: string) {
  if (folded.value.has(from)) folded.value = new Set([...folded.value, to]);
}

function pick(layer: Layer) {
  selection.layer = layer.id === selection.layer ? null : layer.id;
  if (selection.layer && layer.place.kind === "island") selection.pick(layer.place.island);
}

const indexOf = (layer: Layer) => jobs.layers.findIndex(({ id }) => id === layer.id);
/** the layer under the hand, and the row that it would come to lie on */
const dragged = ref<string | null>(null);
const over = ref<string | null>(null);
function drop({ group, layer }: Row) {
  const id = dragged.value;
  dragged.value = over.value = null;
  if (id === null || id === layer?.id) return;
  if (layer) void jobs.operate("move_layer", { id, to: indexOf(layer) });
  else void jobs.operate("group_layers", { ids: [id], group: group.name });
}
function raise(layer: Layer, by: number) {
  const to = indexOf(layer) + by;
  if (to >= 0 && to < jobs.layers.length) void jobs.operate("move_layer", { id: layer.id, to });
}
const dim = ({ group, layer }: Row) => group?.visible === false || layer?.visible === false;
</script>

<template>
  <BListGroup tag="ul" class="layers">
    <BListGroupItem
      v-for="row in rows"
      :key="row.key"
      tag="li"
      class="layer d-flex flex-wrap align-items-center px-0"
      :class="{
        picked: row.layer && row.layer.id === selection.layer,
        over: row.key === over && row.key !== dragged,
        inside: row.layer && row.group,
      }"
      :draggable="row.layer !== null"
      @dragstart="dragged = row.layer?.id ?? null"
      @dragenter.prevent="over = row.key"
      @dragover.prevent
      @dragend="dragged = over = null"
      @drop.prevent.stop="drop(row)"
    >
      <GroupRow
        v-if="!row.layer"
        :group="row.group"
        :open="!folded.has(row.group.name)"
        @fold="fold(row.group.name)"
        @renamed="renamed(row.group.name, $event)"
      />
      <template v-else>
        <BButton
          variant="light"
          :title="row.layer.visible ? 'Hide' : 'Show'"
          :aria-label="`${row.layer.visible ? 'Hide' : 'Show'} ${row.layer.name}`"
          @click="jobs.operate('change_layer', { id: row.layer.id, visible: !row.layer.visible })"
        >
          <PhCircle :size="15" :weight="row.layer.visible ? 'fill' : 'regular'" />
        </BButton>
        <BButton
          variant="light"
          class="pick d-flex flex-fill align-items-center gap-2 text-start"
          :class="{ 'opacity-50': dim(row) }"
          :aria-pressed="row.layer.id === selection.layer"
          @click="pick(row.layer)"
          @keydown.alt.up.prevent.stop="raise(row.layer, 1)"
          @keydown.alt.down.prevent.stop="raise(row.layer, -1)"
        >
          <LayerThumb :content="row.layer.content" />
          <span class="text"
            ><b class="d-block text-truncate">{{ row.layer.name }}</b
            ><small class="d-block text-body-secondary">{{ wordOf(row.layer) }} {{ where(row.layer) }}</small
            ><small v-if="row.layer.replaced" class="d-block edition">as in {{ edition }}</small></span
          >
        </BButton>
        <LayerTools v-if="row.layer.id === selection.layer" :layer="row.layer" />
      </template>
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
.over {
  box-shadow: inset 0 3px var(--verdigris);
}
.inside {
  padding-left: 14px !important;
}
.edition {
  color: var(--verdigris);
}
</style>
