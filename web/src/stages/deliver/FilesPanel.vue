<script setup lang="ts">
/** Textures and the model that wears them, as a receiver wants them. */
import { BButton, BFormCheckbox, BFormInput, BFormSelect } from "bootstrap-vue-next";
import { computed, reactive, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import type { RuleBreak } from "@/api/types";
import { useQuestions } from "@/composables/useAnswer";
import { useSheetSize } from "@/composables/useSheetSize";
import { useExchange } from "@/stores/exchange";
import { useFirstSteps } from "@/stores/firstSteps";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NoteBox from "@/ui/NoteBox.vue";
import NumberField from "@/ui/NumberField.vue";
import SelectField from "@/ui/SelectField.vue";
import SizeFields from "@/ui/SizeFields.vue";
import { within } from "@/ui/sums";
import AxesPicture from "./AxesPicture.vue";
import ReceiverFields from "./ReceiverFields.vue";
import { useDelivery } from "./delivery";

const MODELS = {
  obj: "OBJ and MTL",
  glb: "GLB, one file",
  gltf: "glTF and its files",
  dae: "COLLADA",
  ply: "PLY",
  none: "no model",
};
const IMAGES = { png: "PNG", tif: "TIFF", tga: "TGA", jpg: "JPEG", webp: "WebP" };
const ALPHAS = { keep: "kept", drop: "dropped, on a colour", apart: "in a file of its own" };
const COMPANIONS: Record<(typeof LIMITS.companions)[number], string> = {
  ids: "Islands apart",
  coverage: "What is covered",
  bleed: "Margin",
  position: "Place",
  normal: "Normal",
  facing: "Facing",
  density: "Density",
  stretch: "Stretch",
};
const UPS = { y: "y", z: "z" };
const FRONTS = { z: "the front, as it is", x: "the right", "-z": "the back", "-x": "the left" };
const UNITS = { "": "as in the file", mm: "mm", cm: "cm", m: "m", in: "in" };
const jobs = useJob();
const exchange = useExchange();
const firstSteps = useFirstSteps();
const { options, rules } = useDelivery();
const size = reactive({ ...jobs.job!.sheet });
const all = ref(false);
useSheetSize((own) => Object.assign(size, own));

const unit = computed({
  get: () => options.value.unit ?? "",
  set: (unit: keyof typeof UNITS) => (options.value.unit = unit || null),
});
const editions = computed(() => jobs.job!.artwork.editions);
const wrong = computed(() => [size.width_px, size.height_px].find((px) => !within(px, LIMITS.side_px)));
const shownLayers = computed(() => jobs.layers.filter((layer) => layer.visible).length);
const underlay = computed(() => {
  const setup = jobs.job!.fit_setup;
  return setup.shown === null ? null : setup.underlays[setup.shown]!;
});
/** it lies over the whole sheet as it came */
const whole = computed(
  () => underlay.value?.recipe.length === 0 && underlay.value.box.every((share, i) => share === (i < 2 ? 0 : 1)),
);
const mirrored = computed(() => jobs.islands.filter((island) => island.mirrored).map((island) => island.name));
interface Loss {
  format?: readonly string[];
  image?: readonly string[];
  alpha?: readonly string[];
  polygons?: boolean;
  vertex_colors?: boolean;
  deep?: boolean;
  message: string;
}
/** what is lost, before it is */
const losses = computed(() =>
  (LIMITS.losses as readonly Loss[])
    .filter(({ format, image, alpha, polygons, vertex_colors, deep }) =>
      [
        !format || format.includes(options.value.format!),
        !image || image.includes(options.value.image!),
        !alpha || alpha.includes(options.value.alpha!),
        !deep || options.value.deep,
        !polygons || jobs.job!.counts.triangles !== jobs.job!.counts.faces,
        !vertex_colors || jobs.job!.counts.vertex_colors,
      ].every(Boolean),
    )
    .map(({ message }) => message),
);
const part = ref("");
const parts = computed(() => [
  { value: "", text: "all" },
  ...jobs.job!.parts.map(({ name }, i) => ({ value: String(i), text: name })),
]);

const sent = computed(() => ({
  ...size,
  ...options.value,
  parts: part.value === "" ? null : [Number(part.value)],
  editions: all.value ? editions.value.map((_, i) => i) : null,
}));
const file = computed(() => api.urls.delivery(jobs.job!.id, jobs.job!.revision, sent.value));
/** rules of the receiver that this would break */
const broken = shallowRef<RuleBreak[]>([]);
const ask = useQuestions(() => JSON.stringify([jobs.job?.revision, sent.value, rules.value]));
watch(
  () => [jobs.job?.revision, sent.value, rules.value] as const,
  async ([, options, own]) => {
    const asked = Object.values(own).some(Boolean) && wrong.value === undefined;
    broken.value = (asked && (await ask((id, revision) => api.ruleBreaks(id, revision, { ...options, ...own })))) || [];
  },
  { immediate: true, deep: true },
);
</script>

<template>
  <div v-if="jobs.job">
    <SizeFields
      :width="size.width_px"
      :height="size.height_px"
      @change="(w, h) => Object.assign(size, { width_px: w, height_px: h })"
    />
    <div class="fields mt-2">
      <SelectField id="model-format" v-model="options.format!" label="Model" :choices="MODELS" />
      <SelectField id="image-format" v-model="options.image!" label="Textures" :choices="IMAGES" />
      <template v-if="parts.length > 2">
        <label for="delivered-part">Part</label>
        <BFormSelect id="delivered-part" v-model="part" class="wide" :options="parts" />
      </template>
      <label for="file-name">Name</label>
      <BFormInput
        id="file-name"
        v-model="options.name"
        class="wide num"
        title="{job} and {edition} stand for their names"
      />
    </div>
    <BFormCheckbox v-if="editions.length > 1" v-model="all">All {{ editions.length }} editions</BFormCheckbox>
    <FoldSection title="What the receiver wants" folded>
      <div class="fields">
        <SelectField id="alpha" v-model="options.alpha!" label="Alpha" :choices="ALPHAS" />
        <template v-if="options.alpha !== 'keep'">
          <span>On</span>
          <ColorField class="wide" label="Ground" :value="options.ground!" @change="options.ground = $event" />
        </template>
        <SelectField id="up" v-model="options.up!" label="Up is" :choices="UPS" />
        <SelectField id="front" v-model="options.front!" label="Front to" :choices="FRONTS" />
        <SelectField id="unit" v-model="unit" label="One unit is" :choices="UNITS" />
      </div>
      <AxesPicture :up="options.up!" :front="options.front!" :left-handed="options.left_handed!" />
      <BFormCheckbox v-model="options.left_handed">Left-handed axes</BFormCheckbox>
      <BFormCheckbox v-model="options.deep">16 bits a channel</BFormCheckbox>
      <BFormCheckbox v-model="options.bleed">Bleed of {{ jobs.job.artwork.bleed_px }} px</BFormCheckbox>
      <BFormCheckbox v-model="options.one_material">One material</BFormCheckbox>
      <BFormCheckbox v-model="options.manifest">A list of what each file is</BFormCheckbox>
      <h3>Its rules</h3>
      <BFormCheckbox v-model="rules.powers_of_two">Powers of two</BFormCheckbox>
      <BFormCheckbox v-model="rules.single_material">A single material</BFormCheckbox>
      <BFormCheckbox v-model="rules.opaque">Nothing see-through</BFormCheckbox>
      <div class="fields">
        <NumberField
          class="wide"
          label="Largest side"
          :value="rules.largest_px ?? 0"
          unit="px"
          :decimals="0"
          @change="rules.largest_px = $event || null"
        />
        <NumberField
          class="wide"
          label="Largest weight"
          :value="rules.largest_kb ?? 0"
          unit="kB"
          :decimals="0"
          @change="rules.largest_kb = $event || null"
        />
        <label for="rule-names">Names</label>
        <BFormInput
          id="rule-names"
          class="wide num"
          size="sm"
          placeholder="such as tx_*"
          title="* stands for anything, ? for one sign"
          :model-value="rules.names ?? ''"
          @update:model-value="rules.names = String($event) || null"
        />
      </div>
      <ReceiverFields v-model:options="options" v-model:rules="rules" />
    </FoldSection>
    <FoldSection title="Pictures of the layout" folded>
      <p class="form-text mb-1">For selections and masks in a paint program.</p>
      <div class="companions" role="group" aria-label="Pictures of the layout">
        <BFormCheckbox v-for="kind in LIMITS.companions" :key="kind" v-model="options.companions" :value="kind">{{
          COMPANIONS[kind]
        }}</BFormCheckbox>
      </div>
    </FoldSection>
    <NoteBox v-if="wrong !== undefined" role="alert">
      A side of {{ wrong }} px can't be written; give {{ LIMITS.side_px.join(" to ") }}.
    </NoteBox>
    <NoteBox v-for="{ rule, message, cure } in broken" :key="rule" role="alert">
      The receiver's rule is broken: {{ message }}; {{ cure }}.
    </NoteBox>
    <NoteBox v-for="loss in losses" :key="loss" plain>{{ loss }}</NoteBox>
    <NoteBox v-if="shownLayers === 0 && underlay">
      {{ underlay.name }} is laid under to fit to, and is no art: the texture will be empty.
      <BButton
        v-if="whole"
        variant="secondary"
        size="sm"
        class="d-block mt-2"
        @click="jobs.operate('add_layer', { content: { kind: 'picture', picture: underlay.picture } })"
        >Use as art</BButton
      >
      <template v-else>Bring it in as a picture on Art, and lay it over the sheet.</template>
    </NoteBox>
    <NoteBox v-else-if="shownLayers === 0">No layer is visible: the texture will be empty.</NoteBox>
    <NoteBox v-if="mirrored.length > 0">
      {{ mirrored.join(", ") }} {{ mirrored.length === 1 ? "reads" : "read" }} mirrored.
    </NoteBox>
    <BButton
      variant="primary"
      class="btn-wide"
      :href="file"
      download
      :disabled="wrong !== undefined"
      @click="firstSteps.tick('delivery')"
      >Deliver the zip</BButton
    >
    <BButton
      v-if="exchange.folder"
      variant="secondary"
      class="btn-wide"
      :disabled="wrong !== undefined"
      @click="exchange.write(file)"
      >Write the files into the exchange folder</BButton
    >
    <p class="form-text mb-0">
      {{ shownLayers }} of {{ jobs.layers.length }} layers, {{ jobs.job.counts.faces }} faces
      <template v-if="jobs.job.artwork.relief">, height map and normal map</template>
      <template v-if="jobs.job.artwork.mask">, mask</template>
    </p>
  </div>
</template>

<style scoped>
.companions {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
</style>
