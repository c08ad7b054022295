<script setup lang="ts">
/** The pictures that can lie under the islands: one is shown, or none. */
import { BButton, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { PhLock, PhLockOpen, PhX } from "@/ui/icons";
import { computed } from "vue";
import { api } from "@/api/client";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import RenameField from "@/ui/RenameField.vue";

const emit = defineEmits<{ show: [index: number | null]; ask: [index: number] }>();
const jobs = useJob();
const fitting = useFitting();

const underlays = computed(() =>
  fitting.fit_setup.underlays.map((underlay, index) => ({ ...underlay, index })).filter(({ reference }) => !reference),
);

/** Another size or other proportions are asked about first. */
function choose(index: number) {
  const shown = fitting.underlay;
  const next = fitting.fit_setup.underlays[index]!;
  if (index === fitting.fit_setup.shown) return;
  if (shown && next.size_px.join() !== shown.size_px.join()) emit("ask", index);
  else emit("show", index);
}
</script>

<template>
  <h3>Under the islands</h3>
  <BListGroup tag="ul" aria-label="Underlays">
    <BListGroupItem
      v-for="underlay in underlays"
      :key="underlay.index"
      tag="li"
      class="d-flex align-items-center gap-1 px-1"
      :class="{ picked: underlay.index === fitting.fit_setup.shown }"
    >
      <BButton
        variant="light"
        class="shot small bg-body border"
        :aria-pressed="underlay.index === fitting.fit_setup.shown"
        :aria-label="`Show ${underlay.name}`"
        @click="choose(underlay.index)"
      >
        <img :src="api.urls.underlay(jobs.job!.id, jobs.job!.revision, underlay.index)" alt="" />
      </BButton>
      <span class="d-grid flex-fill">
        <RenameField
          class="fw-bold"
          :name="underlay.name"
          :label="`Name of underlay ${underlay.index + 1}`"
          @rename="jobs.operate('change_underlay', { index: underlay.index, name: $event })"
        />
        <span class="num ps-2 text-body-secondary"
          >{{ underlay.size_px.join(" × ")
          }}{{ underlay.cells.length > 0 ? `, ${underlay.cells.length} cells` : " px" }}</span
        >
      </span>
      <BButton
        variant="light"
        :aria-label="`${underlay.locked ? 'Unlock' : 'Lock'} ${underlay.name}`"
        :title="underlay.locked ? 'Locked: unlock it to change it' : 'Lock it against changes'"
        @click="jobs.operate('change_underlay', { index: underlay.index, locked: !underlay.locked })"
      >
        <component :is="underlay.locked ? PhLock : PhLockOpen" :size="15" />
      </BButton>
      <BButton
        variant="light"
        :aria-label="`Remove ${underlay.name}`"
        title="Remove it from the list"
        :disabled="underlay.locked"
        @click="jobs.operate('remove_underlay', { index: underlay.index })"
      >
        <PhX :size="15" />
      </BButton>
    </BListGroupItem>
  </BListGroup>
  <div class="row-of">
    <BButton variant="secondary" :disabled="fitting.fit_setup.shown === null" @click="emit('show', null)">
      Hide picture
    </BButton>
    <BButton
      variant="secondary"
      :disabled="fitting.fit_setup.shown === null || fitting.underlay?.locked"
      title="Keep it among the references, which are only looked at"
      @click="jobs.operate('change_underlay', { index: fitting.fit_setup.shown!, reference: true })"
    >
      Keep as reference
    </BButton>
  </div>
</template>
