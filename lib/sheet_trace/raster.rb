# frozen_string_literal: true

module SheetTrace
  # The pixel grid: which texel of a sheet lies on which triangle.
  module Raster
  end
end
