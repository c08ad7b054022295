# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands or faces flat anew. Each new piece keeps the place and the density of the island that most of it comes from;
    # one that comes to lie on another goes on to a free place.
    #
    # islands [Array<Integer>, nil]; faces [Array<Integer>, nil], which go before islands; all faces, those without UVs too, if both are nil
    # by [String] one of Flatten::Pieces::METHODS
    # seams [String] "drawn" as they are drawn, or else as the islands are now, "angle" where the surface bends by more than angle_rad,
    #   "none", "all" each face apart
    # direction [Array(Float, Float, Float), nil] for "seen": from the surface to the eye; sides [String] for "direction": one of Flatten::Split::SIDES
    # axis, origin [Array(Float, Float, Float), nil] for "rollout": the band's axis and a place on it, its apex, in model units; fitted if nil
    # mirrored [Boolean] whether seams and pieces follow the model's plane of symmetry
    # into [Hash, nil] width_px, height_px: a rectangle that the one piece is fitted to; keep [Boolean] its proportions
    # pins [Array<Integer>] vertices that stay where they lie on the sheet, to the bit, for "unfold"
    # gutter_px [Numeric, nil] to be kept from other islands; the job's if nil
    LayFlat = Struct.new(:islands, :faces, :by, :seams, :angle_rad, :direction, :sides, :axis, :origin, :mirrored, :into, :pins, :gutter_px, keyword_init: true) do
      def initialize(islands: nil, faces: nil, by: "unfold", seams: "drawn", angle_rad: Math::PI / 3, direction: nil, sides: "six", axis: nil, origin: nil, mirrored: false,
                     into: nil, pins: [], gutter_px: nil)
        super
        freeze
      end

      def validate(job)
        [faces && Checks.faces(job, faces), islands && Checks.islands(job, islands),
         Checks.one_of(by, "by", Flatten::Pieces::METHODS), Checks.one_of(seams, "seams", LayFlat::SEAMS), Checks.one_of(sides, "sides", Flatten::Split::SIDES.keys),
         Checks.number(angle_rad, "angle", 0.01..Math::PI), Checks.optional(gutter_px, "gutter", 0..1024), Checks.flag(mirrored, "mirrored"),
         Checks.vector(direction, "direction", required: by == "seen"), Checks.vector(axis, "axis"), Checks.triple(origin, "origin"),
         *pin_problems(job),
         mirrored && job.mesh.symmetry.nil? ? "the model has no plane of symmetry to follow" : nil, *rectangle_problems].compact
      end

      def apply(job)
        faces = target(job)
        pieces = pieces(job, faces)
        px = job.sheet.to_px(job.layout.corner_uvs)
        groups = Job::Remap.groups(job)
        held = held_corners(job, faces)
        pieces.laid.each { |piece| lay(job, pieces, piece, px, groups, held) }
        mapped = job.layout.uv_map.face_mapped.copy.tap { |bits| bits[faces] = 1 }
        after = Job::Remap.by_corner(job, corner_uvs: uvs(job, px, faces, held), face_mapped: mapped, groups: groups)
        fresh = after.layout.uv_map.face_islands[faces].to_a.uniq - after.layout.uv_map.face_islands[job.mesh.corner_faces[held]].to_a
        after = after.with(drawn_seams: nil)
        into ? after : after.with(layout: Layout::Settle.call(after.layout, fresh, gutter_px: gutter_px || job.gutter_px))
      end

      def describe(job, after)
        before, now = [job, after].map { |one| one.measures.filter_map(&:stretch_worst).max || 1.0 }
        what = if faces
                 Words.count(faces.size, "face")
               else
                 islands ? Words.islands(job, islands) : "All faces"
               end
        "#{what} laid flat (#{by.tr("_", "-")}): #{Words.count(after.layout.uv_map.island_count, "island")}, worst stretch #{format("%.3f", before)} -> #{format("%.3f", now)}"
      end

      private

      def pin_problems(job)
        return [] if pins == []

        [Checks.vertices(job, pins), into || mirrored ? "held corners go with true scale, and not with mirrored halves" : nil]
      end

      def rectangle_problems
        return [] unless into
        return ["into is #{into.inspect.slice(0, 60)}; give width_px, height_px and keep"] unless into.is_a?(Hash) && (into.keys - %i[width_px height_px keep]).empty?

        [Checks.number(into[:width_px], "width", 1..100_000), Checks.number(into[:height_px], "height", 1..100_000), Checks.flag(into.fetch(:keep, true), "keep")]
      end

      def target(job)
        return faces.uniq if faces
        return (0...job.mesh.face_count).to_a unless islands

        islands.flat_map { |island| job.layout.uv_map.island_faces[island].to_a }
      end

      def pieces(job, faces)
        pieces = laid_flat(job, faces)
        return pieces unless into && pieces.laid.size > 1

        raise LayoutError.new("#{pieces.laid.size} pieces can't be fitted to one rectangle; pick one, or keep true scale", where: { pieces: pieces.laid.size })
      end

      def laid_flat(job, faces)
        Flatten::Pieces.call(job.mesh, method: by, seams: seam_edges(job, faces), angle_rad: angle_rad, faces: faces, direction: direction, sides: sides,
                                       band: { axis: axis, origin: origin }.compact, held: held_places(job, held_corners(job, faces)), symmetry: mirrored ? job.mesh.symmetry : nil)
      end

      # What is not laid flat, and what is held, stays to the bit.
      def uvs(job, px, faces, held)
        moved = Numo::Bit.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 }[job.mesh.corner_faces]
        moved[held] = 0 unless held.empty?
        rows = moved.where
        job.layout.corner_uvs.copy.tap { |uvs| uvs[rows, true] = job.sheet.px_to_uv.apply(px)[rows, true] }
      end

      # @return [Array<Integer>] corners on the sheet that are held
      def held_corners(job, faces)
        return [] if pins.empty? || by != "unfold"

        wanted = Numo::Bit.zeros(job.mesh.vertex_count).tap { |bits| bits[pins] = 1 }
        chosen = Numo::Bit.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 } & job.layout.uv_map.face_mapped
        (wanted[job.mesh.corner_vertices] & chosen[job.mesh.corner_faces]).where.to_a
      end

      # @return [Hash{Integer => Array(Float, Float)}] corner => place, model units, y up
      def held_places(job, corners)
        px = job.sheet.to_px(job.layout.corner_uvs)
        corners.to_h { |corner| [corner, [px[corner, 0], -px[corner, 1]].map { |value| value / scale(job, job.layout.uv_map.face_islands[job.mesh.corner_faces[corner]]) }] }
      end

      # @return [Float] px per model unit
      def scale(job, island)
        own = island ? job.measures[island].density_px_per_mm : 0.0
        (own.positive? ? own : job.density_px_per_mm) * job.unit_mm
      end

      # What is not to be laid flat is parted from what is.
      def seam_edges(job, faces)
        edges = case seams
                when "drawn" then job.seams
                when "angle" then Flatten::Seams.by_angle(job.mesh, angle_rad)
                when "all" then ~Flatten::Seams.none(job.mesh)
                else Flatten::Seams.none(job.mesh)
                end
        chosen = Numo::Int32.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 }
        edges | Flatten::Seams.between(job.mesh, chosen)
      end

      def lay(job, pieces, piece, px, groups, held)
        cut = pieces.cut
        own = cut.face_pieces.eq(piece).where
        island = home(job, own)
        corners = cut.face_pieces[job.mesh.corner_faces].eq(piece).where
        flat = pieces.places[cut.corner_points[corners], true] * Numo::DFloat[[1, -1]] # px run down
        flat *= into ? scale_into(flat) : scale(job, island)
        groups[own] = job.layout.uv_map.island_count + 1 + piece
        stay = held & corners.to_a
        kept = px[stay, true].copy if stay.any?
        px[corners, true] = stay.any? ? flat : flat + middle(job, island)
        px[stay, true] = kept if kept
      end

      # @return [Numo::DFloat] 1 x 2, px
      def middle(job, island)
        x, y = island ? job.layout.centre_px([island]) : [job.sheet.width_px / 2.0, job.sheet.height_px / 2.0]
        Numo::DFloat[into ? kept_on_sheet(job, x, y) : [x, y]].reshape(1, 2)
      end

      # @return [Numo::DFloat] 1 x 2 scale across and down
      def scale_into(flat)
        size = (flat.max(axis: 0) - flat.min(axis: 0)).to_a
        scale = into.values_at(:width_px, :height_px).zip(size).map { |px, own| own.positive? ? px / own : 1.0 }
        Numo::DFloat[into.fetch(:keep, true) ? [scale.min] * 2 : scale]
      end

      # The middle, so that the rectangle lies on the sheet where it can.
      def kept_on_sheet(job, *middle)
        [[middle[0], into[:width_px], job.sheet.width_px], [middle[1], into[:height_px], job.sheet.height_px]].map do |at, own, whole|
          own >= whole ? whole / 2.0 : at.clamp(own / 2.0, whole - (own / 2.0))
        end
      end

      # The island that most of the piece's area lies on now.
      def home(job, faces)
        map = job.layout.uv_map
        mapped = faces[map.face_mapped[faces].where]
        return if mapped.empty?

        areas = Geometry::Vectors.lengths(job.mesh.face_area_vectors[mapped, true]).to_a
        map.face_islands[mapped].to_a.zip(areas).each_with_object(Hash.new(0.0)) { |(island, area), sums| sums[island] += area }.max_by(&:last).first
      end
    end

    # Where seams may come from.
    class LayFlat
      SEAMS = %w[drawn angle none all].freeze
    end
  end
end
