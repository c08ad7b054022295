# frozen_string_literal: true

module SheetTrace
  class UvMap
    # Names islands as a painter would: by the way they face, with the part's name where there are several
    # parts, and by place or number where that still leaves two alike.
    module NameIslands
      # Axes that tell two islands of one facing apart, with the words for less and more.
      PLACES = {
        "Front" => [[0, %w[left right]], [1, %w[lower upper]]],
        "Back" => [[0, %w[left right]], [1, %w[lower upper]]],
        "Left" => [[2, %w[rear fore]], [1, %w[lower upper]]],
        "Right" => [[2, %w[rear fore]], [1, %w[lower upper]]],
        "Top" => [[0, %w[left right]], [2, %w[rear fore]]],
        "Bottom" => [[0, %w[left right]], [2, %w[rear fore]]],
        "Around" => [[1, %w[lower upper]], [0, %w[left right]]]
      }.freeze
      private_constant :PLACES

      # @param uv_map [UvMap]
      # @return [Array<String>] I names, no two alike
      def self.call(uv_map)
        return [] if uv_map.island_count.zero?

        facings = Mesh::Facing.names(uv_map.mean_normals)
        parts = part_names(uv_map)
        centres = centres(uv_map)
        names = facings.each_index.map { |island| [parts[island], facings[island]].compact.join(" ") }
        alike = names.each_index.group_by { |island| names[island] }.values
        alike.each { |islands| tell_apart(islands, names, facings, centres) if islands.size > 1 }
        names
      end

      def self.part_names(uv_map)
        parts = uv_map.mesh.parts
        return Array.new(uv_map.island_count) if parts.size < 2

        uv_map.island_faces.map { |faces| parts[uv_map.mesh.face_parts[faces[0]]] }
      end

      def self.centres(uv_map)
        low, high =
          (0..2)
            .map do |axis|
              Geometry::Grouped.extremes(
                uv_map.point_islands,
                uv_map.mesh.positions[uv_map.point_vertices, axis],
                uv_map.island_count
              )
            end
            .transpose
        low.each_index.map { |axis| ((low[axis] + high[axis]) / 2).to_a }.transpose
      end

      def self.tell_apart(islands, names, facings, centres)
        if islands.size == 2
          first, second = islands.map { |island| centres[island] }
          axis, words =
            PLACES
              .fetch(facings[islands.first])
              .max_by { |candidate, _words| (first[candidate] - second[candidate]).abs }
          gap = first[axis] - second[axis]
          unless gap.abs < 1e-9
            islands.each_with_index { |island, i| names[island] += " #{words[gap.positive? ^ i.odd? ? 1 : 0]}" }
            return
          end
        end
        islands.each_with_index { |island, i| names[island] += " #{i + 1}" }
      end
      private_class_method :part_names, :centres, :tell_apart
    end
  end
end
