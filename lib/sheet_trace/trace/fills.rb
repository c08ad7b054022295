# frozen_string_literal: true

module SheetTrace
  module Trace
    # Areas of islands in colours that tell something: a tint of its own for each, its faces' material, or which way it
    # looks.
    module Fills
      # kind => what colours faces; nil fills nothing
      KINDS = { "none" => nil, "tint" => :tint, "materials" => :material, "facing" => :facing }.freeze
      OPACITY = 0.55
      # Light and apart from each other, also to who sees two of the primaries only.
      TINTS = %w[#cfe0d3 #f3d98b #d4d7ea #f2c9b8 #cde3ec #e4d3e3 #dfe6b5 #e8d9c0].freeze
      FACINGS = {
        "Front" => "#f3d98b",
        "Back" => "#d4d7ea",
        "Left" => "#cde3ec",
        "Right" => "#f2c9b8",
        "Top" => "#e9efdf",
        "Bottom" => "#d9cdb8",
        "Around" => "#e4d3e3"
      }.freeze
      BARE = "#e5e2da"
      private_constant :OPACITY, :TINTS, :FACINGS, :BARE

      # @param subject [Subject]
      # @return [Hash{Integer => Array<Drawing::Area>}] by island
      def self.call(subject)
        kind = KINDS.fetch(subject.options[:fill])
        kind ? subject.islands.to_h { |island| [island, send(kind, subject, island)] } : {}
      end

      def self.tint(subject, island) = [area(subject.loops(island), TINTS[island % TINTS.size])]

      def self.facing(subject, island)
        name = Mesh::Facing.names(subject.map.mean_normals[[island], true]).first
        [area(subject.loops(island), FACINGS.fetch(name))]
      end

      # Faces of one material as one area.
      def self.material(subject, island)
        mesh = subject.map.mesh
        subject.map.island_faces[island]
          .to_a
          .group_by { |face| mesh.face_materials[face] }
          .map do |material, faces|
            color = material.negative? ? nil : mesh.materials[material].color
            area(faces.map { |face| outline(subject, face) }, color ? hex(color) : BARE)
          end
      end

      def self.outline(subject, face)
        starts = subject.map.mesh.face_starts
        subject.points_px[subject.map.corner_points[starts[face]...starts[face + 1]], true].to_a
      end

      def self.hex(color) = format("#%02x%02x%02x", *color.first(3).map { |share| (share * 255).round.clamp(0, 255) })

      def self.area(loops, color) =
        Drawing::Area.new(loops: loops, color: Drawing::Color.parse(color), opacity: OPACITY)
      private_class_method :tint, :facing, :material, :outline, :hex, :area
    end
  end
end
