# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Stack do
  art = SheetTrace::Artwork
  fill = ->(color) { { name: color, content: art::Contents::Fill.new(color: color), place: art::Places::OnSheet.new } }
  stack = art::Stack.new.add(**fill.call("#112233")).add(**fill.call("#445566"))

  it "numbers layers on, and gives no number twice while later ones are there" do
    assert_equal %w[layer-1 layer-2], stack.layers.map(&:id)
    assert_equal %w[layer-2 layer-3], stack.remove("layer-1").add(**fill.call("#000000")).layers.map(&:id)
    assert_refused(SheetTrace::InputError, { id: "layer-2" }) { stack.add(id: "layer-2", **fill.call("#000000")) }
  end

  it "leaves the stack as it was" do
    stack.remove("layer-1")

    assert_equal 2, stack.layers.size
    assert_predicate stack, :frozen?
  end

  it "shows in an edition what it replaces, and forgets that with the layer" do
    other = art::Edition.new(name: "Dusk").replace("layer-1", content: art::Contents::Fill.new(color: "#ff0000"))
    both = stack.with(editions: [*stack.editions, other.replace("layer-2", visible: false)])

    assert_equal %w[#112233 #445566], both.worn(0).map { |layer| layer.content.color }
    assert_equal %w[#ff0000 #445566], both.worn(1).map { |layer| layer.content.color }
    assert_equal [true, false], both.worn(1).map { |layer| layer.look.visible }
    assert_equal ["layer-2"], both.remove("layer-1").editions[1].replaced.keys
  end

  it "comes out of plain values as it went in" do
    plain = JSON.parse(JSON.generate(stack.to_plain), symbolize_names: true)

    assert_equal stack, art::Stack.from_plain(plain)
  end
end
