<script setup lang="ts">
/** Pictures of the job: one laid under the islands, or several composed to one sheet of cells. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { ref } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import NumberField from "@/ui/NumberField.vue";
import PictureGrid from "@/ui/PictureGrid.vue";

const jobs = useJob();
const messages = useMessages();
const chosen = ref<string[]>([]);
const size = ref({ columns: 0, width_px: 256, height_px: 256, gutter_px: 4 });
const LABELS = { columns: "Columns", width_px: "Width", height_px: "Height", gutter_px: "Gutter" };
const trim = ref(true);
const even_light = ref(false);
const working = ref(false);

const toggle = (digest: string) =>
  (chosen.value = chosen.value.includes(digest)
    ? chosen.value.filter((other) => other !== digest)
    : [...chosen.value, digest]);

async function compose() {
  working.value = true;
  try {
    const { picture, cells } = await api.compose(jobs.job!.id, {
      pictures: chosen.value,
      ...size.value,
      trim: trim.value,
      even_light: even_light.value,
    });
    if (await jobs.operate("add_underlay", { picture: picture.digest }))
      await jobs.operate("set_cells", { index: jobs.job!.fit_setup.shown!, cells });
    chosen.value = [];
  } catch (error) {
    messages.fail(error);
  } finally {
    working.value = false;
  }
}

async function lay() {
  if (await jobs.operate("add_underlay", { picture: chosen.value[0]! })) chosen.value = [];
}
</script>

<template>
  <h3>Pictures of the job</h3>
  <PictureGrid :chosen="chosen" @toggle="toggle" />
  <p v-if="chosen.length === 0" class="form-text">
    Choose one to lay it under the islands, or several to compose one sheet of them.
  </p>
  <BButton v-else-if="chosen.length === 1" variant="secondary" class="btn-wide" @click="lay">
    Lay it under the islands
  </BButton>
  <template v-else>
    <div class="four mb-2 small">
      <label v-for="(text, name) in LABELS" :key="name"
        ><span>{{ text }}</span
        ><NumberField
          :label="`${text} of the composed sheet`"
          hide-label
          :value="size[name]"
          :decimals="0"
          @change="size[name] = $event"
      /></label>
    </div>
    <p class="form-text">Px of each cell; columns 0 for as square as goes.</p>
    <BFormCheckbox v-model="trim" class="mt-2">Trim even borders</BFormCheckbox>
    <BFormCheckbox v-model="even_light" class="mt-2">Even out their light</BFormCheckbox>
    <BButton variant="secondary" class="btn-wide" :disabled="working" @click="compose">
      {{ working ? "Composing…" : `Compose ${chosen.length} to one sheet` }}
    </BButton>
  </template>
</template>
