# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Operations::SubdivideFaces do
  let(:job) do
    started = Models.job(Models.band(8))
    operate(started, "place_picture", id: "l", picture: "40x20", name: "band", island: 0, width_mm: 20.0)
  end

  def operate(job, name, **parameters)
    SheetTrace::Operations.run(
      SheetTrace::Operations.from_h(name, parameters),
      job,
      pictures: Models.method(:picture)
    ).job
  end

  it "keeps islands, names, labels and the place of everything on the sheet" do
    named = operate(job, "rename_island", island: 0, name: "Wrap")
    after = operate(named, "subdivide_faces", faces: [1, 2, 3])

    assert_equal 8 + 9, after.mesh.face_count
    assert_equal ["Wrap"], after.island_names
    assert_equal named.layout.boxes_px, after.layout.boxes_px
    place, now = [named, after].map { |state| state.artwork.layers.first.place }

    assert_in_delta named.measures[0].size_mm[0], after.measures[0].size_mm[0], 1e-6
    # The middle of the label lies on the same place of the surface.
    assert_in_delta surface_x(named, place), surface_x(after, now), 1e-3
  end

  it "carries UVs of the file and drawn seams along" do
    drawn = operate(operate(job, "start_seams", from: "none"), "mark_seams", edges: [0])
    after = operate(drawn, "subdivide_faces", faces: (0...8).to_a)

    assert_equal 2, after.drawn_seams.count
    length = ->(state) { state.mesh.edge_lengths[state.drawn_seams.where].sum }

    assert_in_delta length.call(drawn), length.call(after), 1e-9
    assert_equal after.mesh.corner_count, after.source.uv_sets.first.corner_uvs.size
    back = operate(after, "choose_uv_set", set: 0)

    assert_in_delta 1024.0 * 1024,
                    (back.layout.boxes_px[0, 2] - back.layout.boxes_px[0, 0]) *
                      (back.layout.boxes_px[0, 3] - back.layout.boxes_px[0, 1]),
                    1e-6
  end

  it "gives each small face a place of its own to be moved to" do
    after = operate(operate(job, "subdivide_faces", faces: [0]), "detach_faces", faces: [2])

    assert_equal [1, 10], after.layout.uv_map.island_faces.map(&:size).sort
  end

  it "survives being stored" do
    after = operate(job, "subdivide_faces", faces: [0])
    stored = SheetTrace::Job::Snapshot.dump(after)
    again =
      SheetTrace::Job::Snapshot.load(
        JSON.parse(JSON.generate(stored.document), symbolize_names: true),
        stored.blobs.method(:fetch)
      ).job

    assert_equal after.mesh.face_count, again.mesh.face_count
  end

  it "refuses faces that are not there" do
    error = assert_raises(SheetTrace::InvalidOperationError) { operate(job, "subdivide_faces", faces: [99]) }

    assert_match(/no face 99; the model has 8/, error.message)
  end

  # Where the label's middle lies from left to right on the model, by the flat map's affine frame.
  def surface_x(job, place)
    flat = job.flat_map(0)
    x, y = flat.by_point
    map = job.layout.uv_map
    nearest = (((x - place.x_mm)**2) + ((y - place.y_mm)**2)).min_index
    job.mesh.positions[map.point_vertices[nearest], 0]
  end
end
