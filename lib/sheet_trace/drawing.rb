# frozen_string_literal: true

module SheetTrace
  # Line work on a plane in px, drawn with Cairo.
  module Drawing
  end
end
