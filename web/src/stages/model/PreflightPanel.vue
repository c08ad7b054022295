<script setup lang="ts">
/** The preflight report: what is wrong, where, what it means, and a mend where there is one. */
import { BButton, BCard, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { PhCheckCircle } from "@/ui/icons";
import { ref } from "vue";
import { LIMITS } from "@/api/operations";
import type { Finding, Place } from "@/api/types";
import { useJob } from "@/stores/job";
import { usePreflight } from "@/stores/preflight";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";
import SeverityMark from "@/ui/SeverityMark.vue";

const FEW = 4;

const jobs = useJob();
const preflight = usePreflight();
const selection = useSelection();
const opened = ref<string | null>(null);
const lit = ref<Place | null>(null);

const key = (finding: Finding) => `${finding.code}-${finding.severity}`;

function look(place: Place) {
  lit.value = place;
  selection.lookAt(place);
}

function open(finding: Finding) {
  opened.value = opened.value === key(finding) ? null : key(finding);
  if (opened.value && finding.places[0]) look(finding.places[0]);
}

/** To the next place of a finding, round and round. */
function step(finding: Finding, by: number) {
  const at = finding.places.findIndex((place) => place.text === lit.value?.text);
  const next = finding.places[(at + by + finding.places.length) % finding.places.length];
  if (next) look(next);
}

const shownPlaces = (finding: Finding) => {
  const at = Math.max(
    finding.places.findIndex((place) => place.text === lit.value?.text),
    0,
  );
  const start = Math.min(Math.max(at - 1, 0), Math.max(finding.places.length - FEW, 0));
  return finding.places.slice(start, start + FEW);
};
</script>

<template>
  <p
    v-if="preflight.report && preflight.findings.length === 0"
    class="clean d-flex align-items-center gap-2 text-success-emphasis"
  >
    <PhCheckCircle :size="22" aria-hidden="true" /> Nothing to mend. Paint away.
  </p>
  <p v-else-if="!preflight.report">Checking…</p>
  <div class="findings" :aria-busy="preflight.checking">
    <BCard
      v-for="finding in preflight.findings"
      :key="key(finding)"
      no-body
      class="finding mb-2"
      :class="{ on: opened === key(finding) }"
    >
      <BButton
        variant="light"
        class="head d-flex gap-2 p-2 text-start"
        :aria-expanded="opened === key(finding)"
        @click="open(finding)"
      >
        <SeverityMark :severity="finding.severity" /><span>{{ finding.message }}</span>
      </BButton>
      <div v-if="opened === key(finding)" class="px-2 pb-2">
        <p class="form-text">{{ finding.meaning }}</p>
        <BListGroup class="places" flush>
          <BListGroupItem
            v-for="(place, i) in shownPlaces(finding)"
            :key="i"
            button
            class="small"
            :class="{ lit: place.text === lit?.text }"
            @click="look(place)"
          >
            {{ place.text }}
          </BListGroupItem>
        </BListGroup>
        <div v-if="finding.count > FEW" class="d-flex align-items-center justify-content-between mt-1">
          <BButton variant="secondary" size="sm" aria-label="Place before" @click="step(finding, -1)">‹</BButton>
          <span class="num">{{ finding.count }} places</span>
          <BButton variant="secondary" size="sm" aria-label="Next place" @click="step(finding, 1)">›</BButton>
        </div>
        <BButton
          v-if="finding.mend"
          variant="primary"
          class="mend w-100 mt-2"
          @click="jobs.operate(finding.mend.operation, finding.mend.parameters)"
        >
          {{ finding.mend.label }}
        </BButton>
      </div>
    </BCard>
  </div>
  <h3>Limits</h3>
  <div v-if="jobs.job" class="fields">
    <NumberField
      class="wide"
      label="Gutter"
      :value="jobs.job.gutter_px"
      unit="px"
      :decimals="0"
      @change="jobs.operate('set_gutter', { gutter_px: $event })"
    />
  </div>
  <p class="form-text">
    Islands tagged plain may be stretched up to {{ LIMITS.stretch.plain }} and have any density; art islands up to
    {{ LIMITS.stretch.art }}, and within {{ 100 * LIMITS.density }} % of each other.
  </p>
</template>

<style scoped>
.finding.on {
  border-color: var(--bs-secondary-color);
}
.head {
  line-height: 1.25;
}
.places :deep(.list-group-item) {
  padding: 2px 7px;
  border: 0;
  border-left: 3px solid var(--bs-border-color);
}
.places :deep(.lit) {
  border-left-color: var(--bs-body-color);
  background: var(--bs-body-bg);
  font-weight: 600;
}
</style>
