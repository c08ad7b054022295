# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::NearBleed do
  # What Bleed finds by another way, as far as this one goes.
  by_bands = ->(owner, width, height, reach) do
    targets, sources = SheetTrace::Raster::Bleed.call(owner, width, height, 9)
    down = (sources / width) - (targets / width)
    right = (sources % width) - (targets % width)
    near = ((down * down) + (right * right)).le(reach * reach).where
    [targets[near], sources[near]]
  end

  it "finds the very texels that Bleed finds, whatever the islands and the sheet" do
    random = Random.new(7)
    40.times do |round|
      width, height = [random.rand(10..60), random.rand(10..60)]
      reach = random.rand(1..8)
      owner = Numo::Int32.zeros(height, width)
      random
        .rand(1..4)
        .times do
          top, left = [random.rand(height), random.rand(width)]
          owner[top..[top + random.rand(20), height - 1].min, left..[left + random.rand(20), width - 1].min] = 1
        end
      (width * height / 12).times { owner[random.rand(height), random.rand(width)] = 2 } if (round % 4).zero?

      assert_equal by_bands.call(owner.flatten, width, height, reach),
                   SheetTrace::Raster::NearBleed.call(owner.flatten, width, height, reach),
                   "#{width} x #{height}, #{reach} px"
    end
  end
end
