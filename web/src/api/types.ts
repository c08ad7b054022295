/** The front end's own words for values of the server's JSON, and all its types. */
import type { Island, Layer, Sheet } from "./answers";
import type { Operations, TemplateFile, TemplateOptions } from "./operations";

export * from "./answers";
export * from "./operations";

export type Pair = [number, number];
export type Triple = [number, number, number];
export type Tag = Island["tag"];
export type Severity = "error" | "warning" | "hint";
/** What can be picked on the surface; a corner stands for all corners of faces in one place. */
export type PickKind = "faces" | "edges" | "corners";
export type MeasureKind = "stretch" | "density";
/** what sheet and model wear */
export type Look = "art" | "underlay" | "chart" | "checker" | MeasureKind;
export type FitWay = NonNullable<Operations["set_into_cells"]["assignments"][number]["way"]>;
export type Content = Layer["content"];
export type LayerPlace = Layer["place"];
/** the place of a layer that is set on an island */
export type OnIsland = Extract<LayerPlace, { kind: "island" }>;
export type Lettering = Extract<Content, { kind: "lettering" }>;
/** the place of a layer that lies round a spot of the model */
export type AtLevel = Extract<LayerPlace, { kind: "level" }>;
/** the place of a layer that goes through the model from one side */
export type FromSide = Extract<LayerPlace, { kind: "side" }>;
export type AlongPath = Extract<LayerPlace, { kind: "path" }>;
export type OnSurface = Extract<LayerPlace, { kind: "surface" }>;

export type TraceSettings = Sheet & TemplateOptions & Omit<TemplateFile, "format">;
