# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays faces square-on, in true shape, upright, at the density of their neighbours and as near to them as there is
    # room. Faces that lie in one plane beside each other stay together.
    class ProjectFaces < Operation
      faces

      def call(job)
        after, emptied = laid(job)
        added = after.layout.uv_map.island_count - (job.layout.uv_map.island_count - emptied.size)
        change(after, "#{Phrases.count(faces.size, "face")} laid square-on as #{Phrases.count(added, "island")}")
      end

      private

      # @return [Array(Job, Array<Integer>)] and the islands of which nothing is left
      def laid(job)
        patches = Flatten::FlatPatches.call(job.mesh, faces)
        boxes = patches.map { |patch| box(job, patch) }
        emptied = emptied_islands(job)
        layout, places, scale =
          Layout::MakeRoom.call(
            job.layout,
            boxes.map { |box| box[:wanted] },
            without: emptied,
            gutter_px: job.gutter_px
          )
        px = layout.sheet.to_px(layout.corner_uvs)
        groups = Job::Remap.groups(job)
        patches.each_with_index do |patch, i|
          px[patch.corners, true] = placed(patch, places[i], boxes[i][:density] * scale)
          groups[patch.faces] = job.layout.uv_map.island_count + 1 + i
        end
        mapped = job.layout.uv_map.face_mapped.copy.tap { |bits| bits[faces] = 1 }
        [
          Job::Remap.by_corner(job, corner_uvs: layout.sheet.px_to_uv.apply(px), face_mapped: mapped, groups: groups),
          emptied
        ]
      end

      # The patch with its left upper corner at a place: px run down, the patch's own y up.
      def placed(patch, (left, top), density)
        Numo::DFloat[[left, top + (patch.extent[1] * density)]] + (patch.places * Numo::DFloat[[density, -density]])
      end

      # Islands of which nothing is left.
      def emptied_islands(job)
        going = faces.to_h { |face| [face, true] }
        job.layout.uv_map.island_faces.each_index.select do |island|
          job.layout.uv_map.island_faces[island].to_a.all? { |face| going[face] }
        end
      end

      # Size on the sheet, and the neighbour's place: its right upper corner.
      def box(job, patch)
        island = neighbour(job, patch)
        density = (island ? job.measures[island].density_px_per_mm : job.density_px_per_mm) * job.unit_mm
        density = job.density_px_per_mm * job.unit_mm unless density.positive?
        near = island ? job.layout.boxes_px[island, true].to_a.values_at(2, 1) : [0, 0]
        { density: density, wanted: [*patch.extent.map { |side| side * density }, *near] }
      end

      def neighbour(job, patch)
        map = job.layout.uv_map
        going = faces.to_h { |face| [face, true] }
        touching = patch.touching.reject { |face| going[face] || map.face_mapped[face].zero? }
        touching.map { |face| map.face_islands[face] }.tally.max_by(&:last)&.first
      end
    end
  end
end
