# frozen_string_literal: true

require "cairo"
require "vips"

module SheetTrace
  # Line work on a plane in px, drawn with Cairo.
  module Drawing
  end
end
