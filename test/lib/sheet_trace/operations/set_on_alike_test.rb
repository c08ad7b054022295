# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::SetOnAlike do
  # The caddy's front and back are alike, and its left and right.
  let(:job) do
    state = Models.job(Demo::TeaCaddy.obj)
    place = { kind: "island", island: "Front", width_mm: 30, x_mm: 12.0, y_mm: 20.0, turn_deg: 12 }
    operate(state, "add_layer", id: "n", content: { kind: "lettering", text: "Pine" }, place: place).job
  end
  let(:both) { operate(job, "set_on_alike", id: "n").job }

  define_method(:worn) { |state, at, edition = 0| state.artwork.worn(edition)[at] }

  it "sets it on the islands of the same shape, at the same spot, upright" do
    change = operate(job, "set_on_alike", id: "n")

    assert_match(/Pine set on Back too/, change.sentence)
    first, second = change.job.artwork.worn

    assert_equal "Pine", second.content.text
    assert_equal first.place.width_mm, second.place.width_mm
    assert_in_delta 12, second.place.x_mm.abs, 1e-6
    assert_in_delta 20, second.place.y_mm, 1e-6
    assert_refused(SheetTrace::InvalidOperationError, message: /no other island/) do
      operate(change.job, "set_on_alike", id: "n")
    end
  end

  it "is replaced on all where it is replaced once, from either, and in editions" do
    changed = operate(both, "change_layer", id: both.artwork.layers.last.id, content: { text: "Heather" }).job

    assert_equal %w[Heather Heather], changed.artwork.worn.map { |layer| layer.content.text }
    caps = [both, changed].map { |state| worn(state, 1).then { |own| own.content.facts(state, own.place)[:cap_mm] } }

    assert_in_delta caps[0], caps[1], 1e-9
    edition = operate(both, "fill_editions", table: "edition,Pine text\nPlum,Plum").job

    assert_equal %w[Plum Plum], edition.artwork.worn(1).map { |layer| layer.content.text }
  end

  it "lets one go, and hands the content on when the first is removed" do
    second = both.artwork.layers.last.id
    free = operate(operate(both, "free_layer", id: second).job, "change_layer", id: "n", content: { text: "Plum" }).job

    assert_equal %w[Plum Pine], free.artwork.worn.map { |layer| layer.content.text }
    removed = operate(both, "remove_layer", id: "n").job

    assert_equal %w[Pine], removed.artwork.layers.map { |layer| layer.content.text }
  end

  it "stays through a document" do
    again =
      SheetTrace::Artwork::Stack.from_plain(JSON.parse(JSON.generate(both.artwork.to_plain), symbolize_names: true))

    assert_equal both.artwork, again
  end

  # Two blocks to the right and their mirror images to the left of x = 0, as wheels of a cart stand.
  it "sets a decal on alike parts and on the other side of the model, at mirrored spots" do
    blocks = [-1, 1].product([-30, 30]).map { |side, z| [[side * 40, 10, z], [6, 20, 20]] }
    cart = Models.job(Models.blocks(blocks))
    spot = { kind: "surface", at: [43.0, 12.0, 33.0], width_mm: 6.0, turn_deg: 20 }
    face =
      (0...cart.mesh.face_count).min_by do |own|
        triangle, shares = cart.mesh.nearest_spot([own], spot[:at])
        SheetTrace::Geometry::Triple.distance(
          SheetTrace::Geometry::Triple.blend(cart.mesh.welded.corners(triangle), shares),
          spot[:at]
        )
      end
    one =
      operate(
        cart,
        "add_layer",
        id: "n",
        content: {
          kind: "fill",
          color: "#aa2020"
        },
        place: {
          **spot,
          face: face
        }
      ).job
    four = operate(one, "set_on_alike", id: "n").job
    ats = four.artwork.layers.map { |layer| layer.place.at.map { |value| value.round(6) } }

    assert_equal [[43.0, 12.0, 33.0], [-43.0, 12.0, 33.0], [43.0, 12.0, -27.0], [-43.0, 12.0, -27.0]].sort, ats.sort
    turns = four.artwork.layers.to_h { |layer| [layer.place.at.map { |value| value.round(6) }, layer.place.turn_rad] }

    assert_in_delta turns[[43.0, 12.0, 33.0]], -turns[[-43.0, 12.0, 33.0]], 1e-9
    assert_refused(SheetTrace::InvalidOperationError, message: /no other part/) do
      operate(four, "set_on_alike", id: "n")
    end
    sheet = SheetTrace::Artwork::Compose.call(four.artwork, four.canvas(pictures: nil))
    areas =
      (0...four.layout.uv_map.island_count).map do |island|
        four.artwork.layers.count { |layer| layer.place.island == island }
      end

    assert_equal [0], areas.uniq
    assert_operator sheet.extract_band(3).avg, :>, 0
  end
end
