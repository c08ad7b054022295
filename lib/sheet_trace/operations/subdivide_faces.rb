# frozen_string_literal: true

module SheetTrace
  module Operations
    # Makes smaller faces of some, as Mesh::Subdivide does, so that each can be given another place on the sheet. The surface, the islands and the art
    # stay as they are; seams drawn for the next laying flat go on along the halves of their edges.
    #
    # faces [Array<Integer>]
    SubdivideFaces = Struct.new(:faces, keyword_init: true) do
      def initialize(faces:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.faces(job, faces)
        return [problem] if problem

        job.mesh.face_count + (4 * faces.size) > SubdivideFaces::MOST_FACES ? ["the model would have more than #{SubdivideFaces::MOST_FACES} faces; pick fewer"] : []
      end

      def apply(job)
        made = Mesh::Subdivide.call(job.mesh, faces)
        after = Job::Remap.by_corner(job, mesh: made.mesh, origins: made.origins, source: source(job, made), corner_uvs: made.carry(job.layout.corner_uvs),
                                          face_mapped: job.layout.uv_map.face_mapped[made.origins], groups: Job::Remap.groups(job)[made.origins])
        job.drawn_seams ? after.with(drawn_seams: seams(job, made)) : after
      end

      def describe(job, after)
        "#{Words.count(faces.uniq.size, "face")} subdivided: the model has #{after.mesh.face_count} faces, #{after.mesh.face_count - job.mesh.face_count} more"
      end

      private

      # The file's own UV sets, in step with the new faces.
      def source(job, made)
        job.source.with(uv_sets: job.source.uv_sets.map do |set|
          uvs = set.uvs.empty? ? Numo::DFloat.zeros(job.mesh.corner_count, 2) : set.uvs[set.corner_uvs, true]
          Formats::UvSet.new(name: set.name, uvs: made.carry(uvs), corner_uvs: Numo::Int32.new(made.mesh.corner_count).seq, face_mapped: set.face_mapped[made.origins])
        end)
      end

      def seams(job, made)
        drawn = job.drawn_seams.where.to_a.zip(job.mesh.edges.vertices[job.drawn_seams.where, true].to_a).flat_map do |edge, (from, to)|
          middle = made.middles[edge]
          middle ? [[from, middle], [to, middle]] : [[from, to]]
        end
        wanted = drawn.to_h { |ends| [ends, true] }
        Numo::Bit.cast(made.mesh.edges.vertices.to_a.map { |ends| wanted[ends] ? 1 : 0 })
      end
    end

    # How many faces a model may come to have.
    class SubdivideFaces
      MOST_FACES = 500_000
    end
  end
end
