<script setup lang="ts">
/** The picked island: its name, which can be changed, and what was measured of it. */
import { BButton, BFormInput } from "bootstrap-vue-next";
import { computed, ref, watch } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "./ChoiceBar.vue";
import NoteBox from "./NoteBox.vue";
import { shown } from "./sums";

const { brief = false } = defineProps<{
  /** name, size and density alone, in two lines */
  brief?: boolean;
}>();
const TAGS = { art: "art", plain: "plain" } as const;

const jobs = useJob();
const selection = useSelection();
const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));
const name = ref("");
watch(island, (now) => (name.value = now?.name ?? ""), { immediate: true });

async function rename() {
  const target = island.value;
  if (!target || name.value.trim() === target.name) return;
  const done =
    name.value.trim() !== "" && (await jobs.operate("rename_island", { island: target.index, name: name.value }));
  if (!done) name.value = target.name;
}

const way = computed(() => {
  const angle = island.value?.up_angle_deg ?? 0;
  if (Math.abs(angle) < 0.05) return "upright";
  if (Math.abs(Math.abs(angle) - 180) < 0.05) return "upside down";
  return `${shown(angle, 1)}°${Math.abs(Math.abs(angle) - 90) < 0.05 ? ", sideways" : ""}`;
});
const shape = computed(() => {
  const worst = island.value?.stretch_worst;
  if (worst === null || worst === undefined) return "flat on the sheet";
  return island.value!.stretched ? `stretch ${worst.toFixed(2)}` : "true shape";
});
</script>

<template>
  <section v-if="island" aria-label="Picked island">
    <h3 v-if="!brief">Picked island</h3>
    <BFormInput
      v-model="name"
      class="mb-2 fw-bold"
      aria-label="Island name"
      maxlength="80"
      @change="rename"
      @keydown.esc.stop="name = island.name"
    />
    <p v-if="brief" class="form-text num">
      {{ island.size_exact ? "" : "≈ " }}{{ shown(island.size_mm[0]) }} × {{ shown(island.size_mm[1]) }} mm,
      {{ island.density_px_per_mm.toFixed(2) }} px/mm, {{ shape }}
    </p>
    <dl v-else class="facts">
      <dt>On the model</dt>
      <dd
        class="num"
        :title="
          island.size_exact ? '' : 'As callipers measure it, straight across: it does not lie flat with its true shape'
        "
      >
        {{ island.size_exact ? "" : "≈ " }}{{ shown(island.size_mm[0]) }} × {{ shown(island.size_mm[1]) }} mm
      </dd>
      <dt>On the sheet</dt>
      <dd class="num">{{ shown(island.size_px[0], 1) }} × {{ shown(island.size_px[1], 1) }} px</dd>
      <dt>Density</dt>
      <dd class="num">{{ island.density_px_per_mm.toFixed(3) }} px/mm</dd>
      <dt>Stretch</dt>
      <dd class="num">
        <template v-if="island.stretch_worst !== null"
          >{{ (island.stretch_mean ?? 1).toFixed(3) }}, at most {{ island.stretch_worst.toFixed(3) }}</template
        >
        <template v-else>endless: {{ island.flat_triangles }} flat</template>
      </dd>
      <dt>Reads</dt>
      <dd>{{ island.mirrored ? "mirrored" : "right" }}, {{ way }}</dd>
      <dt>Faces</dt>
      <dd class="num">{{ island.faces }}</dd>
      <dt>Carries</dt>
      <dd>
        <ChoiceBar
          :model-value="island.tag"
          label="What the island carries"
          :choices="TAGS"
          @update:model-value="jobs.operate('tag_islands', { islands: [island.index], tag: $event })"
        />
      </dd>
    </dl>
    <NoteBox v-if="island.mirrored && !brief">
      Lettering painted straight on the sheet would come out backwards here. Labels are turned back by themselves.
    </NoteBox>
  </section>
  <section v-else-if="selection.islands.length > 1" aria-label="Picked islands">
    <h3>{{ selection.islands.length }} islands picked</h3>
    <p class="d-flex align-items-center gap-2">
      Tag them
      <BButton
        v-for="(text, tag) in TAGS"
        :key="tag"
        variant="secondary"
        @click="jobs.operate('tag_islands', { islands: [...selection.islands], tag })"
      >
        {{ text }}
      </BButton>
    </p>
  </section>
</template>
