# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::Bleed do
  # Distance^2 to the nearest covered texel, by looking at all of them.
  nearest =
    lambda do |covered, width, texel|
      covered.map { |own| (((own % width) - (texel % width))**2) + (((own / width) - (texel / width))**2) }.min
    end

  it "finds a nearest texel for all that are within reach, and for no other" do
    [
      [1, 30, 20, 0.02],
      [4, 40, 33, 0.05],
      [7, 21, 300, 0.01],
      [3, 5, 4, 0.3],
      [64, 70, 12, 0.004]
    ].each do |reach, w, h, share|
      random = Random.new(reach)
      owner = Array.new(w * h) { random.rand < share ? random.rand(1..9) : 0 }
      covered = owner.each_index.select { |texel| owner[texel].positive? }
      targets, sources = SheetTrace::Raster::Bleed.call(Numo::Int32.cast(owner), w, h, reach)
      expected = (0...(w * h)).select { |texel| owner[texel].zero? && nearest.call(covered, w, texel) <= reach * reach }

      assert_equal expected, targets.to_a, "reach #{reach}"
      targets
        .to_a
        .zip(sources.to_a)
        .each do |to, from|
          assert_operator owner[from], :>, 0
          assert_equal nearest.call(covered, w, to), nearest.call([from], w, to)
        end
    end
  end

  it "finds a nearest texel whatever the islands and the sheet" do
    random = Random.new(7)
    20.times do |round|
      width, height = [random.rand(1..60), random.rand(1..60)]
      reach = random.rand(1..(round.even? ? 8 : 64))
      owner = Numo::Int32.zeros(height, width)
      random
        .rand(1..4)
        .times do
          top, left = [random.rand(height), random.rand(width)]
          owner[top..[top + random.rand(20), height - 1].min, left..[left + random.rand(20), width - 1].min] = 1
        end
      (width * height / 12).times { owner[random.rand(height), random.rand(width)] = 2 } if (round % 4).zero?
      free, covered = [owner.flatten.eq(0).where, owner.flatten.gt(0).where].map { |texels| Numo::Int64.cast(texels) }
      next if free.empty?

      squared = %i[% /].sum { |axis| (free.send(axis, width).expand_dims(1) - covered.send(axis, width))**2 }
      near = squared.min(axis: 1).le(reach * reach).where
      targets, sources = SheetTrace::Raster::Bleed.call(owner.flatten, width, height, reach)
      told = "#{width} x #{height}, #{reach} px"

      assert_equal free[near].to_a, targets.to_a, told
      next if near.empty?

      steps = %i[% /].sum { |axis| (targets.send(axis, width) - sources.send(axis, width))**2 }

      assert_equal squared.min(axis: 1)[near].to_a, steps.to_a, told
      assert_operator owner.flatten[sources].min, :>, 0
    end
  end

  it "finds the same ones in a part of the sheet as in the whole" do
    random = Random.new(5)
    owner = Numo::Int32.cast(Array.new(60 * 50) { random.rand < 0.01 ? 1 : 0 })
    whole = SheetTrace::Raster::Bleed.call(owner, 60, 50, 6).map(&:to_a).transpose
    rows = owner[(10 * 60)...(40 * 60)]
    part = SheetTrace::Raster::Bleed.call(rows, 60, 30, 6).map { |texels| texels.to_a.map { |t| t + 600 } }.transpose
    inner = ->(pairs) { pairs.select { |to, _from| (16...34).cover?(to / 60) } }

    assert_equal inner.call(whole), inner.call(part)
  end

  it "has nothing to do without islands, on full sheets and without reach" do
    [0, 1].each do |all|
      targets, = SheetTrace::Raster::Bleed.call(Numo::Int32.new(36).fill(all), 6, 6, 3)

      assert_empty targets
    end
    assert_empty SheetTrace::Raster::Bleed.call(Numo::Int32.cast([0, 1, 0, 0]), 2, 2, 0).first
  end

  it "refuses to go further than it can" do
    assert_refused(SheetTrace::InputError, { bleed_px: 65 }) do
      SheetTrace::Raster::Bleed.call(Numo::Int32.zeros(4), 2, 2, 65)
    end
  end

  # A row of texels, 1 on an island and its bleed, 0 beyond, averaged n by n and read between the averages.
  read =
    lambda do |edge, bleed, copy, at|
      texels = Array.new(64 * copy) { |x| x < edge + bleed ? 1.0 : 0.0 }
      means = texels.each_slice(copy).map { |some| some.sum / copy }
      place = (at / copy) - 0.5
      first = place.floor.clamp(0, means.size - 2)
      means[first] + ((place - first) * (means[first + 1] - means[first]))
    end

  it "goes as far as reduced copies take colour from, and hardly farther" do
    SheetTrace::Raster::Bleed::COPIES.each do |copy|
      enough = SheetTrace::Raster::Bleed.for_copy(copy)
      edges = ((20 * copy)..(21 * copy)).to_a
      worst = ->(bleed) do
        edges.flat_map { |edge| [0, 0.3, 0.9].map { |in_by| read.call(edge, bleed, copy, edge - in_by) } }.min
      end

      assert_in_delta 1.0, worst.call(enough), 1e-12
      assert_operator worst.call(enough - 2), :<, 1.0 - 1e-6 if copy > 1

      assert_equal copy, SheetTrace::Raster::Bleed.smallest_copy(enough)
    end
    assert_nil SheetTrace::Raster::Bleed.smallest_copy(1)
  end
end
