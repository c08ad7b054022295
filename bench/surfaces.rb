# frozen_string_literal: true

module Bench
  # Models of a set size, made by script.
  module Surfaces
    # A wavy sheet of 2 * n * n triangles, cut into square islands.
    #
    # @return [String] an OBJ file
    def self.wavy_obj(n, pieces: 5)
      side = n + 1
      vertices =
        Array.new(side * side) do |i|
          y, x = i.divmod(side)
          format("v %.6f %.6f %.6f", x * 0.5, y * 0.5, Math.sin(x * 0.1) + Math.cos(y * 0.13))
        end
      uvs = []
      faces = []
      step = n / pieces
      pieces.times { |row| pieces.times { |column| piece(n, pieces, step, row, column, uvs, faces) } }
      [*vertices, *uvs, *faces, ""].join("\n")
    end

    # One piece of 2 n m triangles over the unit square, without UVs.
    #
    # @yieldparam u, v [Float] 0 to 1
    # @yieldreturn [Array(Float, Float, Float)]
    # @return [String] an OBJ file
    def self.sheet(n, m)
      vertices =
        (0..m).to_a.product((0..n).to_a).map { |j, i| format("v %.8f %.8f %.8f", *yield(i.fdiv(n), j.fdiv(m))) }
      faces =
        (0...m)
          .to_a
          .product((0...n).to_a)
          .flat_map do |j, i|
            a = (j * (n + 1)) + i + 1
            ["f #{a} #{a + 1} #{a + n + 2}", "f #{a} #{a + n + 2} #{a + n + 1}"]
          end
      [*vertices, *faces, ""].join("\n")
    end

    def self.wavy_sheet(n) = sheet(n, n) { |u, v| [u * 10, v * 10, Math.sin(u * 12) + Math.cos(v * 9)] }

    # Ragged patches, each an island of one face, beside each other.
    #
    # @param least [Float] how far in a corner may lie, of the patch's reach
    # @return [String] an OBJ file
    def self.patches(count, seed: count, least: 0.25)
      random = Random.new(seed)
      outlines =
        Array.new(count) do |i|
          reach = random.rand(2.0..8.0)
          sides = random.rand(5..12)
          Array.new(sides) do |k|
            angle = 2 * Math::PI * k / sides
            far = reach * random.rand(least..1.0)
            [(i * 20.0) + (far * Math.cos(angle)), far * Math.sin(angle) * random.rand(0.6..1.0)]
          end
        end
      flat(outlines)
    end

    # @param outlines [Array<Array<Array(Float, Float)>>] corners of each face, anticlockwise
    # @return [String] an OBJ file of flat faces, UVs as they lie
    def self.flat(outlines)
      all = outlines.flatten(1)
      span = [all.flatten.minmax.reduce { |least, most| most - least }, 1e-9].max.to_f
      first = 0
      faces = outlines.map { |corners| "f #{corners.map { "#{first += 1}/#{first}" }.join(" ")}" }
      [
        *all.map { |x, y| format("v %.8f %.8f 0", x, y) },
        *all.map { |x, y| format("vt %.10f %.10f", x / span, y / span) },
        *faces,
        ""
      ].join("\n")
    end

    # A picture of fields in a grid, each of its own colour, on white.
    #
    # @return [Numo::UInt8] px x px x 4
    def self.atlas(px, count)
      step = px / count
      pixels = Numo::UInt8.zeros(px, px, 4) + 255
      (0...count)
        .to_a
        .product((0...count).to_a) do |row, column|
          pixels[
            ((row * step) + 4)...((row + 1) * step),
            ((column * step) + 4)...((column + 1) * step),
            0..2
          ] = Numo::UInt8[column * 30, row * 30, 128]
        end
      pixels
    end

    # @return [Vips::Image]
    def self.image(pixels) =
      Vips::Image.new_from_memory_copy(pixels.to_binary, pixels.shape[1], pixels.shape[0], 4, :uchar).copy(
        interpretation: :srgb
      )

    # Half of a torus, cut open along its length.
    def self.half_ring(n, m)
      sheet(n, m) do |u, v|
        around = v * 2 * Math::PI * 0.98
        reach = 3 + Math.cos(around)
        [reach * Math.cos(u * Math::PI), Math.sin(around), reach * Math.sin(u * Math::PI)]
      end
    end

    def self.piece(n, pieces, step, row, column, uvs, faces)
      base = uvs.size
      (0..step).each do |y|
        (0..step).each do |x|
          uvs << format(
            "vt %.6f %.6f",
            (column + 0.03 + (0.94 * x / step)) / pieces,
            (row + 0.03 + (0.94 * y / step)) / pieces
          )
        end
      end
      step.times do |y|
        step.times do |x|
          v = (((row * step) + y) * (n + 1)) + (column * step) + x + 1
          t = base + (y * (step + 1)) + x + 1
          a, b, c, d =
            [[v, t], [v + 1, t + 1], [v + n + 2, t + step + 2], [v + n + 1, t + step + 1]].map { |pair| pair.join("/") }
          faces << "f #{a} #{b} #{c}" << "f #{a} #{c} #{d}"
        end
      end
    end
    private_class_method :piece
  end
end
