<script setup lang="ts">
/** Maps set aside: kept under a name, looked at beside the present one, gone back to or dropped. */
import { ref } from "vue";
import { api } from "@/api/client";
import { useCutting } from "@/stores/cutting";
import { useJob } from "@/stores/job";
import CompareDialog from "./CompareDialog.vue";

const jobs = useJob();
const cutting = useCutting();
const name = ref("");
/** A layout file goes as it is; the server says what is wrong with it. */
async function load(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = "";
  if (file) await cutting.run("load_layout", { file: await file.text() });
}

const compared = ref<number | null>(null);

async function keep() {
  if (await cutting.run("keep_map", { name: name.value.trim() || `Map ${jobs.job!.kept_maps.length + 1}` }))
    name.value = "";
}
</script>

<template>
  <section aria-label="Kept maps">
    <p class="what mt-2">Set the map aside as it is now, try another, and see both side by side.</p>
    <form class="keep" @submit.prevent="keep">
      <input
        v-model="name"
        class="form-control"
        aria-label="Name of the map"
        :placeholder="`Map ${jobs.job!.kept_maps.length + 1}`"
        maxlength="80"
      />
      <button type="submit" class="btn btn-primary">Set aside</button>
    </form>
    <p v-if="jobs.job!.kept_maps.length === 0" class="what mt-3">Nothing is set aside yet.</p>
    <ul v-else>
      <li v-for="(kept, index) in jobs.job!.kept_maps" :key="index">
        <span>{{ kept }}</span>
        <button type="button" @click="compared = index">Compare</button>
        <button type="button" :disabled="cutting.working" @click="cutting.run('take_kept_map', { index })">
          Go back
        </button>
        <button type="button" @click="cutting.run('drop_kept_map', { index })">Drop</button>
      </li>
    </ul>
    <div class="row-of files">
      <a
        class="btn-choose"
        :href="api.urls.layout(jobs.job!.id, jobs.job!.revision)"
        download
        title="Islands and their places by themselves, without model and art"
        >Save layout as a file</a
      >
      <label class="btn-choose">
        Load layout…<input
          type="file"
          class="visually-hidden"
          accept=".json"
          aria-label="Load a layout file"
          @change="load"
        />
      </label>
    </div>
    <CompareDialog v-model="compared" />
  </section>
</template>

<style scoped>
.keep {
  display: flex;
  gap: 6px;
}
.keep input {
  flex: 1;
  min-width: 0;
}
ul {
  padding: 0;
  margin: 14px 0 0;
  list-style: none;
}
li {
  display: flex;
  padding: 5px 0;
  gap: 8px;
  border-bottom: 1px solid var(--rule);
}
li span {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li button {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  font-size: 12.5px;
  text-decoration: underline;
  text-underline-offset: 2px;
}
.files {
  margin-top: 14px;
}
.files > * {
  flex: 1 1 0;
  padding: 3px 6px;
  font-size: 12.5px;
  text-align: center;
  text-decoration: none;
}
.files label:focus-within {
  outline: 2px solid var(--verdigris);
}
</style>
