# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives a material a name of the painter's own.
    class RenameMaterial < Operation
      material
      text :name

      def call(job)
        taken = job.mesh.material_names.index(name)
        refuse("another material is called #{name.inspect}; give each a name of its own") if taken && taken != material

        former = job.mesh.materials[material]
        materials =
          job.mesh.materials.dup.tap do |list|
            list[material] = Mesh::Material.new(name: name, color: former.color, image: former.image)
          end
        change(
          job.with(layout: job.layout.with_mesh(job.mesh.with(materials: materials))),
          "Material #{former.name} is now called #{name}"
        )
      end
    end
  end
end
