<script setup lang="ts">
/** Another picture has other px or other proportions: what each way to show it brings, before it is taken. */
import { BButton, BCard } from "bootstrap-vue-next";
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { Operations, Swap } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useFitting } from "@/stages/fit/fitting";
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

async function show(how: Operations["show_underlay"]["how"], resize = false, keep: "shape" | "uv" = "shape") {
  if (await jobs.operate("show_underlay", { index: props.index, how, resize, keep })) emit("done");
}
/** of the sheet and of the picture */
const alike = computed(() => {
  const [{ width_px, height_px }, [width, height]] = [jobs.job!.sheet, swap.value!.size_px];
  return Math.abs(width_px / height_px / (width / height) - 1) < 0.0005;
});
</script>

<template>
  <BCard v-if="swap" class="swap small" role="group" :aria-label="`How to show ${name}`">
    <p>
      <b>{{ name }}</b> has {{ swap.size_px.join(" × ") }} px{{
        swap.former_px ? `, the one before ${swap.former_px.join(" × ")}` : ""
      }}.
    </p>
    <BButton variant="secondary" class="way" @click="show('stretch')">
      <span class="sheet"><span class="whole"></span></span>
      <span><b>The whole picture</b><br />over the whole sheet, {{ stretch }}</span>
    </BButton>
    <BButton variant="secondary" class="way" @click="show('keep_scale')">
      <span class="sheet"><span class="kept" :style="kept"></span></span>
      <span
        ><b>At its own scale</b><br />{{
          swap.lost < 0.0005 ? "nothing of it is lost" : `${(100 * swap.lost).toFixed(1)} % of it is cut off`
        }}</span
      >
    </BButton>
    <BButton variant="secondary" class="way" :disabled="swap.followers === 0" @click="show('follow_cells')">
      <span class="sheet cells"></span>
      <span
        ><b>Follow the cells</b><br />{{
          swap.followers === 0
            ? "no island lies in a cell that both have"
            : `${swap.followers} islands go along to cells of the same name`
        }}</span
      >
    </BButton>
    <BButton variant="secondary" class="way" @click="show('stretch', true)">
      <span class="sheet"><span class="whole grown"></span></span>
      <span
        ><b>The sheet takes its size</b><br />{{
          alike ? "islands stay on the same places of the picture" : "islands keep their shape"
        }}</span
      >
    </BButton>
    <BButton v-if="!alike" variant="secondary" class="way" @click="show('stretch', true, 'uv')">
      <span class="sheet"><span class="whole grown"></span></span>
      <span><b>The sheet takes its size</b><br />islands stay on the same places, and are stretched</span>
    </BButton>
    <div class="row-of"><BButton variant="secondary" @click="emit('done')">Leave it</BButton></div>
  </BCard>
</template>

<style scoped>
.swap {
  margin-top: 10px;
  border: 1.5px dashed var(--bs-body-color);
}
.way {
  display: grid;
  width: 100%;
  align-items: center;
  padding: 5px;
  margin-bottom: 4px;
  font-size: 12.5px;
  gap: 9px;
  grid-template-columns: 62px minmax(0, 1fr);
  text-align: left;
}
.sheet {
  position: relative;
  overflow: hidden;
  width: 62px;
  height: 62px;
  border: 1px solid var(--bs-secondary-color);
  background: var(--bs-body-bg);
}
.sheet span {
  position: absolute;
  border: 1.5px solid var(--bs-body-color);
  background: repeating-linear-gradient(45deg, transparent 0 5px, var(--bs-border-color) 5px 7px);
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
