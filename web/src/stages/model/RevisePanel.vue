<script setup lang="ts">
/** A corrected or changed model takes the place of the job's: both are shown before it does. */
import { ref } from "vue";
import { api } from "@/api/client";
import type { RevisedModel } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import DropZone from "@/ui/DropZone.vue";
import FoldSection from "@/ui/FoldSection.vue";
import TakeCard from "@/ui/TakeCard.vue";

const jobs = useJob();
const messages = useMessages();
const digest = ref("");
const reading = ref(false);
const { value: revised, asking, ask, forget } = useAnswer<RevisedModel>({ label: "Comparing the models" });
const SIDES = { before: "the model now", after: "the new one" } as const;

async function bring([file]: File[]) {
  if (!file || !jobs.job) return;
  reading.value = true;
  try {
    digest.value = (await api.bringModel(jobs.job.id, file)).digest;
    await ask((id, revision, followed) => api.revised(id, revision, digest.value, followed));
  } catch (error) {
    messages.fail(error);
  }
  reading.value = false;
}
async function take() {
  const file = digest.value;
  forget();
  await jobs.operate("revise_model", { file });
}
</script>

<template>
  <FoldSection title="Revised model" folded>
    <TakeCard v-if="revised && jobs.job" take="Take the new model" @take="take" @leave="forget()">
      <div class="sides mb-2">
        <figure v-for="(name, side) in SIDES" :key="side" class="m-0">
          <img class="w-100" :src="api.urls.revised(jobs.job.id, jobs.job.revision, digest, side)" :alt="name" />
          <figcaption class="form-text mt-0">{{ name }}</figcaption>
        </figure>
      </div>
      <dl class="facts mb-1">
        <dt>Faces kept</dt>
        <dd class="num">{{ revised.kept }}</dd>
        <dt>Moved</dt>
        <dd class="num">{{ revised.moved }}</dd>
        <dt>New</dt>
        <dd class="num">{{ revised.added }}</dd>
        <dt>Gone</dt>
        <dd class="num">{{ revised.lost }}</dd>
      </dl>
      <ul v-if="revised.lines.length > 0" class="lines mb-2">
        <li v-for="line in revised.lines" :key="line">{{ line }}</li>
      </ul>
      <p class="form-text">What moved or is gone is orange; what is new is bare, and waits for a place on the sheet.</p>
    </TakeCard>
    <DropZone
      v-else
      accept=".obj,.glb,.gltf,.dae,.ply,.zip"
      :label="reading || asking ? 'Comparing…' : 'Choose the new model'"
      :busy="reading || asking"
      @files="bring"
    >
      <p class="mb-2">
        Drop the corrected or changed model. What lies where it lay keeps its place on the sheet, its names and its art.
      </p>
    </DropZone>
  </FoldSection>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
.sides img {
  background: var(--mat);
  border-radius: 6px;
}
.lines {
  padding-left: 18px;
}
</style>
