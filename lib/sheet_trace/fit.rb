# frozen_string_literal: true

module SheetTrace
  # Fits a layout to an image that already exists: its cells, and places of it that islands must lie on.
  module Fit
  end
end
