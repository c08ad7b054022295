# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Finds the faces of one mesh in another of the same surface, or of one close to it: those with the same corners,
    # whatever the order of faces and corners is; else, for faces that were divided, joined or moved a little, the one
    # that lies nearest to their middle and looks the same way.
    class MatchFaces
      SAME = 1e-6 # of the model's diagonal: corners that lie so near are the same
      NEAR = 0.005 # of the diagonal: how far a face may have moved
      LOOKS = 0.5 # cosine of the angle by which it may have turned
      CELLS = 48 # along the diagonal: of the grid in which faces are looked for
      MIX = [0x9e3779b97f4a7c15, 0xbf58476d1ce4e5b9, 0x94d049bb133111eb].freeze
      private_constant :MIX, :SAME, :NEAR, :LOOKS, :CELLS

      # @param from [Mesh] that is looked through
      # @param to [Mesh] whose faces are looked for
      # @param tolerance [Float, nil] model units that a face may have moved by; half a hundredth of the model's
      #   diagonal if nil
      # @return [Numo::Int32] by face of to: the face of from; -1 where there is none
      def self.call(from, to, tolerance: nil) = new(from, to, tolerance).send(:matched)

      def initialize(from, to, tolerance)
        @from = from
        @to = to
        @diagonal =
          from.positions.empty? ? 1.0 : Math.sqrt(((from.positions.max(axis: 0) - from.positions.min(axis: 0))**2).sum)
        @tolerance = tolerance || (NEAR * @diagonal)
      end
      private_class_method :new

      private

      def matched
        same = keys(@from).to_a.each_with_index.to_h
        found = keys(@to).to_a.map { |key| same.fetch(key, -1) }
        Progress.map(found.each_index.select { |face| found[face].negative? }) { |face| found[face] = nearest(face) }
        Numo::Int32.cast(found)
      end

      # Of each face a number for where its corners lie, in no order: the sum of one for each place, mixed so that one
      # sum in 2^64 agrees by chance.
      #
      # @return [Numo::UInt64] F
      def keys(mesh)
        return Numo::UInt64.zeros(0) if mesh.face_count.zero?

        sums = Numo::UInt64.zeros(mesh.corner_count + 1)
        sums[1..] = places(mesh)[mesh.corner_vertices]
        sums.inplace.cumsum
        sums[mesh.face_starts[1..]] - sums[mesh.face_starts[0...-1]]
      end

      # @return [Numo::UInt64] V numbers, the same where places are
      def places(mesh)
        steps = (mesh.positions / [SAME * @diagonal, Float::MIN].max).round
        3
          .times
          .reduce(Numo::UInt64.zeros(mesh.vertex_count)) do |number, axis|
            mixed(number + Numo::UInt64.cast(Numo::Int64.cast(steps[true, axis])))
          end
      end

      # Source: G. Steele, D. Lea and C. Flood, "Fast Splittable Pseudorandom Number Generators" (2014), the mixing of
      # SplitMix64 with the constants of its authors' published code.
      def mixed(numbers)
        numbers += MIX[0]
        MIX.drop(1).zip([30, 27]) { |factor, shift| numbers = (numbers ^ (numbers >> shift)) * factor }
        numbers ^ (numbers >> 31)
      end

      def nearest(face)
        middle = middles[face]
        best, off =
          candidates(middle)
            .select { |own| facing(own, face) }
            .map { |own| [own, distance(own, middle)] }
            .min_by(&:last)
        best && off <= @tolerance ? best : -1
      end

      def middles
        @middles ||=
          begin
            sums = Numo::DFloat.zeros(@to.face_count, 3)
            places = @to.positions[@to.corner_vertices, true]
            3.times do |axis|
              sums[true, axis] = Geometry::Grouped.sum(@to.corner_faces, places[true, axis], @to.face_count)
            end
            (sums / Numo::DFloat.cast(@to.face_sizes).expand_dims(1)).to_a
          end
      end

      def facing(own, face)
        a, b = [[@from, own], [@to, face]].map { |mesh, index| normals(mesh)[index] }
        a.zip(b).sum { |p, q| p * q } >= LOOKS
      end

      def normals(mesh) =
        (@normals ||= {}.compare_by_identity)[mesh] ||= Geometry::Vectors.unit(mesh.face_area_vectors).to_a

      def distance(own, middle)
        triangle, shares = @from.nearest_spot([own], middle)
        Geometry::Triple.distance(Geometry::Triple.blend(@from.welded.corners(triangle), shares), middle)
      end

      # Faces whose boxes come within reach of a place.
      def candidates(place)
        reach = @tolerance
        ranges = place.map { |value| cell(value - reach)..cell(value + reach) }
        ranges[0].to_a.product(ranges[1].to_a, ranges[2].to_a).flat_map { |key| grid.fetch(key, []) }.uniq
      end

      def cell(value) = (value * CELLS / @diagonal).floor

      def grid
        @grid ||=
          begin
            cells = Hash.new { |hash, key| hash[key] = [] }
            vertices = @from.corner_vertices.to_a
            places = @from.positions.to_a
            starts = @from.face_starts.to_a
            @from.face_count.times do |face|
              corners = vertices[starts[face]...starts[face + 1]].map { |vertex| places[vertex] }
              ranges = corners.transpose.map { |values| cell(values.min)..cell(values.max) }
              ranges[0].to_a.product(ranges[1].to_a, ranges[2].to_a) { |key| cells[key] << face }
            end
            cells.default = nil
            cells
          end
      end
    end
  end
end
