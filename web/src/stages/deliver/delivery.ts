import { useStorage } from "@vueuse/core";
import type { DeliveryOptions, ReceiverRules } from "@/api/types";

/** How the painter delivers, under a name: what a receiver wants. */
export interface Receiver {
  name: string;
  options: DeliveryOptions;
  rules?: ReceiverRules;
}

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

/** What is set up, and the receivers that are kept in the browser for all jobs. */
export const useDelivery = () => ({
  options: useStorage<DeliveryOptions>("sheet-trace-delivery", { ...USUAL }, undefined, { mergeDefaults: true }),
  rules: useStorage<ReceiverRules>("sheet-trace-rules", { ...NO_RULES }, undefined, { mergeDefaults: true }),
  receivers: useStorage<Receiver[]>("sheet-trace-receivers", []),
});

/** Receivers as a file, and back: what is no receiver is left out. */
export const written = (receivers: Receiver[]) => JSON.stringify({ receivers }, null, 2);
export function read(text: string): Receiver[] {
  const found: unknown = JSON.parse(text);
  const list = (found as { receivers?: unknown[] } | null)?.receivers ?? [];
  return list.filter(
    (entry): entry is Receiver =>
      typeof (entry as Receiver)?.name === "string" && typeof (entry as Receiver)?.options === "object",
  );
}
