<script setup lang="ts">
/**
 * Sets picked islands, or all faces of a material, into the picked cell; turns them in it; lays them along a gradient.
 */
import { BButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { Assignment, FitWay, Operations } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { counted, usePicks } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";
import GradientFields from "./GradientFields.vue";

const WAYS: Record<FitWay, string> = {
  inside: "as large as goes",
  fill: "fill it",
  cover: "cover it",
  true_shape: "in true shape",
};
const jobs = useJob();
const fitting = useFitting();
const picks = usePicks();
const selection = useSelection();
const way = ref<FitWay>("inside");
/** a material, the faces picked while cutting, or null for the picked islands */
const material = ref<number | "faces" | null>(null);
/** several islands are set in as one; or else each for itself */
const asOne = ref(false);
/** how what was set in last is turned and whether it is mirrored, to go on from */
const last = ref<{ turn_deg: number; mirrored: boolean }>({ turn_deg: 0, mirrored: false });

const cell = computed(() => (fitting.cell === null ? null : (fitting.cells[fitting.cell] ?? null)));
const islands = computed(() => [...selection.islands]);
const picked = computed(() => jobs.islands.filter((island) => islands.value.includes(island.index)));
const named = computed(() =>
  picked.value.length === 1 ? picked.value[0]!.name : counted(picked.value.length, "islands"),
);
/** islands that lie on the picked ones, and so go along */
const goAlong = computed(() =>
  picked.value.flatMap(({ stack }) => stack).filter((index) => !selection.islands.includes(index)),
);
const faces = computed(() => [...picks.sets.faces]);
const materials = computed(() => [
  { value: null, text: "picked islands" },
  ...(faces.value.length > 0 ? [{ value: "faces", text: `${counted(faces.value.length, "faces")} picked` }] : []),
  ...jobs.job!.materials.map(({ name }, i) => ({ value: i, text: `all of ${name}` })),
]);
const what = computed(() =>
  material.value === null
    ? named.value
    : material.value === "faces"
      ? counted(faces.value.length, "faces")
      : jobs.job!.materials[material.value]!.name,
);
const ready = computed(() => cell.value !== null && (material.value !== null || islands.value.length > 0));
const subject = () =>
  material.value === null
    ? { islands: islands.value }
    : material.value === "faces"
      ? { faces: faces.value }
      : { material: material.value };

async function set(turn_deg = 0, mirrored = false) {
  const assignment: Assignment = {
    ...subject(),
    cell: fitting.cell!,
    way: way.value,
    turn_deg,
    mirrored,
    together: material.value === "faces" || asOne.value,
  };
  if (await jobs.operate("set_into_cells", { assignments: [assignment] })) last.value = { turn_deg, mirrored };
}

const shade = (way: Pick<Operations["lay_along_gradient"], "direction" | "way" | "reverse">) =>
  jobs.operate("lay_along_gradient", { ...subject(), cell: fitting.cell!, ...way });
const park = () =>
  jobs.operate("set_into_cells", { assignments: [{ rest: true, cell: fitting.cell, way: "inside", together: false }] });
const keep = () => jobs.operate("keep_map", { name: `Match ${jobs.job!.kept_maps.length + 1}` });
</script>

<template>
  <h3>Into {{ cell ? cell.name : "a cell" }}</h3>
  <p v-if="!cell" class="form-text">Pick a cell in the list, or click it on the sheet where no island lies.</p>
  <template v-else>
    <div class="fields">
      <span>What</span>
      <BFormSelect v-model="material" class="wide" aria-label="What is set in" :options="materials" />
      <span>How</span>
      <BFormSelect
        v-model="way"
        class="wide"
        aria-label="How it is set in"
        :options="Object.entries(WAYS).map(([value, text]) => ({ value, text }))"
      />
      <NumberField
        class="wide"
        label="Inset"
        :value="fitting.fit_setup.inset_px"
        unit="px"
        :decimals="2"
        @change="jobs.operate('set_inset', { inset_px: $event })"
      />
    </div>
    <BFormCheckbox v-if="material === null && picked.length > 1" v-model="asOne" class="mt-2"
      >As one, and not each for itself</BFormCheckbox
    >
    <p v-if="material === null && goAlong.length > 0" class="form-text mt-2">
      {{ goAlong.map((index) => jobs.islands[index]!.name).join(", ") }}
      {{ goAlong.length === 1 ? "goes" : "go" }} along, lying on what is picked.
    </p>
    <BButton variant="primary" class="btn-wide" :disabled="!ready" @click="set()">
      {{ material === null && islands.length === 0 ? "Pick islands first" : `Set ${what} in` }}
    </BButton>
    <div class="row-of">
      <BButton
        variant="secondary"
        :disabled="!ready"
        title="A quarter turn further, in the same cell"
        @click="set((last.turn_deg + 90) % 360, last.mirrored)"
      >
        Turn in it
      </BButton>
      <BButton
        variant="secondary"
        :disabled="!ready"
        title="Turned over, in the same cell"
        @click="set(last.turn_deg, !last.mirrored)"
      >
        Turn over
      </BButton>
    </div>
    <GradientFields
      v-if="cell.shade !== null || cell.color === null"
      :what="ready ? what : 'picked islands'"
      :ready="ready"
      @lay="shade"
    />
    <div class="row-of">
      <BButton
        variant="secondary"
        title="All islands that were not set into a cell yet, wherever they lie"
        @click="park"
      >
        The rest here
      </BButton>
      <BButton
        variant="secondary"
        title="Keeps the layout as it is now; Match lists, compares and goes back to kept ones"
        @click="keep"
      >
        Keep this match
      </BButton>
    </div>
  </template>
</template>
