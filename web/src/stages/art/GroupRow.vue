<script setup lang="ts">
/** The heading of a group of layers: it folds them, shows or hides them, and locks, fades and moves them as one. */
import { PhArrowDown, PhArrowUp, PhCaretRight, PhCircle, PhLock, PhLockOpen } from "@/ui/icons";
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { LayerGroup, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import IconButton from "@/ui/IconButton.vue";
import NumberField from "@/ui/NumberField.vue";
import RenameField from "@/ui/RenameField.vue";

const props = defineProps<{ group: LayerGroup; open: boolean }>();
const emit = defineEmits<{ fold: []; renamed: [name: string] }>();
const jobs = useJob();
const picked = ref(false);

const own = computed(() => jobs.layers.filter(({ group }) => group === props.group.name));
const change = (changes: Omit<Operations["change_group"], "group">) =>
  jobs.operate("change_group", { group: props.group.name, ...changes });

/** how many layers that are not in it lie below it */
const below = computed(() => jobs.layers.findIndex(({ group }) => group === props.group.name));
const others = computed(() => jobs.layers.length - own.value.length);

async function rename(name: string) {
  if (await change({ name })) emit("renamed", name);
}
</script>

<template>
  <div class="d-flex flex-wrap align-items-center w-100">
    <IconButton
      :title="group.visible ? 'Hide the group' : 'Show the group'"
      :label="`${group.visible ? 'Hide' : 'Show'} group ${group.name}`"
      @click="change({ visible: !group.visible })"
    >
      <PhCircle :size="15" :weight="group.visible ? 'fill' : 'regular'" />
    </IconButton>
    <IconButton
      :title="open ? 'Fold the group' : 'Unfold the group'"
      :label="`${open ? 'Fold' : 'Unfold'} group ${group.name}`"
      :aria-expanded="open"
      @click="emit('fold')"
    >
      <PhCaretRight :size="12" weight="bold" :class="{ turned: open }" aria-hidden="true" />
    </IconButton>
    <BButton
      variant="light"
      class="pick d-flex flex-fill align-items-center gap-2 text-start"
      :aria-pressed="picked"
      @click="picked = !picked"
    >
      <b class="text-truncate">{{ group.name }}</b>
      <small class="text-body-secondary text-nowrap ms-auto"
        >{{ own.length }} {{ own.length === 1 ? "layer" : "layers" }}</small
      >
    </BButton>
    <div v-if="picked" class="d-flex flex-wrap align-items-center w-100 px-2 gap-1 small">
      <span class="fields w-100">
        <span>Group</span>
        <RenameField class="wide" :name="group.name" label="Name of the group" @rename="rename" />
        <NumberField
          class="wide"
          label="All of it"
          :value="Math.round(group.opacity * 100)"
          unit="%"
          :decimals="0"
          @change="change({ opacity: $event / 100 })"
        />
      </span>
      <IconButton
        title="Raise the group"
        :label="`Raise group ${group.name}`"
        :disabled="below >= others"
        @click="change({ to: below + 1 })"
      >
        <PhArrowUp :size="15" />
      </IconButton>
      <IconButton
        title="Lower the group"
        :label="`Lower group ${group.name}`"
        :disabled="below <= 0"
        @click="change({ to: below - 1 })"
      >
        <PhArrowDown :size="15" />
      </IconButton>
      <IconButton
        :title="group.locked ? 'Unlock the group' : 'Lock the group against changes'"
        :label="`${group.locked ? 'Unlock' : 'Lock'} group ${group.name}`"
        :pressed="group.locked"
        @click="change({ locked: !group.locked })"
      >
        <component :is="group.locked ? PhLock : PhLockOpen" :size="15" />
      </IconButton>
      <BButton
        variant="link"
        size="sm"
        class="ms-auto"
        @click="jobs.operate('group_layers', { ids: own.map(({ id }) => id), group: '' })"
        >Ungroup</BButton
      >
    </div>
  </div>
</template>

<style scoped>
.pick {
  flex-basis: 0 !important;
  min-width: 0;
}
.turned {
  transform: rotate(90deg);
}
</style>
