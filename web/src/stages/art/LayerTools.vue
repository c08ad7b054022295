<script setup lang="ts">
/** All that can be done to the picked layer, whatever it shows: name, blending, group, order, copies, what it shows on. */
import {
  PhArrowDown,
  PhArrowsInLineVertical,
  PhArrowsOutLineVertical,
  PhArrowUp,
  PhCopy,
  PhLock,
  PhLockOpen,
  PhTrash,
} from "@/ui/icons";
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import { LIMITS } from "@/api/operations";
import type { Layer, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import IconButton from "@/ui/IconButton.vue";
import NumberField from "@/ui/NumberField.vue";
import RenameField from "@/ui/RenameField.vue";
import CopyToJob from "./CopyToJob.vue";
import LayerReach from "./LayerReach.vue";
import { useMaskChoices } from "./useMaskChoices";

const NEW = "\n";
const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const selection = useSelection();
const masks = useMaskChoices();

const at = computed(() => jobs.layers.findIndex(({ id }) => id === props.layer.id));
const below = computed(() => jobs.layers[at.value - 1] ?? null);
const editions = computed(() => jobs.job!.artwork.editions);
const change = (changes: Partial<Operations["change_layer"]>) =>
  jobs.operate("change_layer", { id: props.layer.id, ...changes });
const move = (by: number) => jobs.operate("move_layer", { id: props.layer.id, to: at.value + by });

async function copy(edition?: string) {
  const former = at.value;
  if (await jobs.operate("duplicate_layer", { id: props.layer.id, edition }))
    selection.layer = jobs.layers[former + 1]?.id ?? null;
}
async function mergeDown() {
  const lower = below.value;
  if (lower && (await jobs.operate("merge_down", { id: props.layer.id }))) selection.layer = lower.id;
}

const groups = computed(() => [
  { value: "", text: "none" },
  ...jobs.job!.artwork.groups.map(({ name }) => ({ value: name, text: name })),
  { value: NEW, text: "a new one" },
]);
const putInto = (group: string) =>
  jobs.operate("group_layers", { ids: [props.layer.id], ...(group === NEW ? {} : { group }) });

/** What it can be limited to; what it is limited to now stands first where it is none of these. */
const limits = computed(() => {
  const { mask } = props.layer;
  const own = masks.choiceOf(mask) === null ? [{ value: "own", text: masks.wordsOf(mask!) }] : [];
  return [...own, ...masks.choices.value];
});
const limit = (choice: string) => choice !== "own" && change({ mask: masks.maskOf(choice) });
</script>

<template>
  <div class="d-flex flex-wrap align-items-center w-100 px-2 gap-1 small">
    <span class="fields w-100">
      <span>Name</span>
      <RenameField class="wide" :name="layer.name" label="Name of the layer" @rename="change({ name: $event })" />
      <label :for="`blend-${layer.id}`">Blend</label>
      <BFormSelect
        :id="`blend-${layer.id}`"
        class="wide"
        size="sm"
        :model-value="layer.blend"
        :options="[...LIMITS.blend]"
        @update:model-value="change({ blend: $event as Layer['blend'] })"
      />
      <NumberField
        class="wide"
        label="Opacity"
        :value="Math.round(layer.opacity * 100)"
        unit="%"
        :decimals="0"
        @change="change({ opacity: $event / 100 })"
      />
      <template v-if="jobs.layers.length > 1">
        <label :for="`group-${layer.id}`">Group</label>
        <BFormSelect
          :id="`group-${layer.id}`"
          class="wide"
          size="sm"
          :model-value="layer.group ?? ''"
          :options="groups"
          @update:model-value="putInto(String($event))"
        />
      </template>
      <template v-if="layer.place.kind === 'sheet' && layer.content.kind !== 'guide'">
        <label :for="`shown-on-${layer.id}`">Shown on</label>
        <BFormSelect
          :id="`shown-on-${layer.id}`"
          class="wide"
          size="sm"
          aria-label="What it shows on"
          :model-value="masks.choiceOf(layer.mask) ?? 'own'"
          :options="limits"
          @update:model-value="limit(String($event))"
        />
      </template>
      <template v-if="editions.length > 1">
        <label :for="`copy-for-${layer.id}`">Copy for</label>
        <BFormSelect
          :id="`copy-for-${layer.id}`"
          class="wide"
          size="sm"
          :model-value="''"
          :options="[{ value: '', text: 'one edition…' }, ...editions]"
          @update:model-value="copy(String($event))"
        />
      </template>
      <CopyToJob v-if="layer.content.kind !== 'guide'" :layer="layer" />
    </span>
    <IconButton title="Raise" :label="`Raise ${layer.name}`" :disabled="at === jobs.layers.length - 1" @click="move(1)">
      <PhArrowUp :size="15" />
    </IconButton>
    <IconButton title="Lower" :label="`Lower ${layer.name}`" :disabled="at === 0" @click="move(-1)">
      <PhArrowDown :size="15" />
    </IconButton>
    <IconButton
      v-if="layer.content.kind === 'merged'"
      title="Part it into its layers again"
      :label="`Part ${layer.name} into its layers`"
      @click="jobs.operate('part_layers', { id: layer.id })"
    >
      <PhArrowsOutLineVertical :size="15" />
    </IconButton>
    <IconButton
      :title="below ? `Merge with ${below.name} (can be parted again)` : 'There is no layer below it'"
      :label="`Merge ${layer.name} down`"
      :disabled="!below || layer.content.kind === 'guide'"
      @click="mergeDown"
    >
      <PhArrowsInLineVertical :size="15" />
    </IconButton>
    <IconButton
      :title="layer.locked ? 'Unlock' : 'Lock against changes'"
      :label="`${layer.locked ? 'Unlock' : 'Lock'} ${layer.name}`"
      :pressed="layer.locked"
      @click="change({ locked: !layer.locked })"
    >
      <component :is="layer.locked ? PhLock : PhLockOpen" :size="15" />
    </IconButton>
    <IconButton title="Copy" :label="`Copy ${layer.name}`" @click="copy()">
      <PhCopy :size="15" />
    </IconButton>
    <IconButton
      title="Remove (undo brings it back)"
      :label="`Remove ${layer.name}`"
      @click="jobs.operate('remove_layer', { id: layer.id })"
    >
      <PhTrash :size="15" />
    </IconButton>
    <BButton
      v-if="layer.replaced"
      variant="link"
      size="sm"
      @click="jobs.operate('replace_in_edition', { id: layer.id, restore: true })"
      >As in all editions</BButton
    >
    <LayerReach :layer="layer" />
  </div>
</template>
