# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says what the mask that is delivered beside the texture is made of. What is nil stays as it is.
    class SetMask < Operation
      Artwork::MaskPicture.parameters.each_value do |own|
        parameter own.name, own.type, own.note, label: own.label, optional: true
      end
      flag :all_layers, "of all layers again", default: false
      flag :none, "takes the mask away", default: false

      def call(job)
        return change(job.with(mask: nil), "Mask taken away") if none

        said = to_h.except(:none, :all_layers).compact
        said[:layers] = nil if all_layers
        mask = Artwork::MaskPicture.new(**(job.mask || Artwork::MaskPicture.new).to_h, **said)
        mask = mask.validated(References::Context.new(job: job))
        change(job.with(mask: mask), "Mask #{mask.to_words}")
      end
    end
  end
end
