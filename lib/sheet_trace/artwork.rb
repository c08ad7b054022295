# frozen_string_literal: true

require "vips"

module SheetTrace
  # Layers of paint and the sheet they make. A layer is content (what colour), place (where) and look (how it is laid
  # over what is below).
  module Artwork
    # What a layer may show. A new content is a file in contents/, its test, and a line here.
    CONTENTS =
      Registry.new(
        "content",
        "picture" => "SheetTrace::Artwork::Contents::Picture",
        "fill" => "SheetTrace::Artwork::Contents::Fill",
        "gradient" => "SheetTrace::Artwork::Contents::Gradient",
        "same" => "SheetTrace::Artwork::Contents::Same",
        "lettering" => "SheetTrace::Artwork::Contents::Lettering",
        "guide" => "SheetTrace::Artwork::Contents::Guide",
        "seam_blend" => "SheetTrace::Artwork::Contents::SeamBlend",
        "merged" => "SheetTrace::Artwork::Contents::Merged"
      )
    # Where a layer may lie. A new place is a file in places/, its test, and a line here.
    PLACES =
      Registry.new(
        "place",
        "sheet" => "SheetTrace::Artwork::Places::OnSheet",
        "island" => "SheetTrace::Artwork::Places::OnIsland",
        "surface" => "SheetTrace::Artwork::Places::OnSurface",
        "level" => "SheetTrace::Artwork::Places::AtLevel",
        "path" => "SheetTrace::Artwork::Places::AlongPath",
        "model" => "SheetTrace::Artwork::Places::OnModel",
        "side" => "SheetTrace::Artwork::Places::FromSide"
      )
  end
end
