<script setup lang="ts">
/** Cutting the surface open and laying it flat, with the figures that tell what came of it. */
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import SeamTools from "./SeamTools.vue";
import StretchTable from "./StretchTable.vue";

const METHODS = [
  { value: "unfold", text: "Unfold", what: "Least distortion for any piece, no face turned over. Cuts that are missing are made where nobody looks." },
  { value: "rollout", text: "Roll out", what: "A cylinder or cone is fitted and developed exactly, its front level in the middle, its seam at the back." },
  { value: "direction", text: "Six directions", what: "Parted by the box side that faces look to, each seen straight from there." },
  { value: "angle", text: "By angle", what: "Parted where faces lean further apart than the limit, each piece seen square-on." },
  { value: "seen", text: "As seen now", what: "As the proof shows it now: what leans away comes out shortened, as a gradient over slopes wants it." },
  { value: "x", text: "Along x", what: "As seen from the right, whatever leans away." },
  { value: "y", text: "Along y", what: "As seen from above, such as a roof." },
  { value: "z", text: "Along z", what: "As seen from the front." },
  { value: "square_on", text: "Square-on", what: "Each piece as seen straight on. True only where it is flat." },
];

const jobs = useJob();
const selection = useSelection();
const method = ref("unfold");
const seams = ref<"drawn" | "angle" | "none">("drawn");
const angle = ref(60);
const working = ref(false);
const before = ref<Record<string, number | null>>({});

const chosen = computed(() => METHODS.find((one) => one.value === method.value)!);
const picked = computed(() => selection.islands.length);
const asksAngle = computed(() => seams.value === "angle" || method.value === "angle");
const target = computed(() => (picked.value === 0 ? "everything" : picked.value === 1 ? jobs.islands[selection.islands[0]!]?.name : `${picked.value} islands`));

/** Runs a change and keeps the figures from before it beside those after. */
async function run(name: string, parameters: object) {
  const former = Object.fromEntries(jobs.islands.map((island) => [island.name, island.stretch_worst]));
  working.value = true;
  const count = jobs.islands.length;
  if (await jobs.operate(name, parameters)) {
    before.value = former;
    if (jobs.islands.length !== count) selection.pick(null);
  }
  working.value = false;
}

/** the methods that show the surface from one direction */
const direction = computed(() => ({ x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], seen: [...selection.eye] })[method.value] ?? null);

function flatten() {
  const islands = picked.value > 0 ? [...selection.islands] : null;
  return run("lay_flat", { islands, by: direction.value ? "seen" : method.value, seams: seams.value, angle_deg: angle.value, direction: direction.value });
}
</script>

<template>
  <template v-if="jobs.job">
    <h2>Cut and lay flat</h2>
    <SeamTools :angle="angle" />
    <h3>Lay flat</h3>
    <div class="fields">
      <label for="flatten-method" class="align-self-center">Method</label>
      <BFormSelect id="flatten-method" v-model="method" class="wide" :options="METHODS" />
    </div>
    <p class="what">{{ chosen.what }}</p>
    <ChoiceBar v-model="seams" label="Seams to cut along" :choices="{ drawn: 'As drawn', angle: 'By angle', none: 'None' }" />
    <div v-if="asksAngle" class="fields mt-2">
      <NumberField class="wide" label="Bends over" :value="angle" unit="°" :decimals="1" @change="angle = Math.min(Math.max($event, 1), 180)" />
    </div>
    <p class="note plain mt-2">{{ picked === 0 ? "Nothing is picked: the whole model is laid flat anew." : "Only what is picked is laid flat; the rest stays as it is." }}</p>
    <BButton variant="primary" class="btn-wide" :disabled="working" @click="flatten">{{ working ? "Laying flat…" : `Lay ${target} flat` }}</BButton>

    <h3>Keep the cut, mend the shape</h3>
    <p v-if="picked === 0" class="what">Pick islands to give them the proportions of the surface.</p>
    <BButton v-else variant="secondary" class="btn-wide mt-0" :disabled="working" @click="run('true_shape', { islands: [...selection.islands] })">True shape for {{ target }}</BButton>
    <BButton v-if="picked === 1" variant="secondary" class="btn-wide mt-2" :disabled="working" @click="run('grow_net', { island: selection.islands[0] })">Grow a net from {{ target }}</BButton>
    <template v-if="jobs.job.source.uv_sets.length > 0">
      <h3>Start clean</h3>
      <BButton v-for="set in jobs.job.source.uv_sets" :key="set.index" variant="secondary" class="btn-wide mt-1" :disabled="working" @click="run('choose_uv_set', { set: set.index })">
        The file's own map{{ jobs.job.source.uv_sets.length > 1 ? `, ${set.name}` : "" }}
      </BButton>
    </template>
    <StretchTable :before="before" />
  </template>
</template>

<style scoped>
.what {
  margin-top: 7px !important;
  color: var(--ink-soft);
  font-size: 12.5px;
}
</style>
