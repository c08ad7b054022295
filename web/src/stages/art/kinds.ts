import type { Component } from "vue";
import type { Content, Layer, LayerPlace } from "@/api/types";
import LetteringFields from "./contents/LetteringFields.vue";
import GradientFields from "./contents/GradientFields.vue";
import FillFields from "./contents/FillFields.vue";
import SeamFields from "./contents/SeamFields.vue";
import GuideFields from "./contents/GuideFields.vue";
import PictureFields from "./contents/PictureFields.vue";
import IslandFields from "./places/IslandFields.vue";
import StripeFields from "./places/StripeFields.vue";
import SideFields from "./places/SideFields.vue";
import SkinFields from "./places/SkinFields.vue";
import SurfaceFields from "./places/SurfaceFields.vue";

/** What a layer is called in words, by what it shows and where it lies. */
const WORDS: Record<Content["kind"], Record<LayerPlace["kind"], string>> = {
  picture: {
    sheet: "skin",
    model: "skin",
    side: "projection",
    island: "label",
    surface: "decal",
    level: "stripe",
    path: "stripe",
  },
  fill: {
    sheet: "fill",
    model: "fill",
    side: "fill",
    island: "patch",
    surface: "spot",
    level: "stripe",
    path: "stripe",
  },
  gradient: {
    sheet: "gradient",
    model: "gradient",
    side: "gradient",
    island: "gradient patch",
    surface: "gradient spot",
    level: "gradient stripe",
    path: "gradient stripe",
  },
  lettering: {
    sheet: "lettering",
    model: "lettering",
    side: "lettering",
    island: "lettering",
    surface: "lettering",
    level: "lettering",
    path: "lettering",
  },
  guide: {
    sheet: "guide",
    model: "guide",
    side: "guide",
    island: "guide",
    surface: "guide",
    level: "guide",
    path: "guide",
  },
  seam_blend: {
    sheet: "blend",
    model: "blend",
    side: "blend",
    island: "blend",
    surface: "blend",
    level: "blend",
    path: "blend",
  },
  merged: {
    sheet: "merged",
    model: "merged",
    side: "merged",
    island: "merged",
    surface: "merged",
    level: "merged",
    path: "merged",
  },
};
/**
 * The fields of each content and place that has some; they take the layer. A new kind is a component and a line here.
 */
const CONTENTS: Partial<Record<Content["kind"], Component>> = {
  fill: FillFields,
  gradient: GradientFields,
  picture: PictureFields,
  lettering: LetteringFields,
  guide: GuideFields,
  seam_blend: SeamFields,
};
const PLACES: Partial<Record<LayerPlace["kind"], Component>> = {
  island: IslandFields,
  surface: SurfaceFields,
  level: StripeFields,
  path: StripeFields,
  sheet: SkinFields,
  model: SkinFields,
  side: SideFields,
};

/** contents that lie over the whole sheet and nowhere else */
const WHOLE: Content["kind"][] = ["guide", "merged", "seam_blend"];

export const wordOf = (layer: Layer) => WORDS[layer.content.kind][layer.place.kind];
export const fieldsOf = (layer: Layer) =>
  [CONTENTS[layer.content.kind], WHOLE.includes(layer.content.kind) ? undefined : PLACES[layer.place.kind]].filter(
    (fields) => fields !== undefined,
  );
