# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::Operations do
  it "knows its operations by name" do
    error =
      assert_refused(SheetTrace::UnknownNameError, { name: "explode" }) { SheetTrace::Operations.from_h("explode", {}) }

    assert_match(/transform_islands/, error.message)
  end

  it "refuses a parameter that is lacking or not known, naming the operation" do
    assert_refused(
      SheetTrace::InvalidOperationError,
      { operation: "rename_island" },
      message: /name is lacking; give 1 to 80 characters/
    ) { SheetTrace::Operations.from_h("rename_island", { island: 0 }) }
    assert_refused(
      SheetTrace::InvalidOperationError,
      { operation: "set_unit" },
      message: /no parameter colour; there are unit_mm/
    ) { SheetTrace::Operations.from_h("set_unit", { unit_mm: 1, colour: "red" }) }
  end

  it "leaves the job it was given as it is" do
    job = Models.job(Models.panel)
    before = job.layout.points_px.dup
    operate(job, "transform_islands", islands: [0], move_px: [9, 9])

    assert_equal before, job.layout.points_px
  end

  # Every operation with parameters that make no sense: what it says.
  senseless = {
    "transform_islands" => [
      { islands: [] } => /pick one first/,
      { islands: [4] } => /no island 4/,
      { islands: [0], move_px: [1] } => /give two numbers/,
      { islands: [0], turn_rad: Float::NAN } => /turn is NaN/,
      { islands: [0], scale: [0, 1] } => /scale is 0; give a number from 0.001/
    ],
    "place_island" => [
      { island: -1 } => /no island -1/,
      { island: 0, x_px: "a" } => /x is "a"/,
      { island: 0, width_px: 0 } => /width is 0/
    ],
    "rename_island" => [
      { island: 0, name: "  " } => /give 1 to 80 characters/,
      { island: 0, name: "x" * 81 } => /give 1 to 80/
    ],
    "resize_sheet" => [
      { width_px: 0, height_px: 64 } => /width is 0; give a whole number from 16 to 8192/,
      { width_px: 64, height_px: 100_000 } => /height is 100000; give/,
      { width_px: 64, height_px: 64, keep: "x" } => /give uv, shape, px/
    ],
    "set_unit" => [{ unit_mm: 0 } => /one unit is 0/, { unit_mm: nil } => /one unit is nil/],
    "set_bleed" => [
      { bleed_px: 65 } => /bleed is 65/,
      { bleed_px: 1.5 } => /bleed is 1.5/,
      {} => /say the bleed in px, or the smallest copy/,
      { copy: 33 } => /copy is 33; give a whole number from 1 to 32/
    ],
    "change_layer" => [{ id: "none", opacity: 1 } => /no layer "none"/],
    "move_layer" => [{ id: "none", to: 0 } => /no layer "none"/],
    "duplicate_layer" => [{ id: "none" } => /no layer "none"/],
    "merge_down" => [{ id: "none" } => /no layer "none"/],
    "part_layers" => [{ id: "none" } => /no layer "none"/],
    "group_layers" => [{ ids: ["none"] } => /no layer "none"/, { ids: [] } => /ids/],
    "change_group" => [{ group: "none", visible: false } => /no group "none"/],
    "add_guide" => [{ line_px: 0 } => /line width is 0/, { color: "red" } => /red/],
    "remove_layer" => [{ id: "none" } => /no layer "none"/],
    "place_picture" => [
      { id: "a", picture: "4x4", name: "x", island: 3 } => /no island 3/,
      { id: "a", picture: "4x4", island: 0, width_mm: 0 } => /width is 0/
    ],
    "scale_to_room" => [{ islands: [9] } => /no island 9/],
    "separate_islands" => [{ islands: [9] } => /no island 9/],
    "turn_upright" => [{ islands: nil } => /pick one first/],
    "reflect_islands" => [{ islands: [] } => /pick one first/],
    "bring_onto_sheet" => [{ islands: [-1] } => /no island -1/],
    "true_shape" => [{ islands: [1] } => /no island 1/],
    "match_density" => [{ islands: [0], density_px_per_mm: 0 } => /density is 0/],
    "give_back_faces" => [{ faces: [0] } => /none of these faces has a neighbour/, { faces: [7] } => /no face 7/],
    "lay_flat" => [
      { islands: [9] } => /no island 9/,
      { by: "fly" } => /give best, unfold/,
      { seams: "x" } => /give drawn, angle, none/,
      { angle_rad: 9 } => /angle is 515.66°; give degrees from 0.57 to 180/,
      { by: "seen" } => /direction is lacking; give three numbers/,
      { by: "seen", direction: [0, 0, 0] } => /not all 0/
    ],
    "mark_seams" => [
      { edges: [] } => /no edge is picked/,
      { edges: [99] } => /no edge 99/,
      { edges: [0], cut: 3 } => /give true or false/
    ],
    "relax" => [
      { islands: [7] } => /no island 7/,
      { islands: [0], steps: 0 } => /steps is 0/,
      { islands: [0], pins: 3 } => /pins is 3; give a list/,
      { islands: [0], pins: [9] } => /no corner 9/
    ],
    "start_seams" => [{ from: "x" } => /give none or map/],
    "detach_faces" => [{ faces: [0] } => /whole islands already/, { faces: [] } => /no face is picked/],
    "keep_map" => [{ name: " " } => /give 1 to 80/],
    "take_kept_map" => [{ index: 0 } => /no kept map 0/],
    "drop_kept_map" => [{ index: "a" } => /no kept map "a"/],
    "join_islands" => [{ edges: [0] } => /don't lie between two islands/, { edges: [77] } => /no edge 77/],
    "grow_net" => [{ island: 0 } => /no neighbour on the sheet/],
    "project_faces" => [{ faces: [] } => /no face is picked/],
    "subdivide_faces" => [{ faces: [4] } => /no face 4/],
    "flip_normals" => [{ faces: ["x"] } => /no face "x"/],
    "merge_vertices" => [{} => /no two vertices/],
    "make_twins" => [{ parts: [0] } => /two or more/, { parts: [0, 1] } => /no part 1/],
    "choose_uv_set" => [{ set: 3 } => /no UV set 3/],
    "tag_islands" => [{ islands: [0], tag: "gold" } => /give art or plain/],
    "set_gutter" => [{ gutter_px: -1 } => /give a whole number from 0 to 1024/],
    "set_up_axis" => [{ axis: "w" } => /give x or z/],
    "split_part" => [{ part: 0 } => /is one shell; there is nothing to split/, { part: 9 } => /no part 9/],
    "rename_part" => [{ part: 5, name: "a" } => /no part 5/, { part: 0, name: "" } => /give 1 to 80/],
    "rename_material" => [{ material: 2, name: "a" } => /no material 2/],
    "pack" => [{ turn: "sideways" } => /give none, quarter, free/, { attempt: -1 } => /give a whole number from 0/],
    "equalise" => [{ islands: [9] } => /no island 9/],
    "weigh_islands" => [{ islands: [0], weight: 0 } => /give a number from 0.01/],
    "lock_islands" => [{ islands: [0], locked: 1 } => /give true or false/],
    "plan_sheet" => [
      { margin_px: -1 } => /margin is -1/,
      { reserved: [[0, 0, 0, 5]] } => /left, top, width and height/
    ],
    "align_islands" => [{ islands: [0], by: "left" } => /two or more/, { islands: [0], by: "up" } => /by is "up"/],
    "fit_to_sheet" => [{ margin_px: 512 } => /margin is 512/],
    "arrange_islands" => [{ rule: "alphabet" } => /give reading or figure/],
    "park_islands" => [{ islands: [0], corner: "middle" } => /corner is "middle"/],
    "place_corner" => [{ point: 99 } => /no corner 99/, { point: 0, x_px: "a" } => /x is "a"/],
    "weigh_by_visibility" => [{ limit: 0 } => /limit is 0/],
    "exchange_twins" => [{ islands: [0] } => /pick two islands/],
    "split_island" => [{ island: 7 } => /no island 7/, { island: 0 } => /too few faces/],
    "set_aside" => [{ islands: [] } => /pick one first/],
    "load_layout" => [{ file: 5 } => /file is 5; give/, { file: "{}" } => /layout/],
    "stack_twins" => [{} => /no two of these/],
    "snap_to_pixels" => [{ islands: [0], what: "all" } => /give place, box, points, shape/],
    "add_layer" => [
      { content: { kind: "fill", color: "red" } } => /colour is "red"; give a colour/,
      { content: { kind: "mist" } } => /give its kind, picture or fill/,
      { content: { kind: "picture", picture: "none" } } => /no picture "none"/,
      { content: { kind: "fill", color: "#aabbcc" }, name: "" } => /name is ""/,
      {
        content: {
          kind: "fill",
          color: "#aabbcc"
        },
        place: {
          kind: "island",
          island: 7,
          width_mm: 4
        }
      } =>
        /no island 7/,
      { content: { kind: "fill", color: "#aabbcc" }, parts: [9] } => /no part 9/
    ],
    "add_edition" => [{ name: " " } => /1 to 80 characters/, { name: "First edition" } => /another edition is called/],
    "show_edition" => [{ edition: 3 } => /no edition 3/],
    "rename_edition" => [{ edition: "Plum", name: "x" } => /no edition "Plum"/],
    "remove_edition" => [{ edition: 0 } => /the only edition/],
    "replace_in_edition" => [{ id: "none", visible: false } => /no layer "none"/],
    "hold_skin" => [{ id: "none", to: "model" } => /no layer "none"/],
    "set_on_alike" => [{ id: "none" } => /no layer "none"/],
    "set_relief" => [
      { low: 0.8, high: 0.3 } => /high must lie above low/,
      { height_mm: 0 } => /height is 0; give/,
      { from: "shade" } => /give lightness or color/,
      { color: "red" } => /colour is "red"|color is "red"|colour "red"/
    ],
    "note_export" => [
      { width_px: 64, height_px: 64, format: "gif", at: "2026" } => /give png/,
      { width_px: 1, height_px: 64, at: "2026" } => /width is 1; give/
    ],
    "bring_back" => [
      { picture: "4x4", layout: "7KQ2-M9TX" } => /no template of this job was exported/,
      { picture: "nothing", layout: "7KQ2-M9TX" } => /picture/
    ],
    "sheet_of_island" => [{ island: 99 } => /no island 99/, { island: 0, dpi: 1 } => /dpi is 1; give/],
    "set_palette" => [{ palette: "pine" } => /line 1 of the palette is "pine"/, { palette: 3 } => /palette is 3/],
    "free_layer" => [{ id: "none" } => /no layer "none"/],
    "set_blending" => [{ linear: "x" } => /linear is "x"/],
    "set_mask" => [{ low: 0.8, high: 0.2 } => /high must lie above low/, { layers: ["none"] } => /no layer "none"/],
    "add_font" => [{ file: "none" } => /no font file "none"/, { file: "4x4" } => /no font file "4x4"/],
    "revise_model" => [{ file: "none" } => /no model file "none"/],
    "fill_column" => [
      { id: "none", pictures: ["4x4"] } => /no layer "none"/,
      { id: "a", pictures: [] } => /pictures/,
      { id: "a", pictures: ["none"] } => /no picture "none"/
    ],
    "fill_editions" => [{ table: "name\nx" } => /first column is "name"/, { table: "edition" } => /no row/],
    "add_underlay" => [
      { picture: "9000x10", name: "x", resize: true } => /can't be as large as the picture/,
      { picture: "9x9", name: " " } => /underlay's name/
    ],
    "show_underlay" => [{ index: 0 } => /no underlay 0/],
    "change_underlay" => [{ index: 1 } => /no underlay 1/],
    "remove_underlay" => [{ index: nil } => /no underlay nil/],
    "correct_underlay" => [{ index: 0, recipe: [] } => /no underlay 0/],
    "add_correction" => [{ index: 0, step: "trim" } => /no underlay 0/],
    "draw_cell" => [{ index: 0, corners_px: [[0, 0], [9, 9]] } => /no underlay 0/],
    "set_cells" => [{ index: 0, cells: [] } => /no underlay 0/],
    "set_landmarks" => [
      { landmarks: 3 } => /no list/,
      { landmarks: [{ to_px: [1, "a"], point: 0 }] } => /landmark 1: to_px is/,
      { landmarks: [{ to_px: [1, 1], point: 9 }] } => /no corner 9/,
      { landmarks: [{ to_px: [1, 1], triangle: 0, shares: [1, 1, 1] }] } => /add up to 1/,
      { landmarks: [{ to_px: [1, 1], island: 0 }] } => /at_px is nil/
    ],
    "fit_landmarks" => [
      { kind: "magic" } => /give move, similarity/,
      { rules: ["x"] } => /give no_shear/,
      {} => /no landmarks; set some/
    ],
    "set_into_cells" => [
      { assignments: [] } => /0 of them/,
      { assignments: [{ islands: [0] }] } => /no underlay is shown/,
      { assignments: [{ islands: [0], cell: 0 }] } => /no underlay with cells/
    ],
    "set_inset" => [{ inset_px: -1 } => /inset is -1/],
    "lay_along_gradient" => [{ islands: [0], cell: 0, direction: [0, 1, 0] } => /no underlay with cells is shown/],
    "map_palette" => [{} => /no underlay is shown/],
    "bend_islands" => [
      { islands: [0], shifts: [[0, 0]] * 4 } => /4 shifts; a grid of 3 x 3 handles takes 9/,
      { islands: [0], shifts: [[1, 1]] } => /1 of them/,
      { islands: [0], shifts: [[0, 0]] * 9, columns: 1 } => /columns is 1; give a whole number from 2 to 8/,
      { islands: [0], shifts: [[900, 0], *[[0, 0]] * 8] } => /turn some of the surface over/
    ],
    "move_points" => [
      { points: [], move_px: [0, 0] } => /no corner is picked/,
      { points: [99], move_px: [0, 0] } => /no corner 99/,
      { points: [0], move_px: 1 } => /give two numbers/
    ],
    "scale_points" => [{ points: [0], scale: [0, 1] } => /scale/, { points: [] } => /no corner is picked/],
    "straighten_points" => [
      { points: [0, 1] } => /only 2 corners given; give 3 or more/,
      { points: [0], onto: "level" } => /only 1 corner given; give 2/
    ]
  }
  senseless.each do |name, cases|
    it "refuses senseless parameters of #{name}" do
      job = Models.job(Models.panel)
      cases
        .reduce(:merge)
        .each do |parameters, message|
          error =
            assert_refused(SheetTrace::InvalidOperationError, { operation: name }, message: message) do
              operate(job, name, **parameters)
            end

          assert_equal "invalid_operation", error.code
        end
    end
  end

  it "covers every operation above" do
    assert_empty SheetTrace::Operations::NAMES.names - senseless.keys
  end
end
