# frozen_string_literal: true

module SheetTrace
  module Trace
    # What marks of a template tell beside its layout.
    #
    # names [Array<String>] of all islands; title [String] of the job; code [String] of the layout
    # px_per_mm [Float, nil] at the layout's own size, where it is one
    # measures [Array<Layout::MeasureIslands::Measure>] of all islands
    Facts =
      Struct.new(:names, :title, :code, :px_per_mm, :measures, keyword_init: true) do
        # @param layout [Layout] of which nothing else is known
        # @return [Facts]
        def self.of_layout(layout, unit_mm: 1.0)
          new(
            names: layout.uv_map.island_names,
            title: "",
            code: Code.call(layout),
            measures: Layout::MeasureIslands.call(layout, unit_mm: unit_mm)
          )
        end
      end
  end
end
