<script setup lang="ts">
/** Another picture has other px or other proportions: what each way to show it brings, before it is taken. */
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { Operations, Swap } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";

const props = defineProps<{ index: number }>();
const emit = defineEmits<{ done: [] }>();
const jobs = useJob();
const fitting = useFitting();
const { value: swap, ask } = useAnswer<Swap>();

const name = computed(() => fitting.fit_setup.underlays[props.index]?.name ?? "");
const stretch = computed(() => {
  const ratio = swap.value?.stretch ?? 1;
  return Math.abs(ratio - 1) < 0.0005
    ? "px stay square"
    : `px ${((Math.max(ratio, 1 / ratio) - 1) * 100).toFixed(1)} % too ${ratio > 1 ? "wide" : "high"}`;
});
/** where the picture would lie on the sheet at its own scale, in shares of it */
const kept = computed(() => {
  const [left, top, width, height] = swap.value?.kept_box ?? [0, 0, 1, 1];
  return {
    left: `${left * 60}px`,
    top: `${top * 60}px`,
    width: `${Math.min(width * 60, 90)}px`,
    height: `${Math.min(height * 60, 90)}px`,
  };
});

watch(
  () => props.index,
  async (index) => {
    if ((await ask((id, revision) => api.swap(id, revision, index))) === null) emit("done");
  },
  { immediate: true },
);

async function show(how: Operations["show_underlay"]["how"], resize = false) {
  if (await jobs.operate("show_underlay", { index: props.index, how, resize })) emit("done");
}
</script>

<template>
  <div v-if="swap" class="not-taken" role="group" :aria-label="`How to show ${name}`">
    <p>
      <b>{{ name }}</b> has {{ swap.size_px.join(" × ") }} px{{
        swap.former_px ? `, the one before ${swap.former_px.join(" × ")}` : ""
      }}.
    </p>
    <button type="button" class="way" @click="show('stretch')">
      <span class="sheet"><span class="whole"></span></span>
      <span><b>The whole picture</b><br />over the whole sheet, {{ stretch }}</span>
    </button>
    <button type="button" class="way" @click="show('keep_scale')">
      <span class="sheet"><span class="kept" :style="kept"></span></span>
      <span
        ><b>At its own scale</b><br />{{
          swap.lost < 0.0005 ? "nothing of it is lost" : `${(100 * swap.lost).toFixed(1)} % of it is cut off`
        }}</span
      >
    </button>
    <button type="button" class="way" :disabled="swap.followers === 0" @click="show('follow_cells')">
      <span class="sheet cells"></span>
      <span
        ><b>Follow the cells</b><br />{{
          swap.followers === 0
            ? "no island lies in a cell that both have"
            : `${swap.followers} islands go along to cells of the same name`
        }}</span
      >
    </button>
    <button type="button" class="way" @click="show('stretch', true)">
      <span class="sheet"><span class="whole grown"></span></span>
      <span><b>The sheet takes its size</b><br />islands stay on the same places of the picture</span>
    </button>
    <div class="row-of"><button type="button" class="btn-choose" @click="emit('done')">Leave it</button></div>
  </div>
</template>

<style scoped>
.not-taken {
  position: static;
}
.not-taken p {
  margin: 0 0 6px !important;
}
.way {
  display: grid;
  width: 100%;
  align-items: center;
  padding: 5px;
  margin-bottom: 4px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
  background: var(--panel);
  color: var(--ink);
  font-size: 12.5px;
  gap: 9px;
  grid-template-columns: 62px minmax(0, 1fr);
  text-align: left;
}
.way:hover:not(:disabled) {
  border-color: var(--verdigris);
}
.way:disabled {
  color: var(--ink-faint);
}
.sheet {
  position: relative;
  overflow: hidden;
  width: 62px;
  height: 62px;
  border: 1px solid var(--ink-soft);
  background: var(--ground);
}
.sheet span {
  position: absolute;
  border: 1.5px solid var(--persimmon-deep);
  background: repeating-linear-gradient(45deg, transparent 0 5px, var(--rule) 5px 7px);
}
.sheet .whole {
  inset: 0;
}
.sheet .grown {
  outline: 2px dashed var(--verdigris);
  outline-offset: -6px;
}
.sheet.cells {
  background:
    linear-gradient(var(--rule-strong) 1px, transparent 1px) 0 0 / 20px 20px,
    linear-gradient(90deg, var(--rule-strong) 1px, transparent 1px) 0 0 / 20px 20px;
}
</style>
