# frozen_string_literal: true

require_relative "../../../test_helper"
require "vips"

describe SheetTrace::Artwork::Sampler do
  artwork = SheetTrace::Artwork
  image = ->(px, width, height) { artwork::Patch.image(Numo::UInt32.cast(px), width, height) }
  levels = ->(px) { px.to_binary.unpack("C*").each_slice(4).to_a }
  random_places = ->(random, count, px) { Numo::SFloat.cast(Array.new(count) { random.rand(0.0..(px - 1.0)) }) }

  it "gives px themselves at their middles, whatever they hold" do
    random = Random.new(3)
    px = Array.new(35) { random.rand(1 << 24) | (255 << 24) }
    sampler = artwork::Sampler.new(image.call(px, 7, 5))
    down, across = Array.new(35) { |at| at.divmod(7) }.transpose.map { |places| Numo::SFloat.cast(places) }

    assert_equal px, sampler.call(across, down).to_a
  end

  it "keeps a flat colour exactly, whatever it is, as it is or brought down" do
    random = Random.new(4)
    8.times do
      px = artwork::Px.of(Array.new(3) { random.rand(256) })
      [nil, [0.37, 0.61]].each do |scale|
        sampler = artwork::Sampler.new(image.call([px] * 1200, 40, 30), scale: scale)
        places = [sampler.width, sampler.height].map { |side| random_places.call(random, 200, side) }

        assert_equal [px], sampler.call(*places).to_a.uniq
      end
    end
  end

  it "lends no colour of what is transparent to what is not, and keeps alpha between those about it" do
    # Opaque red on the left, green without alpha on the right.
    px = Array.new(400) { |at| at % 20 < 10 ? artwork::Px.of([255, 0, 0]) : artwork::Px.of([0, 255, 0], 0) }
    across = Numo::SFloat.new(190).seq / 10
    found = levels.call(artwork::Sampler.new(image.call(px, 20, 20)).call(across, across))

    assert_equal [[255, 0]], found.select { |*, alpha| alpha.positive? }.map { |red, green, *| [red, green] }.uniq
    assert_equal found.map(&:last), found.map(&:last).sort.reverse
    assert_equal [255, 0], found.map(&:last).values_at(0, -1)
    assert_operator found.map(&:last).uniq.size, :>, 5
  end

  # What libvips gives in single precision. Two roundings, of rows and of columns, are a level at the most.
  it "is bicubic where all is opaque, within a level" do
    random = Random.new(9)
    smooth = Array.new(60 * 50) { |at| artwork::Px.of([at % 60 * 4, at / 60 * 5, random.rand(256)]) }
    whole = image.call(smooth, 60, 50)
    across, down = [60, 50].map { |side| random_places.call(random, 300, side) }
    index = Vips::Image.new_from_array(across.to_a).bandjoin(Vips::Image.new_from_array(down.to_a)).cast(:float)
    wanted = whole.cast(:float).mapim(index, interpolate: Vips::Interpolate.new(:bicubic), extend: :copy)
    wanted = wanted.rint.cast(:uchar).write_to_memory.unpack("C*").each_slice(4).to_a
    found = levels.call(artwork::Sampler.new(whole).call(across, down))

    assert_operator found.flatten.zip(wanted.flatten).map { |a, b| (a - b).abs }.max, :<=, 1
  end
end
