# frozen_string_literal: true

module SheetTrace
  module Trace
    # A template that was exported. Immutable.
    #
    # code [String] of the layout that it was made from; width_px, height_px [Integer]
    # format [String] its file's ending; at [String] when, ISO 8601
    Exported =
      Struct.new(:code, :width_px, :height_px, :format, :at, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end
      end
  end
end
