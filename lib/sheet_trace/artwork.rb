# frozen_string_literal: true

require "vips"

module SheetTrace
  # Layers of paint and the sheet they make.
  module Artwork
    # How each kind of layer is baked. A new kind is a file with .call and a line here.
    LAYER_KINDS = Registry.new("layer kind", "skin" => "SheetTrace::Artwork::BakeSkin", "label" => "SheetTrace::Artwork::BakeLabel")
  end
end
