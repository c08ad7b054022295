# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives stray faces back to the neighbouring island with which they share the longest edge, laid flat beside it and
    # joined along that edge.
    class GiveBackFaces < Operation
      faces

      def call(job)
        homes = homes(job)
        refuse("none of these faces has a neighbour on the sheet to go to") if homes.empty?

        map = job.layout.uv_map
        mirrored = homes.values.uniq.to_h { |island| [island, job.measures[island].mirrored] }
        places, groups =
          Flatten::Hinge.call(
            job.mesh,
            job.sheet.to_px(job.layout.corner_uvs),
            Job::Remap.groups(job),
            faces: homes.keys,
            homes: homes,
            mirrored: mirrored
          )
        mapped = map.face_mapped.copy.tap { |bits| homes.each_key { |face| bits[face] = 1 } }
        after =
          Job::Remap.by_corner(job, corner_uvs: job.sheet.px_to_uv.apply(places), face_mapped: mapped, groups: groups)
        change(after, "#{Phrases.count(faces.size, "face")} given back to #{Phrases.islands(job, homes.values.uniq)}")
      end

      private

      # @return [Hash{Integer => Integer}] face => island; a face that only touches other stray faces goes where they go
      def homes(job)
        found = {}
        waiting = faces.uniq
        near = neighbours(job)
        until waiting.empty?
          ready = waiting.to_h { |face| [face, best(job, face, near, found)] }.compact
          break if ready.empty?

          found.merge!(ready)
          waiting -= ready.keys
        end
        found
      end

      def neighbours(job)
        first, second = job.mesh.edges.paired_corners
        lengths = lengths(job.mesh, first)
        pairs = job.mesh.corner_faces[first].to_a.zip(job.mesh.corner_faces[second].to_a, lengths.to_a)
        wanted = faces.to_h { |face| [face, true] }
        pairs.each_with_object(Hash.new { |all, face| all[face] = [] }) do |(a, b, length), all|
          all[a] << [b, length] if wanted[a]
          all[b] << [a, length] if wanted[b]
        end
      end

      def lengths(mesh, corners)
        Geometry::Vectors.lengths(
          mesh.positions[mesh.corner_vertices[mesh.next_corners[corners]], true] -
            mesh.positions[mesh.corner_vertices[corners], true]
        )
      end

      def best(job, face, near, found)
        map = job.layout.uv_map
        stray = faces.to_h { |own| [own, true] }
        sums =
          near[face].each_with_object(Hash.new(0.0)) do |(other, length), all|
            island = stray[other] ? found[other] : (map.face_islands[other] if map.face_mapped[other] == 1)
            all[island] += length if island
          end
        sums.max_by(&:last)&.first
      end
    end
  end
end
