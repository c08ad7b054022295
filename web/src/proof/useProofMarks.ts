import { watch, type Ref } from "vue";
import { useBand } from "@/stores/band";
import { useElements } from "@/stores/elements";
import { usePicks } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import { useSurface } from "@/stores/surface";
import type { ProofScene } from "./scene";

const NONE = { faces: [], edges: [], corners: [] };

/** Keeps what the cut stage draws over the model in step with what is picked and cut. */
export function useProofMarks(scene: Ref<ProofScene | undefined>, cutting: () => boolean) {
  const store = useElements();
  const surfaces = useSurface();
  const picks = usePicks();
  const seams = useSeams();
  const bands = useBand();
  const elements = () => (cutting() ? store.elements : null);

  watch([scene, elements, () => picks.sets], () => scene.value?.marks.setPicked(elements(), picks.sets));
  watch([scene, elements, () => picks.hovered, () => picks.passed, () => picks.part], () => {
    const under = picks.hovered === null ? [...picks.passed] : [...picks.passed, picks.hovered];
    scene.value?.marks.setHovered(elements(), picks.part ? { ...NONE, [picks.part]: under } : NONE);
  });
  watch([scene, elements, () => seams.cut, () => seams.pieces], () =>
    scene.value?.marks.setSeams(elements(), seams.cut, seams.pieces?.open_ends.map((end) => end.vertex) ?? []),
  );
  watch([scene, elements, () => seams.tints], () =>
    scene.value?.marks.setTints(surfaces.surface, cutting() ? seams.tints : null),
  );
  watch([scene, elements, () => bands.shown], () => {
    const band = cutting() ? bands.shown : null;
    scene.value?.marks.setAxis(band && [...band.low, ...band.high], band?.kind === "cone" ? band.origin : null);
  });
}
