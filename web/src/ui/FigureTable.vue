<script setup lang="ts" generic="Row extends { name: string; on?: boolean }">
/** Figures by island or place: a name that can be pressed, and its figures beside it. */
import { BButton, BTable } from "bootstrap-vue-next";
import type { TableFieldRaw } from "bootstrap-vue-next";
import { computed, ref } from "vue";

const { most = 5, ...props } = defineProps<{
  /** heading of the names */
  of: string;
  rows: Row[];
  /** key of a figure in the rows, or of the slot that shows it => its heading; "": the key, to be heard alone */
  figures: Record<string, string>;
  /** so many are listed until all are asked for */
  most?: number;
}>();
/** what a page can take in one go */
const LIMIT = 500;
const emit = defineEmits<{ press: [row: Row, event: MouseEvent] }>();
const fields = computed(
  () =>
    [
      { key: "name", label: props.of, isRowHeader: true },
      ...Object.entries(props.figures).map(([key, label]) => ({ key, label, tdClass: "num" })),
    ] as TableFieldRaw<Row>[],
);
const whole = ref(false);
const listed = computed(() => props.rows.slice(0, whole.value ? LIMIT : most));
const unheaded = computed(() => Object.keys(props.figures).filter((key) => props.figures[key] === ""));
const figureOf = (row: unknown, key: string) => (row as Record<string, unknown>)[key];
</script>

<template>
  <div>
    <BTable
      class="figures"
      :items="listed"
      :fields="fields"
      small
      :tbody-tr-class="(row) => ((row as Row | null)?.on ? 'table-active' : '')"
    >
      <template #cell(name)="{ item }">
        <BButton variant="link" class="text-truncate" @click="emit('press', item as Row, $event)">
          {{ (item as Row).name }}
        </BButton>
      </template>
      <template v-for="key in unheaded" :key="key" #[`head(${key})`]
        ><span class="visually-hidden">{{ key }}</span></template
      >
      <template v-for="(_, key) in figures" :key="key" #[`cell(${key})`]="{ item }">
        <slot :name="key" :row="item as Row">{{ figureOf(item, key) }}</slot>
      </template>
    </BTable>
    <BButton v-if="rows.length > most" variant="link" size="sm" @click="whole = !whole">
      {{ whole ? `Show ${most}` : rows.length > LIMIT ? `Show ${LIMIT} of ${rows.length}` : `Show all ${rows.length}` }}
    </BButton>
  </div>
</template>
