# frozen_string_literal: true

module SheetTrace
  class Job
    # A job on a model that was corrected or changed since: faces are known by where they lie, and what was said of them
    # goes along.
    class Revised
      # Less than this share of the old faces found, and it is another model.
      LEAST = 0.2
      # Of units that models come in: mm, cm, m, inch and foot (international yard and pound agreement, 1959).
      UNITS_MM = [1.0, 10.0, 1000.0, 25.4, 304.8].freeze
      # By which share a model may be larger or smaller than in another unit, or the same one.
      ABOUT = 0.02
      private_constant :LEAST, :UNITS_MM, :ABOUT

      # job [Job] on the new model
      # kept, moved, added [Array<Integer>] faces of the new model; lost [Array<Integer>] faces of the old one
      # scale [Float] by which its lengths were multiplied, as it was in another unit
      Result = Struct.new(:job, :kept, :moved, :added, :lost, :scale, keyword_init: true)

      # @param job [Job]
      # @param reading [Formats::Reading] of the new model; name [String] of its file
      # @param tolerance_mm [Float, nil] how far a face may have moved; half a hundredth of the model's diagonal if nil
      # @return [Result]
      # @raise [InputError] where it is another model
      def self.call(job, reading, name:, tolerance_mm: nil) = new(job, reading, name, tolerance_mm).call

      def initialize(job, reading, name, tolerance_mm)
        @job = job
        @started = Job.start(reading, source_name: name, sheet: job.sheet, unit_mm: job.unit_mm)
        @before = job.mesh
        @scale = scale(@started.mesh, reading)
        @mesh = @scale == 1 ? @started.mesh : @started.mesh.with(positions: @started.mesh.positions * @scale)
        @tolerance = tolerance_mm && (tolerance_mm / job.unit_mm)
        @origins = Mesh::MatchFaces.call(@before, @mesh, tolerance: @tolerance)
        @pairs = Mesh::PairCorners.call(@before, @mesh, @origins)
      end
      private_class_method :new

      # @return [Result]
      def call
        known = @origins.ge(0).where.to_a
        lost = gone
        refuse(lost.size) if @before.face_count - lost.size < LEAST * @before.face_count

        kept, moved = known.partition { |face| same?(face) }
        added = (0...@mesh.face_count).to_a - known
        Result.new(job: revised, kept: kept, moved: moved, added: added, lost: lost, scale: @scale)
      end

      private

      # Former faces that are found nowhere on the new model: one may have become a part of a larger one.
      def gone
        left = (0...@before.face_count).to_a - @origins.to_a
        return left if left.empty?

        found = Mesh::MatchFaces.call(@mesh, @before, tolerance: @tolerance)
        left.select { |face| found[face].negative? }
      end

      # What makes it as long as the model that the job came from: by the units that both files name, else by how large
      # both are.
      #
      # @return [Float]
      def scale(mesh, reading)
        former = @job.source.unit_mm
        return reading.unit_mm / former if reading.unit_mm && former

        ratio = diagonal(@before) / diagonal(mesh)
        return 1.0 unless ratio.finite? && (ratio - 1).abs > ABOUT

        UNITS_MM.product(UNITS_MM).map { |from, to| from / to }.find { |unit| ((ratio / unit) - 1).abs < ABOUT } || 1.0
      end

      def diagonal(mesh) = mesh.bounds.transpose.sum { |low, high| (high - low)**2 }.then { |sum| Math.sqrt(sum) }

      def revised
        layout = CarriedLayout.call(@job.layout, @mesh, @origins, pairs: @pairs)
        Remap.call(
          @job,
          layout.uv_map,
          source: @started.source,
          origins: Numo::Int64.cast(@origins),
          vertices: vertices
        )
      end

      # @return [Hash{Integer => Integer}] former vertex => the one that it has become
      def vertices
        rows = @pairs.ge(0).where
        return {} if rows.empty?

        @before.corner_vertices[@pairs[rows]].to_a.zip(@mesh.corner_vertices[rows].to_a).to_h
      end

      # Whether each of its corners lies where one of the former face's lies: it may be a piece of it.
      def same?(face)
        now, former = [[@mesh, face], [@before, @origins[face]]].map { |mesh, own| places(mesh, own) }
        now.all? { |place| former.any? { |other| Geometry::Triple.distance(place, other) <= SAME * size } }
      end

      def places(mesh, face)
        mesh.positions[mesh.corner_vertices[mesh.face_starts[face]...mesh.face_starts[face + 1]], true].to_a
      end

      SAME = 1e-6
      private_constant :SAME

      def size = @size ||= [@before.bounds.reduce { |low, high| Geometry::Triple.distance(low, high) }, Float::MIN].max

      def refuse(lost)
        raise InputError.new(
                "#{lost} of #{@before.face_count} faces of the model are not in #{@started.source_name}: it is another " \
                  "model, or lies elsewhere; start a job with it, or give a larger tolerance",
                where: {
                  file: @started.source_name
                }
              )
      end
    end
  end
end
