<script setup lang="ts">
/**
 * True scale: one density for all that carries art, times the weight of each; and what carries none, out of the way.
 */
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FigureTable from "@/ui/FigureTable.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";

const CORNERS = { top_left: "◤", top_right: "◥", bottom_left: "◣", bottom_right: "◢" };
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
const off = computed(() =>
  jobs.islands
    .filter(({ index, beside_sheet }) => beside_sheet && (picked.value.length === 0 || islands.value.includes(index)))
    .map(({ index }) => index),
);
const rows = computed(() =>
  [...jobs.islands]
    .filter((island) => island.tag === "art")
    .sort((a, b) => a.density_px_per_mm / a.weight - b.density_px_per_mm / b.weight)
    .map((island) => ({
      index: island.index,
      name: island.name,
      on: islands.value.includes(island.index),
      weight: `x${island.weight}`,
      density: island.density_px_per_mm.toFixed(2),
    })),
);
</script>

<template>
  <section aria-label="True scale">
    <BButton variant="primary" class="w-100" @click="jobs.operate('equalise', {})">Equalise density</BButton>
    <p class="form-text">All islands with art come to one density by their area on the model, times their weights.</p>
    <FoldSection title="Density of islands with art">
      <FigureTable
        of="Island"
        :rows="rows"
        :figures="{ weight: 'weight', density: 'px/mm' }"
        @press="(row, event) => selection.pick(row.index, event.shiftKey)"
      />
    </FoldSection>
    <FoldSection title="Weight">
      <p v-if="picked.length === 0" class="form-text">Pick islands to give them more px than others, or fewer.</p>
      <div v-else class="fields">
        <NumberField
          class="wide"
          :label="named"
          :value="weight"
          unit="x"
          @change="jobs.operate('weigh_islands', { islands, weight: $event })"
        />
        <span class="row-of weights mt-0">
          <BButton
            v-for="value in [2, 1, 0.5, 0.25]"
            :key="value"
            variant="secondary"
            class="num"
            @click="jobs.operate('weigh_islands', { islands, weight: value })"
          >
            x{{ value }}
          </BButton>
        </span>
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          title="By how much of each is seen from around the model"
          @click="jobs.operate('weigh_by_visibility', { limit: limit })"
        >
          Weights by what is seen
        </BButton>
        <NumberField
          label="Greatest weight over the least"
          hide-label
          :value="limit"
          unit=": 1"
          :decimals="1"
          @change="limit = $event"
        />
      </div>
    </FoldSection>
    <FoldSection title="Park what carries no art" folded>
      <div class="fields">
        <span>Corner</span>
        <ChoiceBar v-model="corner" class="wide" label="Corner" :choices="CORNERS" />
        <NumberField
          class="wide"
          label="At most"
          :value="share"
          unit="% of the sheet"
          :decimals="1"
          @change="share = $event"
        />
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="picked.length === 0"
          @click="jobs.operate('park_islands', { islands, corner, share: share / 100 })"
        >
          Park {{ picked.length === 0 ? "picked islands" : named }}
        </BButton>
      </div>
    </FoldSection>
    <FoldSection title="Room on the sheet" folded>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="picked.length === 0"
          title="Beside the sheet, as large as they are"
          @click="jobs.operate('set_aside', { islands })"
        >
          Move off the sheet
        </BButton>
        <BButton
          variant="secondary"
          :disabled="off.length === 0"
          @click="jobs.operate('bring_onto_sheet', { islands: off })"
        >
          Move back{{ off.length > 0 ? ` ${off.length}` : "" }}
        </BButton>
      </div>
    </FoldSection>
  </section>
</template>

<style scoped>
.row-of > .number-field {
  flex: 0 0 66px;
}
.weights {
  grid-column: 1 / -1;
}
</style>
