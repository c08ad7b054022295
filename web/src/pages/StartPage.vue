<script setup lang="ts">
/** All jobs, and places to start a new one: from a model's files, or from a simple solid. */
import { PhWarning } from "@/ui/icons";
import { BAlert, BButton, BProgress } from "bootstrap-vue-next";
import { onMounted, ref } from "vue";
import { useRouter } from "vue-router";
import { api, ApiError } from "@/api/client";
import type { JobCard } from "@/api/types";
import { useFirstSteps } from "@/stores/firstSteps";
import { useMessages } from "@/stores/messages";
import DropZone from "@/ui/DropZone.vue";
import JobList from "@/ui/JobList.vue";
import SolidForm from "@/ui/SolidForm.vue";
import ThemeButton from "@/ui/ThemeButton.vue";

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

const CADDY_MM = { width_mm: 80, height_mm: 120, depth_mm: 50 };

const firstSteps = useFirstSteps();
const router = useRouter();
const messages = useMessages();
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

/** A box of the caddy's measures, and the path through its first job. */
async function goFirstSteps() {
  try {
    const job = await api.startSolid("box", CADDY_MM);
    await api.renameJob(job.id, "First caddy");
    firstSteps.begin(job.id);
    await router.push(`/jobs/${job.id}/cut?page=flat`);
  } catch (error) {
    messages.fail(error);
  }
}

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
    <header class="d-flex align-items-center gap-3 mb-4">
      <img src="@/assets/mark.svg" alt="" width="40" height="40" />
      <div class="me-auto">
        <h1 class="mb-0">Sheet Trace</h1>
        <p class="mb-0 text-body-secondary">Art that lands on the model undistorted, measured in millimetres.</p>
      </div>
      <ThemeButton />
    </header>

    <div class="begin">
      <DropZone
        class="zone"
        main
        multiple
        :accept="ACCEPT"
        label="Choose a model"
        :busy="bringing !== null"
        @files="start"
      >
        <template v-if="bringing">
          <p class="fs-5 fw-bold">Reading {{ bringing.name }}</p>
          <BProgress class="w-75 mb-3" :value="bringing.share * 100" :animated="bringing.share >= 1" striped />
          <BButton class="mb-2" size="sm" variant="secondary" @click="bringing.stop.abort()">Cancel</BButton>
        </template>
        <template v-else>
          <p class="fs-5 fw-bold">Drop a model here to start a job</p>
          <p class="text-body-secondary">
            OBJ, glTF, COLLADA or PLY, together with its materials, buffers and pictures, or all in one zip. With or
            without UVs, up to 200 MB. A job that was saved as a file opens here too.
          </p>
          <BAlert
            :model-value="messages.failure !== ''"
            class="w-100 py-2 text-start"
            variant="danger"
            dismissible
            close-label="Dismiss"
            no-animation
            @close="messages.dismiss()"
          >
            <PhWarning :size="18" weight="bold" aria-hidden="true" /> {{ messages.failure }}
          </BAlert>
        </template>
      </DropZone>
      <SolidForm @start="(job) => router.push(`/jobs/${job.id}/model`)" />
    </div>

    <JobList v-if="jobs" :jobs="jobs" @change="list" />

    <section v-if="jobs && jobs.length < 4" aria-labelledby="steps-title">
      <div class="d-flex align-items-center justify-content-between mt-4 mb-3">
        <h2 id="steps-title" class="mb-0">How a job goes</h2>
        <BButton variant="secondary" @click="goFirstSteps">Go through it in five steps, on a caddy</BButton>
      </div>
      <ol class="steps">
        <li v-for="([name, what], i) in STEPS" :key="name" class="text-body-secondary">
          <span class="num">{{ i + 1 }}</span> <b class="text-body">{{ name }}</b><br />{{ what }}
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
  background: var(--bs-tertiary-bg);
}
.steps {
  display: grid;
  padding: 0;
  gap: 0 18px;
  grid-template-columns: repeat(6, 1fr);
  list-style: none;
}
.steps li {
  padding-top: 9px;
  border-top: 2px solid var(--rule-strong);
}
</style>
