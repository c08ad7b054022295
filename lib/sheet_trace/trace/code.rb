# frozen_string_literal: true

require "digest"

module SheetTrace
  module Trace
    # A short code of a layout: the same wherever the same surface lies in the same way on a sheet of the same
    # proportions, and another as soon as anything of it moves.
    module Code
      # Letters that are not taken for digits or for each other: Crockford's base 32.
      # Source: Crockford, "Base 32", 2002.
      LETTERS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ"
      LENGTH = 8
      # Parts of the sheet that places are told to.
      STEPS = 1_000_000
      private_constant :LETTERS, :LENGTH, :STEPS

      # @param layout [Layout]
      # @return [String] such as "7KQ2-M9TX"
      def self.call(layout)
        map = layout.uv_map
        digest =
          Digest::SHA256.digest(
            Numo::Int32.cast((layout.points_uv * STEPS).round).to_binary + map.corner_points.to_binary +
              layout.sheet.width_px.fdiv(layout.sheet.height_px).round(6).to_s
          )
        digest
          .unpack1("B*")
          .scan(/.{5}/)
          .first(LENGTH)
          .map { |bits| LETTERS[bits.to_i(2)] }
          .join
          .insert(LENGTH / 2, "-")
      end
    end
  end
end
