# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Places of the same shape as one that something lies on: islands that are alike, and for what lies round a spot of
    # the model alike parts and the model's other side. What is laid there stands upright as the first, never reflected.
    class AlikePlaces
      # place [Object] of a class of PLACES; name [String] of where it is
      Alike = Struct.new(:place, :name)

      # @param job [Job]
      # @param place [Places::OnIsland, Places::OnSurface]
      # @param among [Array<Integer>, nil] islands; all if nil
      # @return [Array<Alike>] without the place itself
      def self.call(job, place, among: nil)
        own = new(job, place)
        place.is_a?(Places::OnSurface) ? own.on_surface : own.on_islands(among)
      end

      def initialize(job, place)
        @job = job
        @place = place
      end
      private_class_method :new

      # @return [Array<Alike>]
      def on_islands(among)
        map = @job.layout.uv_map
        island = @place.island
        islands = among ? [island, *among].uniq : (0...map.island_count).to_a
        twins = Layout::FindTwins.call(@job.method(:flat_map), map, islands)
        group = twins.find { |own| own.islands.include?(island) } or return []

        at = group.islands.index(island)
        (group.islands.each_index.to_a - [at]).map do |i|
          reflected = group.reflected[i] != group.reflected[at]
          Alike.new(
            on_island(group.islands[i], [group.points[at], group.points[i]], reflected),
            @job.island_names[group.islands[i]]
          )
        end
      end

      # @return [Array<Alike>]
      def on_surface
        spots = [[@place.face, @place.at, false], *on_parts]
        spots += mirrored(spots)
        spots
          .drop(1)
          .uniq(&:first)
          .reject { |face, _, _| face == @place.face }
          .map do |face, at, reflected|
            turn = reflected ? -@place.turn_rad : @place.turn_rad
            Alike.new(@place.with(face: face, at: at, turn_rad: turn), name_of(face, reflected))
          end
      end

      private

      # Where the islands' points say that the spot is.
      def on_island(island, points, reflected)
        from, to = [@place.island, island].zip(points).map { |own, rows| places_of(@job.flat_map(own), rows) }
        map = Geometry::Affine.fit(from, to)
        x, y = map.at(@place.x_mm, @place.y_mm)
        turn = reflected ? -@place.turn_rad : @place.turn_rad - Math.atan2(map.d, map.a)
        @place.with(island: island, x_mm: x, y_mm: y, turn_rad: turn)
      end

      def places_of(flat_map, points)
        rows = flat_map.points.to_a.each_with_index.to_h.values_at(*points.to_a)
        flat_map.coordinates_mm[rows, true]
      end

      # On parts with the same faces: the same place of the same triangle. What stands on the other side of the model is
      # reached as its mirror image, so that what looks outwards does so there too.
      def on_parts
        mesh = @job.mesh
        part = mesh.face_parts[@place.face]
        group = mesh.identical_parts.find { |parts| parts.include?(part) } or return []

        faces = group.to_h { |own| [own, mesh.face_parts.eq(own).where.to_a] }
        rank = faces[part].index(@place.face)
        triangle, shares = mesh.nearest_spot([@place.face], @place.at)
        within = triangle - mesh.face_triangles(@place.face).first
        (group - [part])
          .select { |other| side_of(other) * side_of(part) >= 0 }
          .map do |other|
            face = faces[other][rank]
            corners = mesh.welded.corners(mesh.face_triangles(face).first + within)
            [face, Geometry::Triple.blend(corners, shares), false]
          end
      end

      # @return [Integer] -1, 0 or 1: which side of the plane that the model mirrors itself in a part stands on
      def side_of(part)
        symmetry = @job.mesh.symmetry or return 0

        middle = @job.mesh.positions[@job.mesh.corner_vertices[Mesh::IdenticalParts.corners(@job.mesh, part)], true]
        far = middle.mean(axis: 0).to_a.zip(symmetry.normal).sum { |place, part_of| place * part_of } - symmetry.offset
        far.abs <= symmetry.tolerance ? 0 : far <=> 0
      end

      def mirrored(spots)
        symmetry = @job.mesh.symmetry or return []

        spots.map do |face, at, reflected|
          [symmetry.face_twins[face], symmetry.reflect(Numo::DFloat[at]).to_a.first, !reflected]
        end
      end

      def name_of(face, reflected)
        part = @job.mesh.parts[@job.mesh.face_parts[face]]
        if reflected && @job.mesh.face_parts[face] == @job.mesh.face_parts[@place.face]
          "the other side of #{part}"
        else
          part
        end
      end
    end
  end
end
