# frozen_string_literal: true

module SheetTrace
  # From surface to plane.
  module Flatten
  end
end
