# frozen_string_literal: true

module SheetTrace
  class Job
    # Puts the pictures that a model file names onto its materials, as skins: what was painted before is seen at once.
    module Dress
      # @param job [Job]
      # @param pictures [Hash{String => String}] file name => digest, of pictures that can be read
      # @return [Job]
      def self.call(job, pictures)
        materials = job.mesh.materials.each_with_index.select { |material, _i| pictures.key?(material.image) }
        alone = materials.map { |material, _i| material.image }.uniq.size == 1 && materials.size == job.mesh.materials.size
        skins = alone ? [[materials.first[0], nil]] : materials
        layers = skins.map do |material, index|
          Artwork::Layer.new(id: "skin-#{index || "all"}", kind: "skin", name: File.basename(material.image, ".*"), picture: pictures.fetch(material.image),
                             material: index)
        end
        job.with(edition: job.edition.with(layers: job.edition.layers + layers))
      end
    end
  end
end
