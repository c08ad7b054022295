# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::NamePieces do
  names =
    lambda do |solid, **measures|
      mesh = SheetTrace::Solids.build(solid, measures).mesh
      cut = SheetTrace::Flatten::Cut.call(mesh, Numo::Bit.ones(mesh.edges.vertices.shape[0]))
      SheetTrace::Flatten::NamePieces.call(cut)
    end

  it "names the pieces of a box by the side that they look to" do
    assert_equal %w[Back Bottom Front Left Right Top], names.call("box").sort
  end

  it "tells pieces of one side apart, whatever their number" do
    drum = names.call("cylinder", sides: 12)

    assert_equal drum.uniq, drum
    assert_equal %w[Bottom Top], drum.grep(/Top|Bottom/).map { |name| name[/Top|Bottom/] }.uniq.sort
  end
end
