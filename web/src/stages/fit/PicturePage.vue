<script setup lang="ts">
/** The pictures under the islands, and those that are only looked at. */
import { BButton } from "bootstrap-vue-next";
import { computed, ref, shallowRef } from "vue";
import { LIMITS } from "@/api/operations";
import type { Picture } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useSettings } from "@/stores/settings";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import DropZone from "@/ui/DropZone.vue";
import NumberField from "@/ui/NumberField.vue";
import NoteBox from "@/ui/NoteBox.vue";
import { within } from "@/ui/sums";
import ComposePanel from "./ComposePanel.vue";
import RecipePanel from "./RecipePanel.vue";
import ReferenceList from "./ReferenceList.vue";
import SwapCard from "./SwapCard.vue";
import UnderlayList from "./UnderlayList.vue";

const ACCEPT = "image/*,.tga,.ora,.svg";
const jobs = useJob();
const fitting = useFitting();
const settings = useSettings();
const bringing = ref(false);
/** the whole and the layers of a file that was just brought in */
const layered = shallowRef<Picture[]>([]);
/** a picture of other proportions that the sheet took the size of, and the state right after */
const shaped = ref<{ digest: string; revision: number } | null>(null);
/** a picture that is asked about before it is shown */
const asked = ref<number | null>(null);

const underlay = computed(() => fitting.underlay);
const size = computed(() => jobs.job!.sheet);
const fits = computed(
  () =>
    !underlay.value ||
    (underlay.value.size_px[0] === size.value.width_px && underlay.value.size_px[1] === size.value.height_px),
);
/** As it is and over the whole sheet, a picture can be the art itself; once is enough. */
const wearable = computed(
  () =>
    underlay.value !== null &&
    underlay.value.recipe.length === 0 &&
    underlay.value.box.join() === "0,0,1,1" &&
    !jobs.layers.some(
      (layer) => layer.content.kind === "picture" && layer.content.picture.digest === underlay.value!.picture,
    ),
);
const stretched = computed(() => {
  const ratio = underlay.value?.stretch ?? 1;
  return Math.abs(ratio - 1) < 0.0005
    ? ""
    : `Its px are shown ${((Math.max(ratio, 1 / ratio) - 1) * 100).toFixed(1)} % too ${ratio > 1 ? "wide" : "high"}.`;
});

/** The first picture gives the sheet its size where nothing is painted yet. */
async function bring(files: File[]) {
  bringing.value = true;
  for (const file of files) {
    const [picture, ...layers] = await jobs.bringPictures(file);
    if (layers.length > 0) layered.value = [picture!, ...layers];
    const first = fitting.fit_setup.underlays.length === 0 && jobs.layers.length === 0;
    if (!picture) continue;
    const { width_px, height_px } = size.value;
    const resize = first && [picture.width_px, picture.height_px].every((px) => within(px, LIMITS.side_px));
    const other = Math.abs(width_px / height_px / (picture.width_px / picture.height_px) - 1) >= 0.0005;
    const done = await jobs.operate("add_underlay", { picture: picture.digest, resize, keep: "shape" });
    shaped.value = done && resize && other ? { digest: picture.digest, revision: jobs.job!.revision } : null;
  }
  bringing.value = false;
}

/** The last picture came with other proportions than the sheet's, and islands kept their shape: they may be stretched. */
async function stretchAlong() {
  const picture = shaped.value!.digest;
  shaped.value = null;
  await jobs.undo();
  await jobs.operate("add_underlay", { picture, resize: true, keep: "uv" });
}

const layer = (picture: Picture) => jobs.operate("add_underlay", { picture: picture.digest });
const show = (index: number | null) => jobs.operate("show_underlay", { index });
</script>

<template>
  <section aria-label="Pictures">
    <DropZone
      :accept="ACCEPT"
      :label="bringing ? 'Reading…' : 'Bring in a picture'"
      :busy="bringing"
      multiple
      @files="bring"
    >
      <p v-if="fitting.fit_setup.underlays.length === 0" class="mb-2">
        Drop a template, an atlas, a printed net or a photo. Its px lie under the islands as they are.
      </p>
    </DropZone>
    <NoteBox v-if="shaped && shaped.revision === jobs.job!.revision" class="mt-2">
      The picture has other proportions than the sheet had: islands keep their shape. Was the model mapped for it?
      <BButton variant="secondary" size="sm" class="d-block mt-1" @click="stretchAlong">Stretch them along</BButton>
    </NoteBox>
    <p v-if="layered.length > 0" class="form-text mt-2">
      {{ layered[0]!.name }} has {{ layered.length === 2 ? "one layer" : `${layered.length - 1} layers` }}. The whole
      lies under the islands; instead take
      <template v-for="(picture, i) in layered.slice(1)" :key="picture.digest"
        >{{ i > 0 ? ", " : ""
        }}<BButton variant="link" @click="layer(picture)">
          {{ picture.name.replace(/^.*: |\.png$/g, "") }}
        </BButton></template
      >.
    </p>
    <UnderlayList v-if="fitting.fit_setup.underlays.length > 0" @show="show" @ask="asked = $event" />
    <SwapCard v-if="asked !== null" :index="asked" @done="asked = null" />
    <template v-if="underlay">
      <p v-if="!fits" class="form-text mt-2">
        The sheet has {{ size.width_px }} × {{ size.height_px }} px, the picture {{ underlay.size_px.join(" × ") }}.
        {{ stretched }}
      </p>
      <BButton
        v-if="!fits && underlay.stretch !== 1"
        variant="secondary"
        class="btn-wide"
        title="A px of the picture for a px of the sheet, from the top left corner"
        @click="jobs.operate('show_underlay', { index: fitting.fit_setup.shown, how: 'keep_scale' })"
      >
        Show it at its own scale
      </BButton>
      <BButton
        v-if="!fits"
        variant="secondary"
        class="btn-wide"
        title="The islands are stretched along, so that they lie on the same places of the picture"
        @click="jobs.operate('show_underlay', { index: fitting.fit_setup.shown, resize: true, keep: 'shape' })"
      >
        Make the sheet as large as the picture
      </BButton>
      <div class="fields mt-2">
        <NumberField
          class="wide"
          label="Strength"
          :value="underlay.opacity * 100"
          unit="%"
          :decimals="0"
          :disabled="underlay.locked"
          @change="
            jobs.operate('change_underlay', {
              index: fitting.fit_setup.shown!,
              opacity: $event / 100,
            })
          "
        />
        <span>Pixels</span>
        <ChoiceBar
          v-model="settings.pixels"
          class="wide"
          label="How px of the picture are shown"
          :choices="{ auto: 'by size', hard: 'hard', smooth: 'smooth' }"
        />
      </div>
      <BButton
        v-if="wearable"
        variant="secondary"
        class="btn-wide"
        title="As a layer over the whole sheet, to be delivered with the model"
        @click="jobs.operate('add_layer', { content: { kind: 'picture', picture: underlay.picture } })"
      >
        Use as art
      </BButton>
      <RecipePanel :underlay="underlay" :index="fitting.fit_setup.shown!" />
    </template>
    <ReferenceList />
    <ComposePanel v-if="jobs.job!.pictures.length > 0" />
  </section>
</template>
