import { useStorage } from "@vueuse/core";
import type { DeliveryOptions, ReceiverRules } from "@/api/types";

export const USUAL: DeliveryOptions = {
  format: "obj",
  image: "png",
  name: "{job}",
  bleed: true,
  alpha: "keep",
  ground: "#ffffff",
  deep: false,
  up: "y",
  front: "z",
  left_handed: false,
  unit: null,
  one_material: false,
  manifest: false,
  companions: [],
};

export const NO_RULES: ReceiverRules = {
  powers_of_two: false,
  largest_px: null,
  largest_kb: null,
  single_material: false,
  opaque: false,
  names: null,
};

/** What is set up, in this browser. */
export const useDelivery = () => ({
  options: useStorage<DeliveryOptions>("sheet-trace-delivery", { ...USUAL }, undefined, { mergeDefaults: true }),
  rules: useStorage<ReceiverRules>("sheet-trace-rules", { ...NO_RULES }, undefined, { mergeDefaults: true }),
});
