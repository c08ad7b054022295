# frozen_string_literal: true

module SheetTrace
  module Operations
    # Turns faces round, so that what was their inside is their outside. Their place on the sheet stays.
    class FlipNormals < Operation
      faces

      def call(job)
        mesh = job.mesh
        order = order(mesh)
        turned = Numo::Bit.zeros(mesh.face_count).tap { |bits| bits[faces] = 1 }
        normals =
          mesh.corner_normals &&
            (mesh.corner_normals * (1 - (2 * Numo::DFloat.cast(turned[mesh.corner_faces]))).expand_dims(1))[order, true]
        flipped =
          mesh.with(
            corner_vertices: mesh.corner_vertices[order],
            corner_normals: normals,
            corner_colors: mesh.corner_colors && mesh.corner_colors[order, true]
          )
        after =
          Job::Remap.by_corner(
            job,
            mesh: flipped,
            source: job.source.reordered(order),
            corner_uvs: job.layout.corner_uvs[order, true],
            face_mapped: job.layout.uv_map.face_mapped,
            groups: Job::Remap.groups(job)
          )
        change(after, "#{Phrases.count(faces.size, "face")} turned round")
      end

      private

      # @return [Numo::Int64] C: which corner comes to stand at each place
      def order(mesh)
        order = Numo::Int64.new(mesh.corner_count).seq
        faces.uniq.each do |face|
          corners = mesh.face_starts[face]...mesh.face_starts[face + 1]
          order[corners] = corners.to_a.reverse
        end
        order
      end
    end
  end
end
