# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets the faces of each material into the flat cell of the underlay whose colour is nearest to the material's.
    # Materials without a colour go to the
    # neutral cell, or stay where they are without one.
    class MapPalette < Operation
      cell :neutral, optional: true
      flag :collapse, "whether the model has one material afterwards", default: false
      number :inset, 0..0.49, "share of a cell's shorter side that is kept free all round", default: 0.25

      def call(job)
        validate(job)
        pairs = Fit::Palette.call(job.mesh.materials, job.fit_setup.cells, neutral: neutral)
        parted = parted(job)
        moved = assignments(parted, pairs).reduce(parted) { |so_far, assignment| set(so_far, assignment) }
        after = collapse ? collapsed(moved) : moved
        change(
          after,
          "#{Phrases.count(pairs.size, "material")} set into #{Phrases.count(pairs.values.uniq.size, "colour cell")}" \
            "#{", one material now: #{after.mesh.material_names.first}" if collapse}"
        )
      end

      private

      def validate(job)
        refuse("no underlay is shown; lay one under the islands first") unless job.fit_setup.underlay
        refuse("the underlay has no cell of one colour; find its cells first") if job.fit_setup.cells.none?(&:flat)
        return unless neutral.nil? && job.mesh.materials.none?(&:color)

        refuse("no material of the model has a colour to go by; pick faces and set them into cells by hand")
      end

      # Faces of different materials become islands of their own.
      def parted(job)
        map = job.layout.uv_map
        groups = (Numo::Int64.cast(Job::Remap.groups(job)) * job.mesh.materials.size) + job.mesh.face_materials
        Job::Remap.by_corner(
          job,
          corner_uvs: job.layout.corner_uvs,
          face_mapped: map.face_mapped,
          groups: Numo::Int32.cast(groups)
        )
      end

      def assignments(job, pairs)
        by_material = job.layout.uv_map.face_mapped.where.to_a.group_by { |face| job.mesh.face_materials[face] }
        pairs.filter_map do |material, cell|
          if by_material[material]
            SetIntoCells::ASSIGNMENT.fields.filled({ faces: by_material[material], cell: cell, together: false })
          end
        end
      end

      def set(job, assignment)
        left, top, right, bottom = job.fit_setup.underlay.box_px(job.fit_setup.cells[assignment[:cell]], job.sheet)
        done(SetIntoCells.new(assignments: [assignment], inset_px: inset * [right - left, bottom - top].min), job)
      end

      # Layers that were limited to materials go on over everything.
      def collapsed(job)
        name = job.fit_setup.underlay.name.sub(/\.\w+\z/, "")
        mesh =
          job.mesh.with(
            face_materials: Numo::Int32.zeros(job.mesh.face_count),
            materials: [Mesh::Material.new(name: name)]
          )
        layers =
          job.artwork.layers.map do |layer|
            layer.with(look: layer.look.with(mask: layer.look.mask.with(materials: nil)))
          end
        job.with(layout: job.layout.with_mesh(mesh), artwork: job.artwork.with(layers: layers))
      end
    end
  end
end
