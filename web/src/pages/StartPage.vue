<script setup lang="ts">
/** All jobs, and places to start a new one: from a model's files, or from a simple solid. */
import { BButton, BProgress } from "bootstrap-vue-next";
import { PhMoon, PhSun } from "@phosphor-icons/vue";
import { onMounted, ref } from "vue";
import { useRouter } from "vue-router";
import { api, ApiError } from "@/api/client";
import type { JobCard } from "@/api/types";
import { useMessages } from "@/stores/messages";
import { useSettings } from "@/stores/settings";
import DropZone from "@/ui/DropZone.vue";
import JobList from "@/ui/JobList.vue";
import SolidForm from "@/ui/SolidForm.vue";

/** The stages, for somebody who sees them for the first time. */
const STEPS = [
  ["Model", "Bring it in, say how long one unit is: every island is measured in mm."],
  ["Cut", "Cut the surface open where nobody looks, and lay it flat in true shape."],
  ["Lay out", "Place the islands on the sheet by hand or by typed numbers."],
  ["Trace", "Export the wireframe template and paint over it in any program."],
  ["Art", "Set labels by their size in mm; they land undistorted."],
  ["Deliver", "Take the texture and the model that wears it, in one zip."],
] as const;

const ACCEPT = ".obj,.mtl,.gltf,.glb,.bin,.dae,.ply,.zip,image/*";

const router = useRouter();
const messages = useMessages();
const settings = useSettings();
const jobs = ref<JobCard[] | null>(null);
const bringing = ref<{ name: string; share: number; stop: AbortController } | null>(null);

async function list() {
  try {
    jobs.value = await api.jobs();
  } catch (error) {
    messages.fail(error);
  }
}
onMounted(list);

async function start(files: File[]) {
  messages.dismiss();
  const stop = new AbortController();
  bringing.value = { name: files.map((file) => file.name).join(", "), share: 0, stop };
  try {
    const job = await api.startJob(files, (share) => bringing.value && (bringing.value.share = share), stop.signal);
    await router.push(`/jobs/${job.id}/model`);
  } catch (error) {
    if (!(error instanceof ApiError && error.code === "cancelled")) messages.fail(error);
  } finally {
    bringing.value = null;
  }
}
</script>

<template>
  <main class="start">
    <header>
      <img src="@/assets/mark.svg" alt="" width="40" height="40" />
      <div>
        <h1>Sheet Trace</h1>
        <p>Art that lands on the model undistorted, measured in millimetres.</p>
      </div>
      <button
        type="button"
        class="theme"
        aria-label="Light or dark bench"
        @click="settings.theme = settings.theme === 'light' ? 'dark' : 'light'"
      >
        <PhMoon v-if="settings.theme === 'light'" :size="20" /><PhSun v-else :size="20" />
      </button>
    </header>

    <div class="begin">
      <DropZone class="zone" multiple :accept="ACCEPT" label="Choose a model" :busy="bringing !== null" @files="start">
        <template v-if="bringing">
          <p class="big">Reading {{ bringing.name }}</p>
          <BProgress :value="bringing.share * 100" :animated="bringing.share >= 1" striped height="8px" />
          <BButton size="sm" variant="outline-secondary" @click="bringing.stop.abort()">Cancel</BButton>
        </template>
        <template v-else>
          <p class="big">Drop a model here to start a job</p>
          <p>
            OBJ, glTF, COLLADA or PLY, together with its materials, buffers and pictures, or all in one zip. With or
            without UVs, up to 200 MB.
          </p>
        </template>
      </DropZone>
      <SolidForm @made="(job) => router.push(`/jobs/${job.id}/model`)" />
    </div>

    <JobList v-if="jobs" :jobs="jobs" @change="list" />

    <section v-if="jobs && jobs.length < 4" aria-labelledby="steps-title">
      <h2 id="steps-title">How a job goes</h2>
      <ol class="steps">
        <li v-for="[name, what] in STEPS" :key="name">
          <b>{{ name }}</b> {{ what }}
        </li>
      </ol>
    </section>
  </main>
</template>

<style scoped>
.start {
  max-width: 1020px;
  min-height: 100vh;
  margin: 0 auto;
  padding: 36px 28px 60px;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-bottom: 24px;
}
h1 {
  margin: 0;
  font-size: 26px;
  font-weight: 700;
}
header p {
  margin: 0;
  color: var(--ink-soft);
}
.theme {
  margin-left: auto;
  padding: 6px;
  border: 0;
  background: transparent;
  color: var(--ink);
}
h2 {
  margin: 32px 0 12px;
  font-size: 17px;
  font-weight: 650;
}
.begin {
  display: grid;
  gap: 16px;
  grid-template-columns: 1.7fr 1fr;
}
.zone {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  padding: 26px 30px;
  background: var(--panel);
}
.big {
  margin-bottom: 4px;
  font-size: 18px;
  font-weight: 650;
}
.zone p:not(.big) {
  color: var(--ink-soft);
}
.zone :deep(.progress) {
  max-width: 420px;
  margin: 10px auto 14px;
}
.zone :deep(.btn-outline-secondary) {
  margin-right: 10px;
}
.steps {
  display: grid;
  padding: 0;
  margin: 0;
  counter-reset: step;
  gap: 0 18px;
  grid-template-columns: repeat(6, 1fr);
  list-style: none;
}
.steps li {
  padding-top: 9px;
  border-top: 2px solid var(--rule-strong);
  color: var(--ink-soft);
  counter-increment: step;
  font-size: 13px;
}
.steps b {
  display: block;
  color: var(--ink);
  font-size: 14px;
}
.steps b::before {
  margin-right: 7px;
  color: var(--ink-soft);
  content: counter(step);
  font: 400 12px var(--mono);
}
</style>
