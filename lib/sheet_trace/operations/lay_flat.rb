# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands flat anew. Each new piece keeps the place and the density of the island that most of it comes from;
    # one that comes to lie on another goes on to a free place.
    #
    # islands [Array<Integer>, nil] all faces, those without UVs too, if nil
    # by [String] one of Flatten::Pieces::METHODS
    # seams [String] "drawn" as they are drawn, or else as the islands are now, "angle" where the surface bends by more than angle_rad, "none"
    # direction [Array(Float, Float, Float), nil] for "seen": from the surface to the eye
    LayFlat = Struct.new(:islands, :by, :seams, :angle_rad, :direction, keyword_init: true) do
      def initialize(islands: nil, by: "unfold", seams: "drawn", angle_rad: Math::PI / 3, direction: nil)
        super
        freeze
      end

      def validate(job)
        [islands && Checks.islands(job, islands),
         Flatten::Pieces::METHODS.include?(by) ? nil : "by is #{by.inspect}; give #{Flatten::Pieces::METHODS.join(", ")}",
         LayFlat::SEAMS.include?(seams) ? nil : "seams is #{seams.inspect}; give #{LayFlat::SEAMS.join(", ")}",
         Checks.number(angle_rad, "angle", 0.01..Math::PI), direction_problem].compact
      end

      def apply(job)
        faces = faces(job)
        pieces = Flatten::Pieces.call(job.mesh, method: by, seams: seam_edges(job, faces), angle_rad: angle_rad, faces: faces, direction: direction)
        px = job.sheet.to_px(job.layout.corner_uvs)
        groups = Job::Remap.groups(job)
        pieces.laid.each { |piece| lay(job, pieces, piece, px, groups) }
        mapped = job.layout.uv_map.face_mapped.copy.tap { |bits| bits[faces] = 1 }
        after = Job::Remap.by_corner(job, corner_uvs: job.sheet.px_to_uv.apply(px), face_mapped: mapped, groups: groups)
        fresh = after.layout.uv_map.face_islands[faces].to_a.uniq
        after.with(layout: Layout::Settle.call(after.layout, fresh, gutter_px: job.gutter_px), drawn_seams: nil)
      end

      def describe(job, after)
        before, now = [job, after].map { |one| one.measures.filter_map(&:stretch_worst).max || 1.0 }
        what = islands ? Words.islands(job, islands) : "All faces"
        "#{what} laid flat (#{by.tr("_", "-")}): #{after.layout.uv_map.island_count} islands, worst stretch #{format("%.3f", before)} -> #{format("%.3f", now)}"
      end

      private

      def direction_problem
        good = direction.is_a?(Array) && direction.size == 3 && direction.all? { |part| part.is_a?(Numeric) && part.to_f.finite? } && direction.any? { |part| part.abs > 1e-9 }
        "direction is #{direction.inspect}; give three numbers, not all 0" if by == "seen" ? !good : !(direction.nil? || good)
      end

      def faces(job)
        return (0...job.mesh.face_count).to_a unless islands

        islands.flat_map { |island| job.layout.uv_map.island_faces[island].to_a }
      end

      # What is not to be laid flat is parted from what is.
      def seam_edges(job, faces)
        edges = case seams
                when "drawn" then job.seams
                when "angle" then Flatten::Seams.by_angle(job.mesh, angle_rad)
                else Flatten::Seams.none(job.mesh)
                end
        chosen = Numo::Int32.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 }
        edges | Flatten::Seams.between(job.mesh, chosen)
      end

      def lay(job, pieces, piece, px, groups)
        cut = pieces.cut
        own = cut.face_pieces.eq(piece).where
        island = origin(job, own)
        density, (x, y) = if island
                            [job.measures[island].density_px_per_mm,
                             job.layout.centre_px([island])]
                          else
                            [job.density_px_per_mm, [job.sheet.width_px / 2.0, job.sheet.height_px / 2.0]]
                          end
        density = job.density_px_per_mm unless density.positive?
        corners = cut.face_pieces[job.mesh.corner_faces].eq(piece).where
        flat = pieces.places[cut.corner_points[corners], true] * (density * job.unit_mm)
        px[corners, 0] = flat[true, 0] + x
        px[corners, 1] = (flat[true, 1] * -1) + y
        groups[own] = job.layout.uv_map.island_count + 1 + piece
      end

      # The island that most of the piece's area lies on now.
      def origin(job, faces)
        map = job.layout.uv_map
        mapped = faces[map.face_mapped[faces].where]
        return if mapped.empty?

        areas = Geometry::Vectors.lengths(job.mesh.face_area_vectors[mapped, true]).to_a
        map.face_islands[mapped].to_a.zip(areas).each_with_object(Hash.new(0.0)) { |(island, area), sums| sums[island] += area }.max_by(&:last).first
      end
    end

    # Where seams may come from.
    class LayFlat
      SEAMS = %w[drawn angle none].freeze
    end
  end
end
