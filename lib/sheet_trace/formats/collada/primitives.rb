# frozen_string_literal: true

module SheetTrace
  module Formats
    module Collada
      # Reads the faces of a mesh: polylist, triangles, polygons, tristrips, trifans.
      # Source: Khronos, "COLLADA 1.5 Specification", 5 <mesh>, <input> (shared), <polylist>, <polygons>, <tristrips>.
      class Primitives
        KINDS = %w[polylist triangles polygons tristrips trifans].freeze

        # Faces of one element: sizes Numo::Int64 F; rows Numo::Int64 C x stride, the indices of each corner;
        # inputs [Hash{String => Array}] semantic => [offset, source, set] of each; material symbol; what was left out
        Faces = Struct.new(:sizes, :rows, :inputs, :symbol, :left_out)

        # @param document [Document]
        # @param element [Nokogiri::XML::Element] one of KINDS
        # @return [Faces]
        # @raise [FormatError] where: { file:, line: }
        def self.call(document, element) = new(document, element).send(:faces)

        def initialize(document, element)
          @document = document
          @element = element
          @inputs =
            element
              .xpath("./input")
              .group_by { |input| input["semantic"] }
              .transform_values do |inputs|
                inputs.map { |input| [document.whole(input, "offset"), input["source"], input["set"].to_i] }
              end
          @stride = @inputs.values.flatten(1).map(&:first).max.to_i + 1
          document.fail_at(element, "an index of #{@stride} parts") if @stride > 64
        end
        private_class_method :new

        private

        def faces
          @left_out = nil
          sizes, rows = send(@element.name)
          Faces.new(sizes, rows, @inputs, @element["material"], @left_out)
        end

        def triangles
          rows = corners(@element.at_xpath("./p"))
          rows = rows[0...(rows.shape[0] / 3 * 3), true] if rows.shape[0] % 3 != 0 && rows.shape[0] > 3
          [Numo::Int64.new(rows.shape[0] / 3).fill(3), rows]
        end

        def polylist
          sizes = @document.integers(@element.at_xpath("./vcount"))
          rows = corners(@element.at_xpath("./p"))
          @document.fail_at(@element, "a face of #{sizes.min} corners") if sizes.size.positive? && sizes.min.negative?
          total = sizes.empty? ? 0 : sizes.sum
          @document.fail_at(@element, "vcount wants #{total} corners; p has #{rows.shape[0]}") if total != rows.shape[0]
          keep(sizes, rows)
        end

        def polygons
          lists = @element.xpath("./p").map { |p| corners(p) }
          holes = @element.xpath("./ph")
          unless holes.empty?
            @left_out = "#{holes.size} holes are filled"
            lists += holes.filter_map { |hole| hole.at_xpath("./p") }.map { |p| corners(p) }
          end
          keep(Numo::Int64.cast(lists.map { |list| list.shape[0] }), stack(lists))
        end

        def tristrips
          unrolled { |i| i.even? ? [i, i + 1, i + 2] : [i + 1, i, i + 2] }
        end

        def trifans
          unrolled { |i| [0, i + 1, i + 2] }
        end

        def unrolled(&block)
          lists =
            @element
              .xpath("./p")
              .map do |p|
                rows = corners(p)
                count = rows.shape[0] - 2
                next Numo::Int64.zeros(0, @stride) unless count.positive?

                order = Numo::Int64.cast((0...count).flat_map(&block))
                rows[order, true]
              end
          rows = stack(lists)
          [Numo::Int64.new(rows.shape[0] / 3).fill(3), rows]
        end

        # Faces of fewer than 3 corners are left out.
        def keep(sizes, rows)
          return sizes, rows if sizes.empty? || sizes.min >= 3

          small = sizes < 3
          @left_out = "#{small.count_true} faces of fewer than 3 corners are left out"
          corners = (~small[Geometry::Grouped.repeat(sizes)]).where
          return Numo::Int64.zeros(0), Numo::Int64.zeros(0, @stride) if small.all?

          [sizes[(~small).where], rows[corners, true]]
        end

        def corners(p)
          numbers = @document.integers(p)
          return Numo::Int64.zeros(0, @stride) if numbers.empty?

          unless (numbers.size % @stride).zero?
            @document.fail_at(p || @element, "#{numbers.size} indices are no whole number of corners of #{@stride}")
          end
          @document.fail_at(p, "index #{numbers.min} is below 0") if numbers.min.negative?
          numbers.reshape(numbers.size / @stride, @stride)
        end

        def stack(lists)
          lists = lists.reject(&:empty?)
          return Numo::Int64.zeros(0, @stride) if lists.empty?

          Numo::Int64
            .from_binary(lists.map(&:to_binary).join)
            .then { |flat| flat.reshape(flat.size / @stride, @stride) }
        end
      end
    end
  end
end
