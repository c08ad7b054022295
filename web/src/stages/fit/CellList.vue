<script setup lang="ts">
/** The cells, to be picked, renamed, changed by the px and taken out. */
import { BButton, BCloseButton } from "bootstrap-vue-next";
import { computed, nextTick, ref, watch } from "vue";
import type { Cell } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import ColorSwatch from "@/ui/ColorSwatch.vue";
import NumberField from "@/ui/NumberField.vue";
import RenameField from "@/ui/RenameField.vue";

const SIDES = ["x", "y", "width", "height"] as const;
const emit = defineEmits<{ set: [cells: Cell[]] }>();
const fitting = useFitting();
const list = ref<HTMLElement | null>(null);

const picked = computed(() => (fitting.cell === null ? null : (fitting.cells[fitting.cell] ?? null)));
const change = (changes: Partial<Cell>) =>
  emit(
    "set",
    fitting.cells.map((cell, i) =>
      i === fitting.cell ? { ...cell, ...changes, outline: "name" in changes ? cell.outline : null } : cell,
    ),
  );

watch(
  () => fitting.cell,
  async () => {
    await nextTick();
    list.value?.querySelector("[aria-selected=true]")?.scrollIntoView({ block: "nearest" });
  },
);
</script>

<template>
  <h3>{{ fitting.cells.length === 1 ? "One cell" : `${fitting.cells.length} cells` }}</h3>
  <div ref="list" class="cells border rounded" role="listbox" aria-label="Cells of the picture">
    <BButton
      v-for="(cell, index) in fitting.cells"
      :key="index"
      variant="light"
      role="option"
      class="d-flex align-items-center w-100 gap-2 rounded-0"
      :class="{ on: index === fitting.cell }"
      :aria-selected="index === fitting.cell"
      @click="fitting.cell = index === fitting.cell ? null : index"
    >
      <ColorSwatch :color="cell.color?.map((level) => level / 255) ?? null" />
      <span class="me-auto text-truncate">{{ cell.name }}</span>
      <span class="num text-nowrap text-body-secondary"
        >{{ cell.width }} × {{ cell.height }}{{ cell.shade ? ", shaded" : "" }}</span
      >
    </BButton>
  </div>
  <div v-if="picked" class="pt-1">
    <span class="d-flex align-items-center">
      <RenameField :name="picked.name" label="Name of the cell" @rename="change({ name: $event })" />
      <BCloseButton
        title="Remove the cell"
        aria-label="Remove the cell"
        :disabled="fitting.underlay?.locked"
        @click="
          emit(
            'set',
            fitting.cells.filter((_, i) => i !== fitting.cell),
          )
        "
      />
    </span>
    <span class="four">
      <NumberField
        v-for="side in SIDES"
        :key="side"
        :label="`Cell ${side}`"
        hide-label
        :value="picked[side]"
        :decimals="0"
        @change="change({ [side]: $event })"
      />
    </span>
  </div>
</template>

<style scoped>
.cells {
  overflow: auto;
  max-height: 140px;
}
.cells .btn {
  min-height: 28px;
  padding: 2px 7px;
}
.cells .on {
  background: color-mix(in srgb, currentcolor 9%, transparent);
  font-weight: 600;
}
</style>
