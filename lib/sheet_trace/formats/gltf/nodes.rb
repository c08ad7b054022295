# frozen_string_literal: true

module SheetTrace
  module Formats
    module Gltf
      # Walks the nodes of the scene that is shown, each with its place in space.
      # Source: Khronos, "glTF 2.0 Specification", 3.5 (scenes, node hierarchy, transformations).
      class Nodes
        DEEPEST = 200
        MOST = 100_000
        private_constant :DEEPEST, :MOST

        # @param document [Document]
        # @return [Array<Array(Hash, Numo::DFloat, String)>] nodes with a mesh, their 4 x 4 matrices, their paths
        # @raise [FormatError] where: { file:, path: }; a node that is below itself among them
        def self.call(document) = new(document).send(:all)

        def initialize(document)
          @document = document
          @found = []
          @count = 0
        end
        private_class_method :new

        private

        def all
          roots.each { |index| walk(index, Geometry::Transform.identity, [], "scenes") }
          @found
        end

        # A file without scenes shows all nodes that are nobody's child.
        def roots
          scenes = @document.list("scenes")
          if scenes.any?
            number = @document.integer(@document.root, "scene", "", default: 0)
            return @document.integers(@document.entry("scenes", number, "scene"), "nodes", "scenes/#{number}")
          end

          nodes = @document.list("nodes")
          children = nodes.each_with_index.flat_map { |node, i| @document.integers(node, "children", "nodes/#{i}") }
          (0...nodes.size).to_a - children
        end

        def walk(index, above, trail, path)
          at = "nodes/#{index}"
          node = @document.entry("nodes", index, path)
          @document.fail_at(at, "the node is below itself") if trail.include?(index)
          if trail.size > DEEPEST || (@count += 1) > MOST
            @document.fail_at(at, "nodes lie more than #{DEEPEST} deep, or are more than #{MOST}")
          end
          matrix = above.dot(own(node, at))
          @found << [node, matrix, at] if node["mesh"]
          @document.integers(node, "children", at).each { |child| walk(child, matrix, trail + [index], at) }
        end

        def own(node, at)
          if (numbers = @document.numbers(node, "matrix", at, 16))
            return Geometry::Transform.columns(numbers)
          end

          move = @document.numbers(node, "translation", at, 3) || [0, 0, 0]
          turn = @document.numbers(node, "rotation", at, 4) || [0, 0, 0, 1]
          scale = @document.numbers(node, "scale", at, 3) || [1, 1, 1]
          Geometry::Transform
            .move(*move)
            .dot(Geometry::Transform.quaternion(*turn))
            .dot(Geometry::Transform.scale(*scale))
        end
      end
    end
  end
end
