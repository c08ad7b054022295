# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Names patches of a surface as a painter would: by the way they face, with the part's name where there are several
    # parts, and by place or number where that still leaves two alike.
    module NamePatches
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

      # @param normals [Numo::DFloat] n x 3 mean unit normals, shorter where a patch bends
      # @param parts [Array<String, nil>] n; nil where the model has one part
      # @param middles [Array<Array(Float, Float, Float)>] n, model units
      # @return [Array<String>] n names, no two alike
      def self.call(normals, parts, middles)
        facings = Facing.names(normals)
        names = parts.zip(facings).map { |words| words.compact.join(" ") }
        alike = names.each_index.group_by { |patch| names[patch] }.values
        alike.each { |patches| tell_apart(patches, names, facings, middles) if patches.size > 1 }
        names
      end

      def self.tell_apart(patches, names, facings, middles)
        if patches.size == 2
          first, second = patches.map { |patch| middles[patch] }
          axis, words =
            PLACES
              .fetch(facings[patches.first])
              .max_by { |candidate, _words| (first[candidate] - second[candidate]).abs }
          gap = first[axis] - second[axis]
          unless gap.abs < 1e-9
            patches.each_with_index { |patch, i| names[patch] += " #{words[gap.positive? ^ i.odd? ? 1 : 0]}" }
            return
          end
        end
        patches.each_with_index { |patch, i| names[patch] += " #{i + 1}" }
      end
      private_class_method :tell_apart
    end
  end
end
