import type { Component } from "vue";
import ArtStage from "./art/ArtStage.vue";
import CutStage from "./cut/CutStage.vue";
import DeliverStage from "./deliver/DeliverStage.vue";
import FitStage from "./fit/FitStage.vue";
import LayoutStage from "./layout/LayoutStage.vue";
import ModelStage from "./model/ModelStage.vue";
import TraceStage from "./trace/TraceStage.vue";

/**
 * A stage of the work: its inspector, and what the hand can do on the sheet. A new stage is a folder and a line here.
 */
export interface Stage {
  id: string;
  name: string;
  inspector: Component;
  /** islands can be moved on the sheet */
  movable: boolean;
  /** labels can be moved on the sheet */
  labels: boolean;
  /** faces, edges and corners can be picked, and sheet and proof show where the surface is cut */
  seams: boolean;
}

export const STAGES: Stage[] = [
  { id: "model", name: "Model", inspector: ModelStage, movable: false, labels: false, seams: false },
  { id: "cut", name: "Cut", inspector: CutStage, movable: false, labels: false, seams: true },
  { id: "layout", name: "Lay out", inspector: LayoutStage, movable: true, labels: false, seams: false },
  { id: "fit", name: "Fit", inspector: FitStage, movable: true, labels: false, seams: false },
  { id: "trace", name: "Trace", inspector: TraceStage, movable: false, labels: false, seams: false },
  { id: "art", name: "Art", inspector: ArtStage, movable: false, labels: true, seams: false },
  { id: "deliver", name: "Deliver", inspector: DeliverStage, movable: false, labels: false, seams: false },
];
