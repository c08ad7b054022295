<script setup lang="ts">
/**
 * True scale: one density for all that carries art, times the weight of each; and what carries none, out of the way.
 */
import { computed, ref } from "vue";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";

const CORNERS = { top_left: "◤", top_right: "◥", bottom_left: "◣", bottom_right: "◢" };
const MOST = 60;
const jobs = useJob();
const selection = useSelection();
const corner = ref<keyof typeof CORNERS>("bottom_right");
const share = ref(2);
const limit = ref(4);

const picked = computed(() => jobs.islands.filter((island) => selection.islands.includes(island.index)));
const islands = computed(() => [...selection.islands]);
const weight = computed(() => picked.value[0]?.weight ?? 1);
const named = computed(() =>
  picked.value.length === 1 ? picked.value[0]!.name : counted(picked.value.length, "islands"),
);
/** of what is picked, or of all: what lies beside the sheet */
const off = computed(() => {
  const { width_px, height_px } = jobs.job!.sheet;
  const beside = jobs.islands.filter(
    ({ box_px: [left, top, right, bottom] }) => left >= width_px || top >= height_px || right <= 0 || bottom <= 0,
  );
  return beside
    .filter((island) => picked.value.length === 0 || islands.value.includes(island.index))
    .map((island) => island.index);
});
const rows = computed(() =>
  [...jobs.islands]
    .filter((island) => island.tag === "art")
    .sort((a, b) => a.density_px_per_mm / a.weight - b.density_px_per_mm / b.weight)
    .slice(0, MOST),
);
</script>

<template>
  <section aria-label="True scale">
    <button type="button" class="btn btn-primary w-100" @click="jobs.operate('equalise', {})">Equalise density</button>
    <p class="what">All islands with art come to one density by their area on the model, times their weights.</p>
    <h3>Weight</h3>
    <p v-if="picked.length === 0" class="what">Pick islands to give them more px than others, or fewer.</p>
    <div v-else class="fields">
      <NumberField
        class="wide"
        :label="named"
        :value="weight"
        unit="x"
        @change="jobs.operate('weigh_islands', { islands, weight: $event })"
      />
      <span class="row-of weights">
        <button
          v-for="value in [2, 1, 0.5, 0.25]"
          :key="value"
          type="button"
          class="btn-choose num"
          @click="jobs.operate('weigh_islands', { islands, weight: value })"
        >
          x{{ value }}
        </button>
      </span>
    </div>
    <div class="row-of">
      <button
        type="button"
        class="btn-choose"
        title="By how much of each is seen from around the model"
        @click="jobs.operate('weigh_by_visibility', { limit: limit })"
      >
        Weights by what is seen
      </button>
      <NumberField
        label="Greatest weight over the least"
        hide-label
        :value="limit"
        unit=": 1"
        :decimals="1"
        @change="limit = Math.min(Math.max($event, 1), 100)"
      />
    </div>
    <h3>Park what carries no art</h3>
    <div class="fields">
      <span class="align-self-center">Corner</span>
      <ChoiceBar v-model="corner" class="wide" label="Corner" :choices="CORNERS" />
      <NumberField
        class="wide"
        label="At most"
        :value="share"
        unit="% of the sheet"
        :decimals="1"
        @change="share = Math.min(Math.max($event, 0.1), 50)"
      />
    </div>
    <div class="row-of">
      <button
        type="button"
        class="btn-choose"
        :disabled="picked.length === 0"
        @click="jobs.operate('park_islands', { islands, corner, share: share / 100 })"
      >
        Park {{ picked.length === 0 ? "picked islands" : named }}
      </button>
    </div>
    <h3>A clear desk</h3>
    <div class="row-of">
      <button
        type="button"
        class="btn-choose"
        :disabled="picked.length === 0"
        title="Beside the sheet, as large as they are"
        @click="jobs.operate('set_aside', { islands })"
      >
        Lay aside
      </button>
      <button
        type="button"
        class="btn-choose"
        :disabled="off.length === 0"
        @click="jobs.operate('bring_onto_sheet', { islands: off })"
      >
        Bring in{{ off.length > 0 ? ` ${off.length}` : "" }}
      </button>
    </div>
    <table class="figures">
      <caption>
        Density of islands with art
      </caption>
      <thead>
        <tr>
          <th scope="col">Island</th>
          <th scope="col">weight</th>
          <th scope="col">px/mm</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="island in rows" :key="island.index" :class="{ on: islands.includes(island.index) }">
          <th scope="row">
            <button type="button" @click="selection.pick(island.index, $event.shiftKey)">{{ island.name }}</button>
          </th>
          <td class="num">x{{ island.weight }}</td>
          <td class="num">{{ island.density_px_per_mm.toFixed(2) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.row-of :deep(.number-field) {
  flex: 0 0 66px;
}
.weights {
  margin: 0;
  grid-column: 1 / -1;
}
</style>
