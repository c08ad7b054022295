// Made by `rake api` from the declarations of the core and the server; not to be changed by hand.

/** What each operation takes. Angles are degrees. */
export interface Operations {
  transform_islands: { islands: (number | string)[]; move_px?: [number, number]; turn_deg?: number; scale?: [number, number]; about?: "common" | "each" | [number, number]; hold?: "corners" | "middles" | null };
  place_island: { island: number | string; x_px?: number | null; y_px?: number | null; width_px?: number | null; height_px?: number | null; up_angle_deg?: number | null; free_proportions?: boolean };
  rename_island: { island: number | string; name: string };
  resize_sheet: { width_px: number; height_px: number; keep?: "uv" | "shape" | "px"; across?: "start" | "middle" | "end"; down?: "start" | "middle" | "end" };
  set_unit: { unit_mm: number };
  set_up_axis: { axis: "x" | "z" };
  set_bleed: { bleed_px?: number | null; copy?: number | null };
  set_gutter: { gutter_px: number };
  tag_islands: { islands: (number | string)[]; tag: "art" | "plain" };
  add_layer: { name?: string | null; content: { kind: "picture"; picture: string; crop?: [number, number, number, number]; recolour?: { from: string; to: string; within?: number }[] } | { kind: "fill"; color: string } | { kind: "gradient"; color: string; to: string; turn_deg?: number; round?: boolean } | { kind: "same"; of: string } | { kind: "lettering"; text: string; font?: string; color?: string; align?: "left" | "centre" | "right"; tracking?: number; leading?: number | null; outline?: number; outline_color?: string } | { kind: "guide"; color?: string; line_px?: number; edges?: "all" | "outline" } | { kind: "seam_blend"; width_mm: number; between?: ((number | string)[])[] | null } | { kind: "merged"; layers: never }; place?: { kind: "sheet"; box?: [number, number, number, number] } | { kind: "island"; island: number | string; width_mm: number; x_mm?: number; y_mm?: number; turn_deg?: number; along?: "straight" | "rim"; bend_deg?: number; corners?: [number, number, number, number, number, number, number, number] } | { kind: "surface"; face: number; at: [number, number, number]; width_mm: number; turn_deg?: number; way?: "smooth" | "creased" | "square_on"; over_edges?: boolean; depth_mm?: number | null } | { kind: "level"; face: number; at: [number, number, number]; height_mm: number; offset_mm?: number; all_round?: boolean; trim_mm?: [number, number] } | { kind: "path"; spots?: { face: number; at: [number, number, number] }[]; back?: boolean; edges?: number[] | null; rim_of?: number | string | null; height_mm: number; offset_mm?: number; all_round?: boolean; trim_mm?: [number, number] } | { kind: "model"; painted_on: string; guide_px?: number } | { kind: "side"; side?: "front" | "back" | "left" | "right" | "above" | "below" }; islands?: (number | string)[] | null; parts?: (number | string)[] | null; materials?: (number | string)[] | null; faces?: number[] | null; opacity?: number; blend?: "normal" | "multiply" | "screen" | "overlay" | "darken" | "lighten" | "color-dodge" | "color-burn" | "hard-light" | "soft-light" | "difference" | "exclusion" | "hue" | "saturation" | "color" | "luminosity"; id?: string | null };
  place_picture: { picture: string; island: number | string; width_mm?: number | null; x_mm?: number; y_mm?: number; turn_deg?: number; name?: string | null; id?: string | null };
  change_layer: { id: string; name?: string | null; visible?: boolean | null; locked?: boolean | null; opacity?: number | null; blend?: "normal" | "multiply" | "screen" | "overlay" | "darken" | "lighten" | "color-dodge" | "color-burn" | "hard-light" | "soft-light" | "difference" | "exclusion" | "hue" | "saturation" | "color" | "luminosity" | null; content?: { kind?: "picture"; picture?: string; crop?: [number, number, number, number]; recolour?: { from: string; to: string; within?: number }[] } | { kind?: "fill"; color?: string } | { kind?: "gradient"; color?: string; to?: string; turn_deg?: number; round?: boolean } | { kind?: "same"; of?: string } | { kind?: "lettering"; text?: string; font?: string; color?: string; align?: "left" | "centre" | "right"; tracking?: number; leading?: number; outline?: number; outline_color?: string } | { kind?: "guide"; color?: string; line_px?: number; edges?: "all" | "outline" } | { kind?: "seam_blend"; width_mm?: number; between?: ((number | string)[])[] } | { kind?: "merged"; layers?: never } | null; place?: { kind?: "sheet"; box?: [number, number, number, number] } | { kind?: "island"; island?: number | string; width_mm?: number; x_mm?: number; y_mm?: number; turn_deg?: number; along?: "straight" | "rim"; bend_deg?: number; corners?: [number, number, number, number, number, number, number, number] } | { kind?: "surface"; face?: number; at?: [number, number, number]; width_mm?: number; turn_deg?: number; way?: "smooth" | "creased" | "square_on"; over_edges?: boolean; depth_mm?: number } | { kind?: "level"; face?: number; at?: [number, number, number]; height_mm?: number; offset_mm?: number; all_round?: boolean; trim_mm?: [number, number] } | { kind?: "path"; spots?: { face: number; at: [number, number, number] }[]; back?: boolean; edges?: number[]; rim_of?: number | string; height_mm?: number; offset_mm?: number; all_round?: boolean; trim_mm?: [number, number] } | { kind?: "model"; painted_on?: string; guide_px?: number } | { kind?: "side"; side?: "front" | "back" | "left" | "right" | "above" | "below" } | null; mask?: { islands?: (number | string)[] | null; parts?: (number | string)[] | null; materials?: (number | string)[] | null; faces?: number[] | null } | null };
  move_layer: { id: string; to: number };
  duplicate_layer: { id: string; edition?: number | string | null };
  merge_down: { id: string; name?: string | null };
  part_layers: { id: string };
  group_layers: { ids: string[]; group?: string | null };
  change_group: { group: number | string; name?: string | null; visible?: boolean | null; locked?: boolean | null; opacity?: number | null; to?: number | null };
  add_guide: { color?: string; line_px?: number; edges?: "all" | "outline" };
  remove_layer: { id: string };
  add_edition: { name: string; like?: number | string | null };
  show_edition: { edition: number | string };
  rename_edition: { edition: number | string; name: string };
  remove_edition: { edition: number | string };
  replace_in_edition: { id: string; edition?: number | string | null; content?: { kind: "picture"; picture: string; crop?: [number, number, number, number]; recolour?: { from: string; to: string; within?: number }[] } | { kind: "fill"; color: string } | { kind: "gradient"; color: string; to: string; turn_deg?: number; round?: boolean } | { kind: "same"; of: string } | { kind: "lettering"; text: string; font?: string; color?: string; align?: "left" | "centre" | "right"; tracking?: number; leading?: number | null; outline?: number; outline_color?: string } | { kind: "guide"; color?: string; line_px?: number; edges?: "all" | "outline" } | { kind: "seam_blend"; width_mm: number; between?: ((number | string)[])[] | null } | { kind: "merged"; layers: never } | null; visible?: boolean | null; restore?: boolean };
  fill_editions: { table: string };
  fill_column: { id: string; pictures: string[] };
  hold_skin: { id: string; to: "sheet" | "model" };
  set_on_alike: { id: string; islands?: (number | string)[] | null };
  free_layer: { id: string };
  set_palette: { palette: string };
  set_relief: { from?: "lightness" | "color" | null; color?: string | null; low?: number | null; high?: number | null; noise_px?: number | null; smooth_px?: number | null; height_mm?: number | null; flat?: boolean };
  set_blending: { linear: boolean };
  set_mask: { from?: "paint" | "lightness" | "color" | null; color?: string | null; low?: number | null; high?: number | null; noise_px?: number | null; smooth_px?: number | null; inverted?: boolean | null; layers?: string[] | null; all_layers?: boolean; none?: boolean };
  add_font: { file: string };
  note_export: { width_px: number; height_px: number; format?: "png" | "tif" | "tga" | "jpg" | "webp" | "svg" | "pdf" | "ora"; at: string };
  bring_back: { picture: string; layout: string; stretched?: boolean };
  pack: { islands?: (number | string)[] | null; turn?: "none" | "quarter" | "free"; upright?: boolean | null; keep_scale?: boolean; gutter_px?: number | null; margin_px?: number | null; in_order?: boolean; attempt?: number };
  equalise: { islands?: (number | string)[] | null };
  weigh_islands: { islands: (number | string)[]; weight: number };
  lock_islands: { islands: (number | string)[]; locked?: boolean };
  plan_sheet: { margin_px?: number | null; reserved?: [number, number, number, number][] | null };
  sheet_of_island: { island: number | string; dpi?: number };
  align_islands: { islands: (number | string)[]; by: "left" | "centre" | "right" | "top" | "middle" | "bottom" | "spread_across" | "spread_down" };
  place_corner: { point: number; x_px?: number | null; y_px?: number | null; u?: number | null; v?: number | null; alone?: boolean };
  weigh_by_visibility: { limit?: number };
  fit_to_sheet: { margin_px?: number | null };
  arrange_islands: { rule?: "reading" | "figure"; first?: "side" | "size" | "height" | "name"; order?: (number | string)[] | null; gutter_px?: number | null; margin_px?: number | null };
  park_islands: { islands: (number | string)[]; corner?: "top_left" | "top_right" | "bottom_left" | "bottom_right"; share?: number };
  set_aside: { islands: (number | string)[] };
  stack_twins: { islands?: (number | string)[] | null };
  exchange_twins: { islands: (number | string)[] };
  snap_to_pixels: { islands: (number | string)[]; what?: "place" | "box" | "points" | "shape"; to?: "corners" | "middles" };
  separate_islands: { islands: (number | string)[] };
  scale_to_room: { islands: (number | string)[] };
  turn_upright: { islands: (number | string)[] };
  reflect_islands: { islands: (number | string)[] };
  bring_onto_sheet: { islands: (number | string)[] };
  match_density: { islands: (number | string)[]; density_px_per_mm: number };
  true_shape: { islands: (number | string)[] };
  lay_flat: { islands?: (number | string)[] | null; faces?: number[] | null; by?: "best" | "unfold" | "rollout" | "direction" | "angle" | "square_on" | "seen" | "wrap"; seams?: "drawn" | "angle" | "none" | "all"; stretch_limit?: number; angle_deg?: number; direction?: [number, number, number] | null; sides?: "six" | "three" | "left_right" | "top_bottom" | "front_back"; axis?: [number, number, number] | null; origin?: [number, number, number] | null; mirrored?: boolean; into?: { width_px: number; height_px: number; keep?: boolean } | null; pins?: number[]; gutter_px?: number | null };
  relax: { islands: (number | string)[]; border?: "free" | "held"; pins?: number[]; steps?: number | null };
  mark_seams: { edges: number[]; cut?: boolean; mirrored?: boolean };
  start_seams: { from: "none" | "map" };
  detach_faces: { faces: number[] };
  split_island: { island: number | string };
  join_islands: { edges: number[] };
  grow_net: { island: number | string; as_printed?: boolean };
  give_back_faces: { faces: number[] };
  project_faces: { faces: number[] };
  flip_normals: { faces: number[] };
  merge_vertices: Record<string, never>;
  subdivide_faces: { faces: number[] };
  make_twins: { parts: (number | string)[] };
  add_underlay: { picture: string; name?: string | null; reference?: boolean; resize?: boolean; keep?: "shape" | "uv" };
  show_underlay: { index?: number | string | null; how?: "stretch" | "keep_scale" | "follow_cells"; resize?: boolean; keep?: "shape" | "uv" };
  change_underlay: { index: number | string; name?: string | null; opacity?: number | null; locked?: boolean | null; reference?: boolean | null; scale_note?: string | null };
  remove_underlay: { index: number | string };
  correct_underlay: { index: number | string; recipe: ({ step: "straighten"; corners: [number, number][]; width_px?: number | null; height_px?: number | null } | { step: "trim"; left?: number; top?: number; right?: number; bottom?: number } | { step: "leave_out"; way: "across" | "down"; from_px: number; to_px: number } | { step: "even_light"; radius?: number } | { step: "unroll"; left_px: number; right_px: number; from_px?: number | null; to_px?: number | null; sag_px?: number })[] };
  add_correction: { index: number | string; step: "straighten" | "trim" | "leave_out" | "even_light" | "unroll"; places_px?: [number, number][] };
  set_cells: { index: number | string; cells: ({ name: string; x: number; y: number; width: number; height: number; outline?: [number, number][] | null; color?: [number, number, number] | null; flat?: boolean; shade?: "across" | "down" | null })[] };
  draw_cell: { index: number | string; corners_px: [number, number][] };
  set_landmarks: { landmarks: ({ to_px: [number, number]; hold?: "corners" | "middles" | null; triangle?: number | null; shares?: [number, number, number] | null; point?: number | null; island?: number | string | null; at_px?: [number, number] | null })[] };
  fit_landmarks: { islands?: (number | string)[] | null; kind?: "move" | "similarity" | "affine" | "perspective" | "soft"; rules?: ("no_shear" | "no_turn" | "whole_pixels")[]; mirrored?: boolean | null };
  set_into_cells: { assignments: ({ islands?: (number | string)[] | null; faces?: number[] | null; material?: number | string | null; rest?: boolean; cell?: number | string | null; cells?: (number | string)[] | null; way?: "inside" | "fill" | "cover" | "true_shape"; together?: boolean; turn?: "up" | "keep"; turn_deg?: number; mirrored?: boolean })[]; inset_px?: number | null };
  set_inset: { inset_px: number };
  lay_along_gradient: { islands?: (number | string)[] | null; faces?: number[] | null; material?: number | string | null; rest?: boolean; cell: number | string; direction: [number, number, number]; way?: "across" | "down"; reverse?: boolean };
  map_palette: { neutral?: number | string | null; collapse?: boolean; inset?: number };
  move_points: { points: number[]; move_px: [number, number]; to?: "corners" | "middles" | null };
  scale_points: { points: number[]; scale?: [number, number]; turn_deg?: number };
  straighten_points: { points: number[]; onto?: "line" | "level" | "upright" };
  bend_islands: { islands: (number | string)[]; columns?: number; rows?: number; shifts: [number, number][] };
  choose_uv_set: { set: number };
  keep_map: { name: string };
  take_kept_map: { index: number | string };
  drop_kept_map: { index: number | string };
  load_layout: { file: string };
  rename_part: { part: number | string; name: string };
  split_part: { part: number | string };
  revise_model: { file: string; tolerance_mm?: number | null };
  rename_material: { material: number | string; name: string };
}

/** What an operation tells beside its sentence. */
export interface OperationFacts {
  add_layer: { layer: string };
  place_picture: { layer: string };
  duplicate_layer: { layer: string };
  merge_down: { layer: string };
  add_guide: { layer: string };
  add_font: { font: string };
  bring_back: { layer: string; lost_faces: number; enlarged: number[]; cut_anew: number[] };
  pack: { attempt: number; share_used: number; density_px_per_mm: number; best: boolean };
  relax: { step: number; spacing_before: number; spacing: number };
  fit_landmarks: { residuals_px: number[]; turned_triangles: number };
  revise_model: { kept: number; moved: number; added: number; lost: number; lines: string[] };
}

export type OperationName = keyof Operations;

/** What each way to pick is given. */
export interface Picks {
  loop: { edge: number };
  ring: { edge: number };
  run: { start: number; stop: number };
  piece: { picked: number[] };
  more: { picked: number[] };
  fewer: { picked: number[] };
  others: { picked: number[] };
  carry: { of: "faces" | "edges" | "corners"; picked: number[] };
  mirrored: { picked: number[] };
  box: { corners: [number, number, number, number]; view?: [number, number, number, number, number, number, number, number, number, number, number, number, number, number, number, number] | null; see_through?: boolean };
  material: { picked: number[] };
  part: { picked: number[] };
  facing: { picked: number[]; angle_deg?: number };
  flat: { picked: number[]; angle_deg?: number };
  islands: { islands: (number | string)[] };
  rim: { faces: number[] };
  angle: { angle_deg: number };
  seams: Record<string, never>;
  map_seams: Record<string, never>;
  suggestion: { limit?: number | null; picked?: number[] | null };
}

/** How a template is drawn, and what of the sheet and how it is written. */
export type TemplateOptions = { line_px?: number; color?: string; dash?: "unbroken" | "dashed" | "dotted" | "hidden"; seam_px?: number | null; seam_color?: string | null; seam_dash?: "unbroken" | "dashed" | "dotted" | "hidden" | null; inner_px?: number | null; inner_color?: string | null; inner_dash?: "unbroken" | "dashed" | "dotted" | "hidden" | null; edges?: "all" | "outline"; diagonals?: boolean; hard?: boolean; background?: "none" | "white" | "checker" | string; fill?: "none" | "tint" | "materials" | "facing"; marks?: ("twins" | "bleed" | "safe" | "centres" | "folds" | "neighbours" | "rulers" | "ticks" | "names" | "letters" | "sides" | "arrows" | "title")[]; mark_color?: string | null; bleed_px?: number; safe_px?: number };
export type DeliveryOptions = { format?: "obj" | "glb" | "gltf" | "dae" | "ply" | "none"; image?: "png" | "tif" | "tga" | "jpg" | "webp"; parts?: (number | string)[] | null; editions?: (number | string)[] | null; name?: string; bleed?: boolean; alpha?: "keep" | "drop" | "apart"; ground?: string; deep?: boolean; up?: "y" | "z"; front?: "z" | "x" | "-z" | "-x"; left_handed?: boolean; unit?: "mm" | "cm" | "m" | "in" | null; one_material?: boolean; companions?: ("ids" | "coverage" | "bleed" | "position" | "normal" | "facing" | "density" | "stretch")[]; manifest?: boolean };
export type ReceiverRules = { powers_of_two?: boolean; largest_px?: number | null; largest_kb?: number | null; single_material?: boolean; opaque?: boolean; names?: string | null };
export type Receiver = { name: string; options?: { format?: "obj" | "glb" | "gltf" | "dae" | "ply" | "none"; image?: "png" | "tif" | "tga" | "jpg" | "webp"; parts?: (number | string)[] | null; editions?: (number | string)[] | null; name?: string; bleed?: boolean; alpha?: "keep" | "drop" | "apart"; ground?: string; deep?: boolean; up?: "y" | "z"; front?: "z" | "x" | "-z" | "-x"; left_handed?: boolean; unit?: "mm" | "cm" | "m" | "in" | null; one_material?: boolean; companions?: ("ids" | "coverage" | "bleed" | "position" | "normal" | "facing" | "density" | "stretch")[]; manifest?: boolean }; rules?: { powers_of_two?: boolean; largest_px?: number | null; largest_kb?: number | null; single_material?: boolean; opaque?: boolean; names?: string | null } };
export type PrintOptions = { island: number | string; kind?: "label" | "fold"; format?: "pdf" | "svg"; dpi?: number; bleed_mm?: number; safe_mm?: number; overlap_mm?: number; art?: boolean; paper?: "a4" | "a3" | "letter" | null };
export type TemplateFile = { format?: "png" | "tif" | "tga" | "jpg" | "webp" | "svg" | "pdf" | "ora"; islands?: (number | string)[] | null; parts?: (number | string)[] | null; materials?: (number | string)[] | null; ground?: "none" | "art" | "underlay"; strip_px?: number; crop?: boolean; dpi?: number | null; paper?: "a4" | "a3" | "letter" | null; hairlines?: boolean };

export type Assignment = Operations["set_into_cells"]["assignments"][number];
export type CorrectionStep = Operations["correct_underlay"]["recipe"][number];

/** How many landmarks each kind of fit takes at least. */
export const FEWEST_LANDMARKS = {"move":1,"similarity":2,"affine":3,"perspective":4,"soft":1} as const;
/** Limits that are told before something is tried. */
export const LIMITS = {"side_px":[16,8192],"template_side_px":[16,16384],"line_px":[1.0,64.0],"stretch":{"art":1.02,"plain":1.3},"density":0.05,"fonts":["Lora","Lora Bold","Lora Italic","Oswald","Oswald Bold","Pacifico"],"losses":[{"image":["jpg"],"alpha":["keep"],"message":"JPEG has no transparency: it is laid on white."},{"format":["glb","gltf"],"image":["tif","tga","webp"],"message":"glTF holds PNG and JPEG only: the model goes without."},{"image":["tga","jpg","webp"],"deep":true,"message":"This picture format has 8 bits a channel."},{"format":["ply"],"message":"PLY names no texture: it has to be chosen where the model is opened."},{"format":["glb","gltf"],"message":"glTF holds triangles only: polygons are cut into them.","polygons":true},{"format":["dae"],"message":"COLLADA goes without the colours of vertices.","vertex_colors":true}],"blend":["normal","multiply","screen","overlay","darken","lighten","color-dodge","color-burn","hard-light","soft-light","difference","exclusion","hue","saturation","color","luminosity"],"companions":["ids","coverage","bleed","position","normal","facing","density","stretch"],"drawings":{"png":["vectors"],"tif":["vectors"],"tga":["vectors"],"jpg":["alpha","vectors"],"webp":["vectors"],"svg":[],"pdf":["alpha"],"ora":["vectors"]}} as const;
