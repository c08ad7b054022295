# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Mask do
  box = SheetTrace::Job.start(SheetTrace::Solids.build("box"), source_name: "b")
  map = box.layout.uv_map
  faces = ->(**names) do
    map.triangles.faces[SheetTrace::Artwork::Mask.new(**names).triangles(map).where].to_a.uniq.sort
  end

  it "lets through what is named, by any kind of name, together" do
    assert_equal map.island_faces[2].to_a, faces.call(islands: [2])
    assert_equal [0, 5], faces.call(faces: [5, 0])
    assert_equal (map.island_faces[2].to_a | [0, 5]).sort, faces.call(islands: [2], faces: [0, 5])
    assert_equal (0...6).to_a, faces.call(parts: [0])
  end

  it "lets nothing through where it names nothing that is there" do
    assert_empty faces.call(islands: [])
    assert_empty faces.call(materials: [7])
  end

  it "is whole where nothing is named, and says in words what is" do
    names = { islands: %w[Front Back Left Right] }

    assert_predicate SheetTrace::Artwork::Mask.new, :whole?
    assert_nil SheetTrace::Artwork::Mask.new.to_words(names)
    assert_equal "Back, Left", SheetTrace::Artwork::Mask.new(islands: [1, 2]).to_words(names)
    assert_equal "Front, Back and 2 more", SheetTrace::Artwork::Mask.new(islands: [0, 1, 2, 3]).to_words(names)
  end
end
