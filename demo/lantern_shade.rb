# frozen_string_literal: true

module Demo
  # The lantern shade of the Quillhaven Lantern Regatta as it came from the model maker, 120 mm wide at the top: a
  # truncated cone whose wrap fills an oblong, one side gone astray, the lid mirrored, the bottom without UVs, and two
  # hooks that are alike and lie on each other's place by accident. For a first preflight.
  module LanternShade
    TOP_MM = 60.0
    BOTTOM_MM = 42.0
    HEIGHT_MM = 90.0
    SIDES = 24
    STRAY = 15
    private_constant :TOP_MM, :BOTTOM_MM, :HEIGHT_MM, :SIDES, :STRAY

    # @return [String] the model as an OBJ file
    def self.obj
      @lines = [
        "# Quillhaven Lantern Regatta: lantern shade, #{(2 * TOP_MM).round} mm wide at the top",
        "mtllib lantern-shade.mtl"
      ]
      @vertices = @uvs = 0
      shade
      lid
      bottom
      hook("hook left", -TOP_MM, 0.62)
      hook("hook right", TOP_MM, 0.66)
      "#{@lines.join("\n")}\n"
    end

    # @return [String] the material library
    def self.mtl = "newmtl paper\nKd 0.96 0.9 0.76\n\nnewmtl brass\nKd 0.72 0.53 0.2\n"

    def self.shade
      @lines << "o shade" << "usemtl paper" << "s 1"
      rings = [[BOTTOM_MM, 0.0], [TOP_MM, HEIGHT_MM]].map { |radius, y| ring(radius, y) }
      lower, upper = [0.45, 0.93].map { |v| (0..SIDES).map { |i| uv(0.04 + (0.54 * i / SIDES), v) } }
      SIDES.times do |i|
        corners = [
          [rings[0][i], lower[i]],
          [rings[0][(i + 1) % SIDES], lower[i + 1]],
          [rings[1][(i + 1) % SIDES], upper[i + 1]],
          [rings[1][i], upper[i]]
        ]
        if i == STRAY
          corners = corners.map(&:first).zip([[0.8, 0.5], [0.83, 0.5], [0.83, 0.8], [0.8, 0.8]].map { |u, v| uv(u, v) })
        end
        face(corners)
      end
      @rings = rings
    end

    # As seen from below, so that it reads mirrored.
    def self.lid
      @lines << "o lid" << "s off"
      uvs = angles.map { |angle| uv(0.2 - (0.15 * Math.sin(angle)), 0.2 - (0.15 * Math.cos(angle))) }
      face(@rings[1].zip(uvs))
    end

    def self.bottom
      @lines << "o bottom"
      @lines << "f #{@rings[0].reverse.join(" ")}"
    end

    def self.hook(name, x, u)
      @lines << "o #{name}" << "usemtl brass"
      points =
        [0, 1].product([1, -1], [-1, 1])
          .map { |up, front, side| vertex(x + (side * 4.0), HEIGHT_MM - 12 + (up * 24.0), front * 2.0) }
      front, back = [[points[0], points[1], points[5], points[4]], [points[3], points[2], points[6], points[7]]]
      sides = [[points[1], points[3], points[7], points[5]], [points[2], points[0], points[4], points[6]]]
      [front, back, *sides].each_with_index do |quad, i|
        width = i < 2 ? 0.05 : 0.025
        left = u + (i * 0.07)
        face(quad.zip([[left, 0.08], [left + width, 0.08], [left + width, 0.23], [left, 0.23]].map { |a, b| uv(a, b) }))
      end
    end

    def self.angles = (0...SIDES).map { |i| (2 * Math::PI * i / SIDES) - Math::PI }
    def self.ring(radius, y) = angles.map { |angle| vertex(radius * Math.sin(angle), y, radius * Math.cos(angle)) }

    def self.vertex(*point)
      @lines << format("v %.4f %.4f %.4f", *point)
      @vertices += 1
    end

    def self.uv(u, v)
      @lines << format("vt %.5f %.5f", u, v)
      @uvs += 1
    end

    def self.face(corners) = @lines << "f #{corners.map { |vertex, uv| "#{vertex}/#{uv}" }.join(" ")}"
    private_class_method :shade, :lid, :bottom, :hook, :angles, :ring, :vertex, :uv, :face
  end
end
