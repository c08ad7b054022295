# frozen_string_literal: true

require "cairo"

module SheetTrace
  # Drawings: what they are made of, and how Cairo draws them.
  module Drawing
    # Where the fonts lie that ship with the application.
    FONTS = File.expand_path("drawing/fonts", __dir__)
  end
end
