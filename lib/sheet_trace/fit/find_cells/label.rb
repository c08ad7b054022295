# frozen_string_literal: true

require "vips"

module SheetTrace
  module Fit
    module FindCells
      # Numbers connected px of one value. Through libvips.
      module Label
        # @param values [Numo::NArray] h x w, whole numbers
        # @return [Numo::Int32] h x w, from 0
        def self.call(values)
          height, width = values.shape
          image = Vips::Image.new_from_memory_copy(Numo::Int32.cast(values).to_binary, width, height, 1, :int)
          Numo::Int32.from_binary(image.labelregions.cast(:int).write_to_memory).reshape(height, width)
        end
      end
    end
  end
end
