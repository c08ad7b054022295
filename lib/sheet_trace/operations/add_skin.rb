# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays a picture over the whole sheet, above the other layers.
    #
    # id [String] of the new layer; picture [String] digest; name [String]
    # material [Integer, nil] the one it shows on; all if nil
    AddSkin = Struct.new(:id, :picture, :name, :material, keyword_init: true) do
      def initialize(id:, picture:, name:, material: nil)
        super
        freeze
      end

      def validate(job) = [Checks.text(name, "the layer's name", 200), material && Checks.entry(material, job.mesh.materials, "material")].compact

      def apply(job)
        layer = Artwork::Layer.new(id: id, kind: "skin", name: name, picture: picture, material: material)
        job.with(edition: job.edition.with(layers: job.edition.layers + [layer]))
      end

      def describe(_job, after) = "#{name} laid over the sheet, #{after.sheet}"
    end
  end
end
