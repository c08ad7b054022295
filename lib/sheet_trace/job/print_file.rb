# frozen_string_literal: true

module SheetTrace
  class Job
    # An island in true size for print, as PDF or SVG: as a label with its art, or as a net to be folded.
    class PrintFile
      extend References

      KINDS = %w[label fold].freeze
      # A map that stretches an island by more is not printed.
      TRUE_ENOUGH = 1.02
      private_constant :TRUE_ENOUGH

      island
      one_of :kind, KINDS, "label: with bleed, trim and marks; fold: a net with tabs", default: "label"
      one_of :format, %w[pdf svg], default: "pdf"
      number :dpi, 36.0..1200.0, "of what art is px; lettering and SVG drawings stay lines and areas", default: 300.0
      number :bleed_mm, 0.0..20.0, "of the art, past where it is trimmed", default: 3.0
      number :safe_mm, 0.0..50.0, "within where it is trimmed", default: 3.0
      number :overlap_mm, 0.0..50.0, "by which a band goes on past its join", default: 0.0
      flag :art, "without: lines only", default: true
      one_of :paper,
             Formats::Pdf::Writer::PAPERS_MM.keys,
             "over as many pages as it takes; one page as large as it is if nil",
             optional: true

      # @param job [Job]
      # @param title [String] of the job
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @param options [Hash] as declared above
      # @return [String] bytes of the file
      # @raise [InputError] where the island has no true shape, or is too large for this many dots
      def self.call(job, title:, pictures:, **options)
        new(job, title, pictures, validated(options, References::Context.new(job: job))).send(:bytes)
      end

      def initialize(job, title, pictures, options)
        @job = job
        @title = title
        @pictures = pictures
        @options = options
        @island = options[:island]
        @px_per_mm = options[:dpi] / Print::MM_PER_INCH
        @bleed = options[:kind] == "label" ? options[:bleed_mm] : 0.0
        check_stretch
      end
      private_class_method :new

      private

      def check_stretch
        flat = @job.flat_map(@island)
        piece = Flatten::Cut::Piece.of_island(@job.layout.uv_map, @island)
        stretch = Flatten::SuggestReliefCuts.worst_stretch(piece, flat.coordinates_mm / @job.unit_mm)
        return if stretch <= TRUE_ENOUGH

        raise InputError.new(
                "#{@job.island_names[@island]} can't lie flat: even at its truest it is stretched #{stretch.round(2)} times; " \
                  "part it on Cut first",
                where: {
                  island: @island
                }
              )
      end

      def bytes
        scene = @options[:kind] == "fold" ? fold_sheet : label
        Formats::Drawings.call(
          scene,
          @options[:format],
          px_per_mm: @px_per_mm,
          label:
            Formats::Label.new(title: "#{@title}, #{@job.island_names[@island]}", code: Trace::Code.call(@job.layout)),
          paper: @options[:paper],
          hairlines: true
        )
      end

      # mm of the island lying flat, its box from 0, 0 on, y down, by point of the map.
      def places
        @places ||=
          begin
            x, y = @job.flat_map(@island).by_point
            own = @job.layout.uv_map.island_points[@island]
            [x - x[own].min, y[own].max - y]
          end
      end

      def size_mm = @job.flat_map(@island).size_mm
      def at(point) = places.map { |values| values[point] }

      def label
        overlap = @options[:overlap_mm]
        size = [size_mm[0] + overlap, size_mm[1]]
        Print::Label.call(
          loops: trim(overlap),
          size_mm: size,
          art: @options[:art] ? art(overlap) : [],
          bleed_mm: @bleed,
          safe_mm: @options[:safe_mm],
          overlap_mm: overlap,
          centre: %w[Front Around].include?(Mesh::Facing.names(@job.layout.uv_map.mean_normals[[@island], true]).first),
          name: description(size),
          px_per_mm: @px_per_mm
        )
      end

      def description(size)
        mm = size.map { |side| format("%.2f", side).sub(/\.?0+\z/, "") }.join(" x ")
        edition = @job.artwork.edition.name
        "#{@title}, #{@job.island_names[@island]}, #{edition}: #{mm} mm, #{format("%g", @options[:dpi])} dpi"
      end

      # @raise [InputError] where a band that is no rectangle is to go on past its join
      def trim(overlap)
        loops = Flatten::Border.call(triangles).map { |points| points.map { |point| at(point) } }
        return loops unless overlap.positive?

        width, height = size_mm
        straight = loops.one? && loops[0].all? { |x, y| [x, width - x, y, height - y].map(&:abs).min < width * 1e-4 }
        unless straight
          raise InputError.new(
                  "only a straight band can go on past its join; set the overlap to 0",
                  where: {
                    overlap_mm: overlap
                  }
                )
        end

        [[[0, 0], [width + overlap, 0], [width + overlap, height], [0, height]]]
      end

      def triangles = @job.layout.uv_map.triangles.points[@job.layout.uv_map.island_triangles[@island], true]

      def art(overlap = 0.0)
        FlatArt.call(
          @job,
          @island,
          places,
          px_per_mm: @px_per_mm,
          bleed_mm: @bleed,
          overlap_mm: overlap,
          pictures: @pictures
        )
      end

      def fold_sheet
        map = @job.layout.uv_map
        faces = map.island_faces[@island].to_a
        edges = map.edges
        rows = edges.islands.eq(@island).where.to_a
        outline, inner = rows.partition { |row| edges.outline[row] == 1 }
        Print::FoldSheet.call(
          panels: faces.map { |face| face_points(face).map { |point| at(point) } },
          sides: sides(outline),
          folds: folded(inner).map { |row| edges.points[row, true].to_a.flat_map { |point| at(point) } },
          names: panel_names(faces),
          size_mm: size_mm,
          art: @options[:art] ? art : [],
          px_per_mm: @px_per_mm,
          title: description(size_mm)
        )
      end

      def face_points(face)
        starts = @job.mesh.face_starts
        @job.layout.uv_map.corner_points[starts[face]...starts[face + 1]].to_a
      end

      # By which edge of the model they are, as that joins them again.
      def sides(rows)
        edges = @job.layout.uv_map.edges
        ends = rows.map { |row| edges.points[row, true].to_a }
        keys = ends.map { |pair| pair.map { |point| place_key(point) }.sort }
        rows.each_index.map do |i|
          meets = keys.each_index.find { |k| k != i && keys[k] == keys[i] }
          { ends: ends[i].map { |point| at(point) }, meets: meets }
        end
      end

      def place_key(point)
        low, high = @job.mesh.bounds
        size = low.zip(high).map { |from, to| to - from }.max
        @job.mesh.positions[@job.layout.uv_map.point_vertices[point], true].to_a.map do |value|
          (value / size * 1e6).round
        end
      end

      def folded(rows)
        normals = Geometry::Vectors.unit(@job.mesh.face_area_vectors)
        rows.select do |row|
          first, second = @job.mesh.edge_faces[@job.layout.uv_map.edges.mesh_edges[row]].first(2)
          second && (normals[first, true] * normals[second, true]).sum < Flatten::FlatPatches::FLAT_COS
        end
      end

      # @return [Array<Array(String, Array(Float, Float))>]
      def panel_names(faces)
        patches = Flatten::FlatPatches.call(@job.mesh, faces)
        normals =
          Geometry::Vectors.unit(
            Numo::DFloat.cast(patches.map { |patch| @job.mesh.face_area_vectors[patch.faces, true].sum(axis: 0).to_a })
          )
        Mesh::Facing
          .names(normals)
          .zip(patches)
          .map do |name, patch|
            places = @job.layout.uv_map.corner_points[patch.corners].to_a.map { |point| at(point) }
            [name, places.transpose.map { |values| values.minmax.sum / 2 }]
          end
      end
    end
  end
end
