# frozen_string_literal: true

module SheetTrace
  class Job
    # Puts the pictures that a model file names onto its materials, as skins: what was painted before is seen at once.
    module SkinsFromMaterials
      # @param job [Job]
      # @param pictures [Hash{String => Artwork::PictureFile}] by file name, of pictures that can be read
      # @return [Job]
      def self.call(job, pictures)
        materials = job.mesh.materials.each_with_index.select { |material, _index| pictures.key?(material.image) }
        alone =
          materials.map { |material, _index| material.image }.uniq.size == 1 &&
            materials.size == job.mesh.materials.size
        skins = alone ? [[materials.first[0], nil]] : materials
        stack =
          skins.reduce(job.artwork) do |layers, (material, index)|
            layers.add(
              name: File.basename(material.image, ".*"),
              content: Artwork::Contents::Picture.new(picture: pictures.fetch(material.image)),
              place: Artwork::Places::OnSheet.new,
              look: Artwork::Look.new(mask: Artwork::Mask.new(materials: index && [index]))
            )
          end
        job.with(artwork: stack)
      end
    end
  end
end
