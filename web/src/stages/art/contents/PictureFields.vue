<script setup lang="ts">
/** Another picture in the place of a layer's: one of the job's, or a file. */
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Content, Layer } from "@/api/types";
import { useQuestions } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { BButton } from "bootstrap-vue-next";
import ColorField from "@/ui/ColorField.vue";
import ColorSwatch from "@/ui/ColorSwatch.vue";
import FileButton from "@/ui/FileButton.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";
import PictureGrid from "@/ui/PictureGrid.vue";

type Crop = Extract<Content, { kind: "picture" }>["crop"];

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const reading = ref(false);
const now = () => (props.layer.content.kind === "picture" ? props.layer.content.picture.digest : "");

const replace = (digest: string) =>
  digest !== now() && jobs.operate("change_layer", { id: props.layer.id, content: { picture: digest } });

const SIDES = ["Left", "Top", "Right", "Bottom"] as const;
const WHOLE: Crop = [0, 0, 1, 1];
const crop = computed(() => (props.layer.content.kind === "picture" ? props.layer.content.crop : WHOLE));
const cut = (side: number, share: number) =>
  jobs.operate("change_layer", {
    id: props.layer.id,
    content: { crop: crop.value.map((value, i) => (i === side ? share : value)) as Crop },
  });

type Ranges = { from: string; to: string; within: number }[];
const ranges = computed<Ranges>(() =>
  props.layer.content.kind === "picture" ? (props.layer.content.recolour as Ranges) : [],
);
const recolour = (changed: Ranges) =>
  jobs.operate("change_layer", { id: props.layer.id, content: { recolour: changed } });
const changeRange = (i: number, changes: Partial<Ranges[number]>) =>
  recolour(ranges.value.map((range, k) => (k === i ? { ...range, ...changes } : range)));
/** what the picture is made of, to choose from */
const colors = shallowRef<string[]>([]);
const ask = useQuestions(now);
watch(
  now,
  async (digest) => {
    colors.value = [];
    colors.value = (digest && (await ask((id) => api.mainColors(id, digest)))) || [];
  },
  { immediate: true },
);
const rgb = (color: string) => [1, 3, 5].map((at) => parseInt(color.slice(at, at + 2), 16) / 255);
const addRange = (from: string) => recolour([...ranges.value, { from, to: from, within: 12 }]);

async function bring([file]: File[]) {
  reading.value = true;
  const [picture] = file ? await jobs.bringPictures(file) : [];
  reading.value = false;
  if (picture) await replace(picture.digest);
}
</script>

<template>
  <section aria-label="Picture of the layer">
    <h3>Picture of {{ layer.name }}</h3>
    <PictureGrid v-if="jobs.job!.pictures.length > 1" :chosen="[now()]" @toggle="replace" />
    <FileButton
      accept="image/*"
      :label="reading ? 'Reading…' : 'Replace by a file'"
      :disabled="reading"
      @files="bring"
    />
    <FoldSection title="Crop" folded>
      <div class="fields">
        <NumberField
          v-for="(side, i) in SIDES"
          :key="side"
          class="wide"
          :label="side"
          :value="100 * crop[i]!"
          unit="%"
          :decimals="1"
          @change="cut(i, $event / 100)"
        />
      </div>
    </FoldSection>
    <FoldSection title="Recolour" :folded="ranges.length === 0">
      <div v-for="(range, i) in ranges" :key="i" class="fields mb-2">
        <span>From</span>
        <ColorField
          class="wide"
          label="Colour that is turned"
          :value="range.from"
          @change="changeRange(i, { from: $event })"
        />
        <span>Into</span>
        <ColorField
          class="wide"
          label="Colour it is turned into"
          :value="range.to"
          @change="changeRange(i, { to: $event })"
        />
        <NumberField
          class="wide"
          label="Takes along"
          :value="range.within"
          :decimals="1"
          unit="ΔE"
          @change="changeRange(i, { within: $event })"
        />
        <BButton variant="link" size="sm" class="wide text-start" @click="recolour(ranges.filter((_, k) => k !== i))"
          >Leave this colour as it is</BButton
        >
      </div>
      <p class="form-text mb-1">Colours of the picture; press one to turn it into another.</p>
      <div class="d-flex flex-wrap gap-1" role="group" aria-label="Colours of the picture">
        <BButton
          v-for="color in colors"
          :key="color"
          variant="light"
          class="p-1"
          :title="color"
          :aria-label="`Turn ${color} into another`"
          @click="addRange(color)"
        >
          <ColorSwatch :color="rgb(color)" />
        </BButton>
      </div>
    </FoldSection>
  </section>
</template>
