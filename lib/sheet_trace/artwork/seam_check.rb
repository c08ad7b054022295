# frozen_string_literal: true

module SheetTrace
  module Artwork
    # How far the colours on both sides of each seam differ on the model: along every edge that the map is cut at, just
    # inside either island.
    class SeamCheck
      # islands [Array(Integer, Integer)] on both sides, the same twice where an island meets itself
      # mean, worst [Float] difference of colours, 0 to 255, of the channel that differs most, by length
      # length_mm [Float]; faces [Array<Integer>] on both sides of the edges that differ most
      Seam = Struct.new(:islands, :mean, :worst, :length_mm, :faces, keyword_init: true)

      # How far from the edge colours are taken, and how far apart along it, px.
      INSIDE_PX = 0.75
      APART_PX = 2.0
      # Places along one edge, and faces that are named of one seam, at the most.
      MOST_PLACES = 256
      MOST_FACES = 50
      private_constant :INSIDE_PX, :APART_PX, :MOST_PLACES, :MOST_FACES

      # @param layout [Layout]
      # @param sheet [Vips::Image] composed, 8-bit sRGB with alpha
      # @param unit_mm [Float] length of a model unit
      # @return [Array<Seam>] the worst first, by the mean
      def self.call(layout, sheet, unit_mm:) = new(layout, sheet, unit_mm).send(:seams)

      def initialize(layout, sheet, unit_mm)
        @map = layout.uv_map
        @mesh = layout.uv_map.mesh
        @sheet = sheet
        @unit_mm = unit_mm
        size = Layout::Sheet.new(width_px: sheet.width, height_px: sheet.height)
        @px = size.to_px(layout.points_uv)
        @pixels = Numo::UInt8.from_binary(sheet.write_to_memory).reshape(sheet.height * sheet.width, 4)
      end
      private_class_method :new

      private

      def seams
        sides = UvMap::CutEdges.call(@map)
        return [] if sides.first.starts.empty?

        differences = differences(*sides)
        lengths = lengths(sides.first)
        faces = sides.map { |side| @mesh.corner_faces[side.starts].to_a }.transpose
        islands = sides.map { |side| @map.face_islands[@mesh.corner_faces[side.starts]].to_a }.transpose
        (0...lengths.size)
          .group_by { |row| islands[row].sort }
          .map { |pair, rows| seam(pair, rows, differences, lengths, faces) }
          .sort_by { |seam| -seam.mean }
      end

      def seam(islands, rows, differences, lengths, faces)
        total = [rows.sum { |row| lengths[row] }, Float::MIN].max
        worst = rows.max_by(MOST_FACES / 2) { |row| differences[row].max }
        Seam.new(
          islands: islands,
          mean: rows.sum { |row| lengths[row] * (differences[row].sum / differences[row].size) } / total,
          worst: rows.map { |row| differences[row].max }.max,
          length_mm: total * @unit_mm,
          faces: faces.values_at(*worst).flatten.uniq
        )
      end

      def lengths(side)
        places = [side.starts, side.stops].map { |corners| @mesh.positions[@mesh.corner_vertices[corners], true] }
        Geometry::Vectors.lengths(places[0] - places[1]).to_a
      end

      # @return [Array<Array<Float>>] by edge: at places along it
      def differences(*sides)
        ends = sides.map { |side| ends_px(side.starts, side.stops) }
        counts = ends.map { |from, to, _| Geometry::Vectors.lengths(to - from) }
        counts = (Numo::DFloat.maximum(*counts) / APART_PX).ceil.clip(1, MOST_PLACES).to_a.map(&:to_i)
        rows = Numo::Int64.cast(counts.each_with_index.flat_map { |count, row| [row] * count })
        shares = Numo::DFloat.cast(counts.flat_map { |count| Array.new(count) { |i| (i + 0.5) / count } })
        colors = ends.zip([shares, 1 - shares]).map { |own, share| colors(own, rows, share) }
        found = (colors[0] - colors[1]).abs.max(axis: 1).to_a
        counts.map { |count| found.shift(count) }
      end

      # @return [Array<Numo::DFloat>] n x 2: where edges start and end, and the middle of the face that they are of, px
      def ends_px(starts, stops)
        places = [starts, stops].map { |corners| @px[@map.corner_points[corners], true] }
        [*places, middles[@mesh.corner_faces[starts], true]]
      end

      def middles
        @middles ||=
          begin
            sizes = Numo::DFloat.cast(@mesh.face_starts[1..] - @mesh.face_starts[0..-2])
            columns =
              Array.new(2) do |axis|
                own = @px[true, axis][@map.corner_points.clip(0, @px.shape[0] - 1)]
                Geometry::Grouped.sum(@mesh.corner_faces, own, @mesh.face_count) / sizes
              end
            Geometry::Vectors.columns(columns)
          end
      end

      # @return [Numo::DFloat] n x 4, colours premultiplied: what is transparent on both sides does not differ
      def colors((from, to, middle), rows, shares)
        places = from[rows, true] + ((to[rows, true] - from[rows, true]) * shares.expand_dims(1))
        inwards = middle[rows, true] - places
        far = Numo::DFloat.maximum(Geometry::Vectors.lengths(inwards), Float::MIN)
        places += inwards * (Numo::DFloat.minimum(far, INSIDE_PX) / far).expand_dims(1)
        x, y = [@sheet.width, @sheet.height].each_with_index.map { |px, axis| places[true, axis].floor.clip(0, px - 1) }
        colors = Numo::DFloat.cast(@pixels[Numo::Int64.cast((y * @sheet.width) + x), true])
        colors[true, 0..2] *= colors[true, 3..3] / 255
        colors
      end
    end
  end
end
