import { computed } from "vue";
import type { Mask } from "@/api/types";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { useSelection } from "@/stores/selection";

/** What a layer may be limited to, as a list to choose from: everything, the picked islands, a part, a material. */
export function useMaskChoices() {
  const jobs = useJob();
  const selection = useSelection();

  const picked = computed(() => {
    const { islands } = selection;
    return islands.length === 1 ? (jobs.islands[islands[0]!]?.name ?? "") : counted(islands.length, "islands");
  });
  const several = (names: string[], kind: string) =>
    names.length > 1 ? names.map((text, index) => ({ value: `${kind}:${index}`, text })) : [];
  const choices = computed(() => [
    { value: "all", text: "the whole sheet" },
    ...(selection.islands.length > 0 ? [{ value: "islands", text: picked.value }] : []),
    ...several(
      (jobs.job?.parts ?? []).map((part) => `part ${part.name}`),
      "part",
    ),
    ...several(
      (jobs.job?.materials ?? []).map((material) => `material ${material.name}`),
      "material",
    ),
  ]);

  function maskOf(choice: string): Partial<Mask> {
    const [kind, index] = choice.split(":");
    if (kind === "islands") return { islands: [...selection.islands] };
    return kind === "part" ? { parts: [Number(index)] } : kind === "material" ? { materials: [Number(index)] } : {};
  }

  /** The choice that a mask stands for; null where it is none of them. */
  function choiceOf(mask: Mask | null): string | null {
    if (!mask) return "all";
    const { islands, parts, materials, faces } = mask;
    const given = [islands, parts, materials, faces].filter((list) => list !== null);
    if (given.length !== 1 || given[0]!.length !== 1) return null;
    return parts ? `part:${parts[0]}` : materials ? `material:${materials[0]}` : null;
  }

  /** What a mask lets through, in words. */
  function wordsOf(mask: Mask): string {
    const names = [
      ...(mask.islands ?? []).map((index) => jobs.islands[index]?.name),
      ...(mask.parts ?? []).map((index) => jobs.job?.parts[index]?.name),
      ...(mask.materials ?? []).map((index) => jobs.job?.materials[index]?.name),
      ...(mask.faces ? [counted(mask.faces.length, "faces")] : []),
    ];
    return names.length > 3 ? `${names.slice(0, 2).join(", ")} and ${names.length - 2} more` : names.join(", ");
  }

  return { choices, maskOf, choiceOf, wordsOf };
}
