# frozen_string_literal: true

module SheetTrace
  module Trace
    # The edges of a layout as lines: rims of the model, seams where islands meet on it, and edges within islands, each
    # kind in its own way; each line once, also where islands share it.
    class Lines
      # Lengths of strokes and gaps, in line widths.
      DASHES = { "unbroken" => [], "dashed" => [6.0, 4.0], "dotted" => [1.0, 3.0] }.freeze
      # Faces that lean apart by less lie in one plane.
      FLAT_COS = Math.cos(0.5 * Math::PI / 180)
      private_constant :DASHES, :FLAT_COS

      # @param subject [Subject]
      # @return [Hash{Integer => Array<Drawing::Strokes>}] by island
      def self.call(subject) = new(subject).send(:by_island)

      def initialize(subject)
        @subject = subject
        @options = subject.options
        @edges = subject.map.edges
      end
      private_class_method :new

      private

      def by_island
        styles = { rim: style(""), seam: style("seam_"), inner: style("inner_") }
        styles.delete(:inner) if @options[:edges] == "outline"
        styles.each_with_object({}) do |(kind, style), found|
          next if style[:dash] == "hidden"

          rows = once(chosen(kind))
          grouped(rows).each { |island, own| (found[island] ||= []) << strokes(own, style) }
        end
      end

      # What is not said of seams and inner edges is as of rims.
      def style(prefix)
        %i[line_px color dash].to_h do |name|
          [name, @options[:"#{prefix}#{name.to_s.delete_prefix("line_")}"] || @options[name]]
        end
      end

      def strokes(rows, style)
        Drawing::Strokes.new(
          segments: segments(rows),
          line_px: style[:line_px].to_f,
          color: Drawing::Color.parse(style[:color]),
          dash_px: DASHES.fetch(style[:dash]).map { |length| length * style[:line_px] },
          cutting: rows.size.positive? && @edges.outline[rows[0]] == 1
        )
      end

      # A vertex at UV (u, v) lies at (u * width, (1 - v) * height) px from the top left corner.
      def segments(rows)
        points = @subject.points_px
        ends = @edges.points[rows, true]
        Numo::DFloat
          .zeros(ends.shape[0], 4)
          .tap do |lines|
            lines[true, 0..1] = points[ends[true, 0], true]
            lines[true, 2..3] = points[ends[true, 1], true]
          end
      end

      def chosen(kind)
        joined = @subject.map.edge_neighbours >= 0
        wanted =
          case kind
          when :rim
            @edges.outline & ~joined
          when :seam
            @edges.outline & joined
          else
            ~@edges.outline & (@options[:diagonals] ? Numo::Bit.ones(@edges.outline.size) : ~diagonals)
          end
        (wanted & picked[@edges.islands]).where
      end

      def picked
        @picked ||=
          Numo::Bit
            .zeros(@subject.map.island_count)
            .tap { |bits| bits[@subject.islands] = 1 unless @subject.islands.empty? }
      end

      # @return [Numo::Bit] by edge of the map: the longest side of both triangles beside it, which lie in one plane
      def diagonals
        mesh = @subject.map.mesh
        starts = mesh.face_starts[0...-1][(mesh.face_starts[1..] - mesh.face_starts[0...-1]).eq(3).where]
        counts = Numo::Int32.zeros(mesh.edges.count)
        longest_sides(mesh, starts).each { |own| counts += own.bincount(minlength: counts.size) } unless starts.empty?
        (counts.eq(2) & flat(mesh))[@edges.mesh_edges]
      end

      # @param starts [Numo::Int64] first corners of triangles
      # @return [Array<Numo::Int64>] edges that are a triangle's longest: those of first sides, of second, of third
      def longest_sides(mesh, starts)
        edges = Array.new(3) { |k| mesh.edges.corner_edges[starts + k] }
        sides = edges.map { |own| lengths(mesh)[own] }
        found = 3.times.map { |k| edges[k][sides[k].ge(Numo::DFloat.maximum(*sides.rotate(k).drop(1))).where] }
        found.reject(&:empty?)
      end

      def lengths(mesh)
        @lengths ||=
          begin
            ends = mesh.edges.vertices
            Geometry::Vectors.lengths(mesh.positions[ends[true, 0], true] - mesh.positions[ends[true, 1], true])
          end
      end

      # @return [Numo::Bit] by edge of the mesh: both its faces lie in one plane
      def flat(mesh)
        first, second = mesh.edges.paired_corners.map { |corners| mesh.corner_faces[corners] }
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        level = Geometry::Vectors.dot(normals[first, true], normals[second, true]) > FLAT_COS
        Numo::Bit
          .zeros(mesh.edges.count)
          .tap do |bits|
            rows = level.where
            bits[mesh.edges.corner_edges[mesh.edges.paired_corners[0][rows]]] = 1 unless rows.empty?
          end
      end

      # Leaves one of lines that lie in the same place to a thousandth of a px, whichever way they run.
      def once(rows)
        return rows if rows.size < 2

        places = place_ranks(Numo::Int64.cast((segments(rows) * 1000).round))
        low = Numo::Int64.minimum(*places)
        high = Numo::Int64.maximum(*places)
        ranks, count = Geometry::Grouped.pair_ranks(low, high, high.max + 1)
        rows[Geometry::Grouped.representatives(ranks, count).sort]
      end

      # The same number for the same place, whether it is a line's start or its end.
      def place_ranks(keys)
        count = keys.shape[0]
        x, = Geometry::Grouped.ranks(keys[true, 0].concatenate(keys[true, 2]))
        y, y_count = Geometry::Grouped.ranks(keys[true, 1].concatenate(keys[true, 3]))
        both, = Geometry::Grouped.pair_ranks(x, y, y_count)
        [both[0...count], both[count..]]
      end

      # @return [Hash{Integer => Numo::Int64}] rows by island
      def grouped(rows)
        return {} if rows.empty?

        islands = @edges.islands[rows]
        order = islands.sort_index
        numbers = islands[order].to_a
        order
          .to_a
          .each_index
          .slice_when { |a, b| numbers[a] != numbers[b] }
          .to_h { |places| [numbers[places[0]], rows[order[places[0]..places[-1]].sort]] }
      end
    end
  end
end
