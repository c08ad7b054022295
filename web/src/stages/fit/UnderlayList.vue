<script setup lang="ts">
/** The pictures that can lie under the islands: one is shown, or none. */
import { PhLock, PhLockOpen, PhX } from "@phosphor-icons/vue";
import { computed } from "vue";
import { api } from "@/api/client";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";
import RenameField from "@/ui/RenameField.vue";

const emit = defineEmits<{ show: [index: number | null]; ask: [index: number] }>();
const jobs = useJob();
const fitting = useFitting();

const underlays = computed(() =>
  fitting.fit_setup.underlays.map((one, index) => ({ ...one, index })).filter((one) => !one.reference),
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
  <ul class="underlays" aria-label="Underlays">
    <li v-for="one in underlays" :key="one.index" :class="{ on: one.index === fitting.fit_setup.shown }">
      <button
        type="button"
        class="shot"
        :aria-pressed="one.index === fitting.fit_setup.shown"
        :aria-label="`Show ${one.name}`"
        @click="choose(one.index)"
      >
        <img :src="api.urls.underlay(jobs.job!.id, jobs.job!.revision, one.index)" alt="" />
      </button>
      <span class="about">
        <RenameField
          :name="one.name"
          :label="`Name of underlay ${one.index + 1}`"
          @rename="jobs.operate('change_underlay', { index: one.index, name: $event })"
        />
        <span class="num"
          >{{ one.size_px.join(" × ") }}{{ one.cells.length > 0 ? `, ${one.cells.length} cells` : " px" }}</span
        >
      </span>
      <button
        type="button"
        :aria-label="`${one.locked ? 'Unlock' : 'Lock'} ${one.name}`"
        :title="one.locked ? 'Locked: unlock it to change it' : 'Lock it against changes'"
        @click="jobs.operate('change_underlay', { index: one.index, locked: !one.locked })"
      >
        <component :is="one.locked ? PhLock : PhLockOpen" :size="15" />
      </button>
      <button
        type="button"
        :aria-label="`Remove ${one.name}`"
        title="Remove it from the list"
        :disabled="one.locked"
        @click="jobs.operate('remove_underlay', { index: one.index })"
      >
        <PhX :size="15" />
      </button>
    </li>
  </ul>
  <div class="row-of">
    <button type="button" class="btn-choose" :disabled="fitting.fit_setup.shown === null" @click="emit('show', null)">
      Clear the mat
    </button>
    <button
      type="button"
      class="btn-choose"
      :disabled="fitting.fit_setup.shown === null || fitting.underlay?.locked"
      title="Keep it among the references, which are only looked at"
      @click="jobs.operate('change_underlay', { index: fitting.fit_setup.shown!, reference: true })"
    >
      Only look at it
    </button>
  </div>
</template>

<style scoped>
.underlays {
  display: grid;
  padding: 0;
  margin: 0;
  gap: 4px;
  list-style: none;
}
li {
  display: grid;
  align-items: center;
  padding: 4px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--panel);
  gap: 5px;
  grid-template-columns: 46px minmax(0, 1fr) 22px 22px;
}
li.on {
  border-color: var(--verdigris);
  box-shadow: 0 0 0 1px var(--verdigris);
}
.shot {
  display: grid;
  width: 46px;
  height: 38px;
  padding: 2px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--ground);
  place-items: center;
}
.shot img {
  max-width: 100%;
  max-height: 32px;
  image-rendering: pixelated;
}
.about {
  display: grid;
}
.about :deep(.rename) {
  padding: 0 3px;
  font-weight: 600;
}
.about .num {
  padding-left: 4px;
  color: var(--ink-soft);
}
li > button:not(.shot) {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--ink-soft);
}
li > button:disabled {
  color: var(--ink-faint);
}
</style>
