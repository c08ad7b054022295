# frozen_string_literal: true

module SheetTrace
  module Formats
    module Collada
      # Walks the nodes of the visual scene, through instances of nodes too, each with its place in space.
      # Source: Khronos, "COLLADA 1.5 Specification", 5 <node>: transformations are applied in the order they stand in.
      class Nodes
        DEEPEST = 200
        MOST = 100_000
        private_constant :DEEPEST, :MOST

        # What is shown: geometry element, matrix 4 x 4, name of the node, instance element (for its materials),
        # whether a skin is left out.
        Shown = Struct.new(:geometry, :matrix, :name, :instance, :skinned)

        # @param document [Document]
        # @return [Array<Shown>]
        # @raise [FormatError] where: { file:, line: }; a node that is below itself among them
        def self.call(document) = new(document).send(:all)

        def initialize(document)
          @document = document
          @shown = []
          @count = 0
        end
        private_class_method :new

        private

        def all
          scene = @document.root.at_xpath("./scene/instance_visual_scene")
          visual =
            (
              if scene
                @document.at(scene["url"], "visual_scene", scene)
              else
                @document.root.at_xpath("./library_visual_scenes/visual_scene")
              end
            )
          visual&.xpath("./node")&.each { |node| walk(node, Geometry::Transform.identity, []) }
          # A file without a scene shows all its geometry where it is.
          visual ||
            @document
              .root
              .xpath("./library_geometries/geometry")
              .each do |geometry|
                @shown << Shown.new(geometry, Geometry::Transform.identity, name_of(geometry), geometry, false)
              end
          @shown
        end

        def walk(node, above, trail)
          key = node.pointer_id
          @document.fail_at(node, "the node is below itself") if trail.include?(key)
          if trail.size > DEEPEST || (@count += 1) > MOST
            @document.fail_at(node, "nodes lie more than #{DEEPEST} deep, or are more than #{MOST}")
          end
          matrix =
            node.element_children.reduce(above) { |so_far, child| (step = step(child)) ? so_far.dot(step) : so_far }
          node
            .xpath("./instance_geometry")
            .each do |instance|
              show(instance, @document.at(instance["url"], "geometry", instance), matrix, node, false)
            end
          node.xpath("./instance_controller").each { |instance| show_controlled(instance, matrix, node) }
          node
            .xpath("./instance_node")
            .each { |instance| walk(@document.at(instance["url"], "node", instance), matrix, trail + [key]) }
          node.xpath("./node").each { |child| walk(child, matrix, trail + [key]) }
        end

        def show(instance, geometry, matrix, node, skinned)
          @shown << Shown.new(geometry, matrix, name_of(node) || name_of(geometry), instance, skinned)
        end

        # The shape that a skin or a morph starts from.
        def show_controlled(instance, matrix, node)
          source = @document.at(instance["url"], "controller", instance).at_xpath("./skin | ./morph")
          geometry = source && @document.find(source["source"])
          geometry = @document.find(geometry.at_xpath("./skin | ./morph")&.[]("source")) if geometry&.name ==
            "controller"
          show(instance, geometry, matrix, node, true) if geometry&.name == "geometry"
        end

        def name_of(element) = [element["name"], element["id"]].compact.find { |name| !name.strip.empty? }

        # @return [Numo::DFloat, nil] nil for what is no transformation
        def step(child)
          case child.name
          when "matrix"
            Geometry::Transform.rows(numbers(child, 16))
          when "translate"
            Geometry::Transform.move(*numbers(child, 3))
          when "scale"
            Geometry::Transform.scale(*numbers(child, 3))
          when "rotate"
            numbers(child, 4).then { |x, y, z, degrees| Geometry::Transform.turn(x, y, z, degrees * Math::PI / 180) }
          when "skew", "lookat"
            @document.fail_at(child, "<#{child.name}> is not read here; apply the transformation before export")
          end
        end

        def numbers(element, count)
          values = @document.floats(element)
          if values.size == count
            values.to_a
          else
            @document.fail_at(element, "#{count} numbers belong in <#{element.name}>")
          end
        end
      end
    end
  end
end
