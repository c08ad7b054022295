# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Blend do
  # W3C, "Compositing and Blending Level 1", 10.1 Separable blend modes: B(cb, cs), 0 to 1.
  hard_light = ->(b, s) { s <= 0.5 ? b * 2 * s : b + ((2 * s) - 1) - (b * ((2 * s) - 1)) }
  soft_light =
    lambda do |b, s|
      d = b <= 0.25 ? ((((16 * b) - 12) * b) + 4) * b : Math.sqrt(b)
      s <= 0.5 ? b - ((1 - (2 * s)) * b * (1 - b)) : b + (((2 * s) - 1) * (d - b))
    end
  modes = {
    "normal" => ->(_b, s) { s },
    "multiply" => ->(b, s) { b * s },
    "screen" => ->(b, s) { b + s - (b * s) },
    "overlay" => ->(b, s) { hard_light.call(s, b) },
    "darken" => ->(b, s) { [b, s].min },
    "lighten" => ->(b, s) { [b, s].max },
    "hard-light" => hard_light,
    "soft-light" => soft_light,
    "color-dodge" => lambda { |b, s| b.zero? ? 0.0 : [1.0, b / [1 - s, 1e-12].max].min },
    "color-burn" =>
      lambda do |b, s|
        if b >= 1
          1.0
        else
          1 - [1.0, (1 - b) / [s, 1e-12].max].min
        end
      end,
    "difference" => ->(b, s) { (b - s).abs },
    "exclusion" => ->(b, s) { b + s - (2 * b * s) }
  }
  seed = Random.new_seed
  random = Random.new(seed)
  count = 400
  pixels = ->(rows) { Numo::UInt32.from_binary(rows.flatten.pack("C*")) }
  levels = ->(found) { found.to_binary.unpack("C*").each_slice(4).to_a }
  below, above =
    Array.new(2) { Array.new(count) { Array.new(4) { [0, 255, random.rand(256)].sample(random: random) } } }

  # 10.2 Non-separable blend modes: of whole colours.
  lum = ->(c) { (0.3 * c[0]) + (0.59 * c[1]) + (0.11 * c[2]) }
  sat = ->(c) { c.max - c.min }
  set_lum =
    lambda do |c, l|
      c = c.map { |value| value + l - lum.call(c) }
      own = lum.call(c)
      low, high = c.minmax
      c = c.map { |value| own + ((value - own) * own / (own - low)) } if low.negative?
      c = c.map { |value| own + ((value - own) * (1 - own) / (high - own)) } if high > 1
      c
    end
  set_sat = ->(c, s) { c.max > c.min ? c.map { |value| (value - c.min) * s / (c.max - c.min) } : [0.0, 0.0, 0.0] }
  whole = {
    "hue" => ->(b, s) { set_lum.call(set_sat.call(s, sat.call(b)), lum.call(b)) },
    "saturation" => ->(b, s) { set_lum.call(set_sat.call(b, sat.call(s)), lum.call(b)) },
    "color" => ->(b, s) { set_lum.call(s, lum.call(b)) },
    "luminosity" => ->(b, s) { set_lum.call(b, lum.call(s)) }
  }

  it "knows the modes above and no others" do
    assert_equal (modes.keys + whole.keys).sort, SheetTrace::Artwork::Blend::MODES.keys.sort
  end

  single = modes.transform_values { |blend| ->(b, s) { b.zip(s).map { |pair| blend.call(*pair) } } }
  single
    .merge(whole)
    .each do |mode, blend|
      [false, true].each do |linear|
        # IEC 61966-2-1, 5.2: what is blended in linear light is that in the formula.
        light = ->(share) do
          if linear
            share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055)**2.4
          else
            share
          end
        end
        back = ->(share) do
          if linear
            share <= 0.0031308 ? share * 12.92 : (1.055 * (share**(1 / 2.4))) - 0.055
          else
            share
          end
        end
        it "follows the formula of #{mode}#{" in linear light" if linear}, partly transparent and opaque (seed #{seed})" do
          opacity = 0.7
          # All of them, and the same once more as opaque ones, by themselves.
          pairs = [[below, above], [below, above].map { |rows| rows.map { |row| [*row.first(3), 255] } }]
          got =
            pairs.flat_map do |both|
              look = { opacity: opacity, mode: mode, linear: linear }
              levels.call(SheetTrace::Artwork::Blend.call(*both.map(&pixels), **look))
            end
          pairs
            .sum([]) { |both| both[0] }
            .zip(pairs.sum([]) { |both| both[1] }, got) do |(*cb, ab), (*cs, as), (*co, ao)|
              ab /= 255.0
              as = as / 255.0 * opacity
              alpha = as + (ab * (1 - as))

              assert_in_delta alpha * 255, ao, 0.51
              next if alpha < 1e-9

              cb, cs = [cb, cs].map { |color| color.map { |level| light.call(level / 255.0) } }
              cb.zip(cs, co, blend.call(cb, cs)) do |b, s, o, own|
                mixed = ((1 - ab) * s) + (ab * own)
                # 5.1 Simple alpha compositing; a level for libvips' blend functions, which work in single precision.
                assert_in_delta back.call([((as * mixed) + (ab * (1 - as) * b)) / alpha, 0].max) * 255,
                                o,
                                1.01,
                                "#{mode} #{[b, ab, s, as]}"
              end
            end
        end
      end
    end

  it "leaves what is opaque as it is, to the level, in linear light too" do
    every = Array.new(count) { |i| [i % 256, (i * 7) % 256, 255 - (i % 256), 255] }
    got = SheetTrace::Artwork::Blend.call(pixels.call(below), pixels.call(every), linear: true)

    assert_equal every, levels.call(got)
  end

  it "changes nothing, clear or not, by what is laid over it at no opacity" do
    modes.each_key do |mode|
      found = SheetTrace::Artwork::Blend.call(pixels.call(below), pixels.call(above), opacity: 0.0, mode: mode)
      below.zip(levels.call(found)) do |own, got|
        assert_equal own.last, got.last, mode
        own.zip(got) { |level, now| assert_in_delta level, now, 1, mode } if own.last.positive?
      end
    end
  end

  it "leaves what is under nothing as it is, to the byte, in every mode, and in many px as in few" do
    many = Numo::UInt32.new((1 << 20) + 5000).seq * 2_654_435_761
    nothing = many & 0xffffff

    SheetTrace::Artwork::Blend::MODES.each_key do |mode|
      assert_equal below,
                   levels.call(SheetTrace::Artwork::Blend.call(pixels.call(below), nothing[0...count], mode: mode))
    end

    assert_equal many, SheetTrace::Artwork::Blend.call(many, nothing)
    assert_equal many | 0xff000000, SheetTrace::Artwork::Blend.call(nothing, many | 0xff000000)
  end
end
