# frozen_string_literal: true

module SheetTrace
  module Operations
    # Numbers and names as history sentences write them.
    module Phrases
      module_function

      def px(value) = "#{short(value)} px"
      def mm(value) = "#{short(value)} mm"
      def degrees(rad) = "#{short(rad * 180 / Math::PI)}°"
      def size_px(size) = "#{short(size[0])} x #{short(size[1])} px"

      # At most two decimals, none where they are 0.
      def short(value) = format("%.2f", value + 0.0).sub(/\.?0+\z/, "").sub(/\A-0\z/, "0")

      # @param singular [String] what is counted, if there is one of it
      def count(number, singular) = "#{number} #{singular}#{"s" unless number == 1}"

      # @return [String] a figure before and after, such as "1.250 -> 1.000"
      def from_to(values) = values.map { |value| value.finite? ? format("%.3f", value) : "endless" }.join(" -> ")

      # @return [String] the density of the whole before and after
      def densities(before, after) = "#{short(before.density_px_per_mm)} -> #{short(after.density_px_per_mm)} px/mm"

      # @param after [Job] with an underlay shown
      # @return [String] how much its px are stretched, where they are
      def stretched(after)
        ratio = Fit::Swap.stretch(after.fit_setup.underlay, after.sheet)
        return "" if (ratio - 1).abs < 0.0005

        ", stretched #{ratio > 1 ? "across" : "down"} by #{short(([ratio, 1 / ratio].max - 1) * 100)} %"
      end

      # @param keep [String] what islands kept as the sheet took another size: shape or uv
      # @return [String] what that did to them, where proportions changed
      def resized(before, after, keep)
        ratio = [before, after].map { |job| job.sheet.width_px.fdiv(job.sheet.height_px) }.reduce(:/)
        return ", the sheet as large" if (ratio - 1).abs < 0.0005

        ", the sheet as large: islands #{keep == "uv" ? "are stretched along" : "keep their shape"}"
      end

      def islands(job, indices)
        names = job.island_names.values_at(*indices)
        names.size > 2 ? "#{names.size} islands" : names.join(" and ")
      end
    end
  end
end
