# frozen_string_literal: true

module SheetTrace
  class Job
    # The parts of the document. Keeping a job and giving it another map walk over this list, so that no part can be
    # forgotten. A part says:
    #   .default                    what a job has that says nothing of it
    #   .pack(value, packing)       plain values of JSON; big arrays go to packing.keep, which gives the name of a blob
    #   .unpack(plain, unpacking)   the value again
    #   .handed_on(value, carry)    the value on another map of the surface; what can't be kept is told to carry.drop
    # A new part is a file in parts/, its test, and a line here.
    module Parts
      # In the order in which they are read: a part may look at those above it.
      ALL = {
        source: Source,
        unit_mm: UnitMm,
        layout: Layout,
        given_names: GivenNames,
        given_tags: GivenTags,
        gutter_px: GutterPx,
        plan: Plan,
        fit_setup: FitSetup,
        drawn_seams: DrawnSeams,
        kept_maps: KeptMaps,
        painted_maps: PaintedMaps,
        palette: Palette,
        relief: Relief,
        mask: Mask,
        exported: Exported,
        fonts: Fonts,
        artwork: Artwork
      }.freeze
    end
  end
end
