# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets the faces of each material into the flat cell of the underlay whose colour is nearest to the material's. Materials without a colour go to the
    # neutral cell, or stay where they are without one.
    #
    # neutral [Integer, nil] a cell; collapse [Boolean] whether the model has one material afterwards
    # inset [Numeric] share of a cell's shorter side that is kept free all round
    MapPalette = Struct.new(:neutral, :collapse, :inset, keyword_init: true) do
      def initialize(neutral: nil, collapse: false, inset: 0.25)
        super
        freeze
      end

      def validate(job)
        return ["no underlay is shown; lay one under the islands first"] unless job.backdrop.underlay

        [neutral && Checks.entry(neutral, job.backdrop.cells, "cell"), Checks.flag(collapse, "collapse"), Checks.number(inset, "inset", 0..0.49),
         job.backdrop.cells.none?(&:flat) ? "the underlay has no cell of one colour; find its cells first" : nil,
         neutral.nil? && job.mesh.materials.none?(&:color) ? "no material of the model has a colour to go by; pick faces and set them into cells by hand" : nil].compact
      end

      def apply(job)
        parted = parted(job)
        moved = assignments(parted).reduce(parted) do |so_far, one|
          cell = so_far.backdrop.cells[one[:cell]]
          left, top, right, bottom = so_far.backdrop.underlay.box_px(cell, so_far.sheet)
          SetIntoCells.new(assignments: [one], inset_px: inset * [right - left, bottom - top].min).apply(so_far)
        end
        collapse ? collapsed(moved) : moved
      end

      def describe(job, after)
        pairs = Fit::Palette.call(job.mesh.materials, job.backdrop.cells, neutral: neutral)
        "#{Words.count(pairs.size,
                       "material")} set into #{Words.count(pairs.values.uniq.size, "colour cell")}#{", one material now: #{after.mesh.material_names.first}" if collapse}"
      end

      private

      # Faces of different materials become islands of their own.
      def parted(job)
        map = job.layout.uv_map
        groups = (Numo::Int64.cast(Job::Remap.groups(job)) * job.mesh.materials.size) + job.mesh.face_materials
        Job::Remap.by_corner(job, corner_uvs: job.layout.corner_uvs, face_mapped: map.face_mapped, groups: Numo::Int32.cast(groups))
      end

      def assignments(job)
        faces = job.layout.uv_map.face_mapped.where
        by_material = faces.to_a.group_by { |face| job.mesh.face_materials[face] }
        Fit::Palette.call(job.mesh.materials, job.backdrop.cells, neutral: neutral).filter_map do |material, cell|
          { faces: by_material[material], cell: cell, together: false } if by_material[material]
        end
      end

      def collapsed(job)
        name = job.backdrop.underlay.name.sub(/\.\w+\z/, "")
        one = job.mesh.with(face_materials: Numo::Int32.zeros(job.mesh.face_count), materials: [Mesh::Material.new(name: name)])
        edition = job.edition.with(layers: job.edition.layers.map { |layer| layer.with(material: nil) })
        job.with(layout: job.layout.with_mesh(one), edition: edition)
      end
    end
  end
end
