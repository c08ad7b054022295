# frozen_string_literal: true

module Bench
  # Models of a set size, made by script.
  module Surfaces
    # A wavy sheet of 2 * n * n triangles, cut into square islands.
    #
    # @return [String] an OBJ file
    def self.wavy_obj(n, pieces: 5)
      side = n + 1
      vertices = Array.new(side * side) do |i|
        y, x = i.divmod(side)
        format("v %.6f %.6f %.6f", x * 0.5, y * 0.5, Math.sin(x * 0.1) + Math.cos(y * 0.13))
      end
      uvs = []
      faces = []
      step = n / pieces
      pieces.times { |row| pieces.times { |column| piece(n, pieces, step, row, column, uvs, faces) } }
      [*vertices, *uvs, *faces, ""].join("\n")
    end

    def self.piece(n, pieces, step, row, column, uvs, faces)
      base = uvs.size
      (0..step).each { |y| (0..step).each { |x| uvs << format("vt %.6f %.6f", (column + 0.03 + (0.94 * x / step)) / pieces, (row + 0.03 + (0.94 * y / step)) / pieces) } }
      step.times do |y|
        step.times do |x|
          v = (((row * step) + y) * (n + 1)) + (column * step) + x + 1
          t = base + (y * (step + 1)) + x + 1
          a, b, c, d = [[v, t], [v + 1, t + 1], [v + n + 2, t + step + 2], [v + n + 1, t + step + 1]].map { |pair| pair.join("/") }
          faces << "f #{a} #{b} #{c}" << "f #{a} #{c} #{d}"
        end
      end
    end
    private_class_method :piece
  end
end
