# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays identical parts on the place of the first of them, so that one piece of art serves all.
    class MakeTwins < Operation
      parts :parts, "the first leads"

      def call(job)
        refuse("name two or more parts") unless parts.uniq.size > 1
        if job.mesh.identical_parts.none? { |group| (parts - group).empty? }
          refuse("these parts are not alike: twins have the same faces and the same shape")
        end

        names = job.mesh.parts.values_at(*parts)
        change(
          stacked(job),
          "#{names.drop(1).size > 3 ? "#{names.size - 1} parts" : names.drop(1).join(", ")} laid on the place of " \
            "#{names.first}"
        )
      end

      private

      def stacked(job)
        map = job.layout.uv_map
        leader, *others = parts.map { |part| Mesh::IdenticalParts.corners(job.mesh, part) }
        uvs = job.layout.corner_uvs.copy
        groups = Job::Remap.groups(job)
        mapped = map.face_mapped.copy
        leader_faces = job.mesh.corner_faces[leader]
        others.each_with_index do |corners, i|
          faces = job.mesh.corner_faces[corners]
          uvs[corners, true] = uvs[leader, true]
          groups[faces] = groups[leader_faces] + ((i + 1) * (map.island_count + 1))
          mapped[faces] = map.face_mapped[leader_faces]
        end
        Job::Remap.by_corner(job, corner_uvs: uvs, face_mapped: mapped, groups: groups)
      end
    end
  end
end
