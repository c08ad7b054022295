# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives a material a name of the painter's own.
    #
    # material [Integer]; name [String] 1 to 80 characters
    RenameMaterial = Struct.new(:material, :name, keyword_init: true) do
      def initialize(material:, name:)
        super
        freeze
      end

      def validate(job)
        [Checks.entry(material, job.mesh.materials, "material"), Checks.text(name, "the name"), Checks.taken(name, job.mesh.material_names, material, "material")].compact
      end

      def apply(job)
        former = job.mesh.materials[material]
        materials = job.mesh.materials.dup.tap { |list| list[material] = Mesh::Material.new(name: name.strip, color: former.color, image: former.image) }
        job.with(layout: job.layout.with_mesh(job.mesh.with(materials: materials)))
      end

      def describe(job, _after) = "Material #{job.mesh.material_names[material]} is now called #{name.strip}"
    end
  end
end
