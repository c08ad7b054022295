<script setup lang="ts">
/** The cells, to be picked, renamed, changed by the px and taken out. */
import { computed, nextTick, ref, watch } from "vue";
import type { Cell } from "@/api/types";
import { useFitting } from "@/stores/fitting";
import NumberField from "@/ui/NumberField.vue";
import RenameField from "@/ui/RenameField.vue";

const SIDES = ["x", "y", "width", "height"] as const;
const emit = defineEmits<{ set: [cells: Cell[]] }>();
const fitting = useFitting();
const list = ref<HTMLElement | null>(null);

const picked = computed(() => (fitting.cell === null ? null : (fitting.cells[fitting.cell] ?? null)));
const swatch = (cell: Cell) => (cell.color ? { background: `rgb(${cell.color.join(" ")})` } : {});
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
  <ul ref="list" class="cells" role="listbox" aria-label="Cells of the picture">
    <li
      v-for="(cell, index) in fitting.cells"
      :key="index"
      role="option"
      :aria-selected="index === fitting.cell"
      :class="{ on: index === fitting.cell }"
    >
      <button type="button" @click="fitting.cell = index === fitting.cell ? null : index">
        <span class="swatch" :style="swatch(cell)"></span><span class="name">{{ cell.name }}</span>
        <span class="num">{{ cell.width }} × {{ cell.height }}{{ cell.shade ? ", shaded" : "" }}</span>
      </button>
    </li>
  </ul>
  <div v-if="picked" class="picked">
    <span class="head">
      <RenameField :name="picked.name" label="Name of the cell" @rename="change({ name: $event })" />
      <button
        type="button"
        title="Take the cell out"
        aria-label="Take the cell out"
        :disabled="fitting.underlay?.locked"
        @click="
          emit(
            'set',
            fitting.cells.filter((_, i) => i !== fitting.cell),
          )
        "
      >
        ×
      </button>
    </span>
    <span class="four">
      <NumberField
        v-for="side in SIDES"
        :key="side"
        :label="`Cell ${side}`"
        hide-label
        :value="picked[side]"
        :decimals="0"
        @change="change({ [side]: Math.round($event) })"
      />
    </span>
  </div>
</template>

<style scoped>
.cells {
  overflow: auto;
  max-height: 158px;
  padding: 0;
  margin: 0;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--panel);
  list-style: none;
}
li button {
  display: grid;
  width: 100%;
  align-items: center;
  padding: 2px 7px;
  border: 0;
  background: transparent;
  color: inherit;
  gap: 7px;
  grid-template-columns: 14px minmax(0, 1fr) auto;
  text-align: left;
}
li.on {
  background: color-mix(in srgb, var(--persimmon-deep) 16%, transparent);
  font-weight: 600;
}
.swatch {
  width: 14px;
  height: 14px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.num {
  color: var(--ink-soft);
  font-weight: 400;
}
.picked {
  padding-top: 5px;
}
.head {
  display: flex;
}
.head button {
  padding: 0 6px;
  border: 0;
  background: transparent;
  color: var(--ink-soft);
  font-size: 16px;
}
.four {
  display: grid;
  gap: 4px;
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
</style>
