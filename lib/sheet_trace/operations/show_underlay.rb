# frozen_string_literal: true

module SheetTrace
  module Operations
    # Swaps the underlay, or clears it.
    class ShowUnderlay < Operation
      underlay :index, "none if nil", optional: true
      one_of :how,
             %w[stretch keep_scale follow_cells],
             "stretch: the whole picture over the whole sheet; keep_scale: as many px of the sheet to a px of the " \
               "picture as the one shown before has, the rest is " \
               "cut; follow_cells: stretched, and islands go from cells of the former picture to the same of this one",
             default: "stretch"
      flag :resize, "whether the sheet takes the picture's size", default: false
      one_of :keep,
             %w[shape uv],
             "what islands keep then: shape: their own; uv: their places on the picture, so that they are stretched " \
               "where its proportions are others than the sheet's",
             default: "uv"

      # @param size_px [Array(Integer, Integer)] that the sheet shall have
      # @param keep [String] what islands keep
      # @return [Layout]
      # @raise [InputError] if no sheet can be as large
      def self.resized(job, size_px, keep)
        job.layout.resize(Layout::Sheet.new(width_px: size_px[0], height_px: size_px[1]), keep: keep)
      rescue InputError => e
        raise InputError, "the sheet can't be as large as the picture: #{e.message}"
      end

      def call(job)
        setup = job.fit_setup
        return change(job.with(fit_setup: setup.with(shown: nil)), "Underlay cleared") if index.nil?

        underlay = Fit::Swap.with_cells(setup.underlay, setup.underlays[index])
        refuse("#{underlay.name} is a reference, which is only looked at") if underlay.reference
        followers = how == "follow_cells" ? Fit::Swap.followers(job.layout, setup.underlay, underlay) : []
        if how == "follow_cells" && followers.empty?
          refuse("no island lies in a cell of which #{underlay.name} has the same")
        end

        placed =
          underlay.with(
            box: how == "keep_scale" ? Fit::Swap.kept_box(former(job), underlay, job.sheet) : [0.0, 0.0, 1.0, 1.0]
          )
        layout = resize ? ShowUnderlay.resized(job, underlay.size_px, keep) : job.layout
        after =
          job.with(
            layout: followed(layout, setup.underlay, placed, followers),
            fit_setup: setup.replace(index, placed).with(shown: index)
          )
        resized = resize ? Phrases.resized(job, after, keep) : ""
        change(
          after,
          "#{underlay.name} shown, #{underlay.size_px.join(" x ")} px#{how_words(after, followers)}#{resized}"
        )
      end

      private

      # Shown anew, a picture goes by its own px.
      def former(job) = job.fit_setup.shown == index ? nil : job.fit_setup.underlay

      def how_words(after, followers)
        case how
        when "stretch"
          Phrases.stretched(after)
        when "keep_scale"
          lost(after)
        else
          ", #{Phrases.count(followers.size, "island")} gone along to the same cells"
        end
      end

      def lost(after)
        share = Fit::Swap.lost(after.fit_setup.underlay)
        if share < 0.0005
          ", at its own scale, nothing of it lost"
        else
          ", at its own scale: #{Phrases.short(share * 100)} % of it lies beside the sheet"
        end
      end

      # @param followers [Array<Array(Integer, Fit::Cell, Fit::Cell)>] island, its cell and the same of the other
      #   picture
      def followed(layout, former, placed, followers)
        followers.reduce(layout) do |so_far, (island, from, to)|
          before, now = [[former, from], [placed, to]].map { |underlay, cell| underlay.box_px(cell, layout.sheet) }
          so_far.place([island], Fit::IntoCell.box_to_box(before, now))
        end
      end
    end
  end
end
