# frozen_string_literal: true

module SheetTrace
  module Operations
    # Swaps the underlay, or clears it.
    #
    # index [Integer, nil] none if nil
    # how [String] "stretch": the whole picture over the whole sheet; "keep_scale": as many px of the sheet to a px of the picture as the one shown
    #   before has, the rest is cut; "follow_cells": stretched, and islands go from cells of the former picture to the same of this one
    # resize [Boolean] whether the sheet takes the picture's size; the islands are stretched along
    ShowUnderlay = Struct.new(:index, :how, :resize, keyword_init: true) do
      def initialize(index:, how: "stretch", resize: false)
        super
        freeze
      end

      def validate(job)
        return [] if index.nil?

        problem = Checks.entry(index, job.backdrop.underlays, "underlay") || Checks.one_of(how, "how", %w[stretch keep_scale follow_cells]) || Checks.flag(resize, "resize")
        return [problem] if problem
        return ["#{underlay(job).name} is a reference, which is only looked at"] if underlay(job).reference

        if how == "follow_cells" && followers(job).empty?
          ["no island lies in a cell of which #{underlay(job).name} has the same"]
        else
          [*(resize ? Checks.sheet(underlay(job).size_px) : [])]
        end
      end

      def apply(job)
        return job.with(backdrop: job.backdrop.with(shown: nil)) if index.nil?

        layout = resize ? job.layout.resize(Layout::Sheet.new(width_px: underlay(job).size_px[0], height_px: underlay(job).size_px[1])) : job.layout
        placed = underlay(job).with(box: how == "keep_scale" ? Fit::Swap.kept_box(former(job), underlay(job), job.sheet) : [0.0, 0.0, 1.0, 1.0])
        after = job.with(layout: layout, backdrop: job.backdrop.replace(index, placed).with(shown: index))
        how == "follow_cells" ? after.with(layout: followed(job, after, placed)) : after
      end

      def describe(job, after)
        return "Underlay cleared" if index.nil?

        told = { "stretch" => Words.stretched(after), "keep_scale" => lost(after),
                 "follow_cells" => ", #{Words.count(followers(job).size, "island")} gone along to the same cells" }
        "#{underlay(job).name} shown, #{underlay(job).size_px.join(" x ")} px#{told.fetch(how)}"
      end

      private

      def underlay(job) = job.backdrop.underlays[index]

      # Shown anew, a picture goes by its own px.
      def former(job) = job.backdrop.shown == index ? nil : job.backdrop.underlay

      def lost(after)
        share = Fit::Swap.lost(after.backdrop.underlay)
        share < 0.0005 ? ", at its own scale, nothing of it lost" : ", at its own scale: #{Words.short(share * 100)} % of it lies beside the sheet"
      end

      # @return [Array<Array(Integer, Fit::Cell, Fit::Cell)>] island, its cell and the same of the other picture
      def followers(job) = Fit::Swap.followers(job.layout, job.backdrop.underlay, underlay(job))

      def followed(job, after, placed)
        followers(job).reduce(after.layout) do |layout, (island, from, to)|
          before, now = [[job.backdrop.underlay, from], [placed, to]].map { |one, cell| one.box_px(cell, after.sheet) }
          layout.place([island], Fit::IntoCell.box_to_box(before, now))
        end
      end
    end
  end
end
