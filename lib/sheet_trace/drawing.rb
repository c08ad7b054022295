# frozen_string_literal: true

# What cairo takes for its colours reads maps of colours for charts, too: 0.7 s at each start for what nothing uses.
colors = Gem.loaded_specs.fetch("red-colors").full_require_paths.first
$LOADED_FEATURES << File.join(colors, "colors/colormap_data.rb")
require "cairo"

module SheetTrace
  # Drawings: what they are made of, and how Cairo draws them.
  module Drawing
    # Where the fonts lie that ship with the application.
    FONTS = File.expand_path("drawing/fonts", __dir__)
  end
end
