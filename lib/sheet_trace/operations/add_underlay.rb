# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays a picture under the islands, stretched over the sheet; or adds it as a reference, which is only looked at.
    class AddUnderlay < Operation
      # How many pictures a job may have under its islands.
      MOST = 100

      picture
      text :name, "that of the picture's file if nil", label: "the underlay's name", optional: true
      flag :reference, default: false
      flag :resize, "whether the sheet takes the picture's size", default: false
      one_of :keep,
             %w[shape uv],
             "what islands keep then: shape: their own; uv: their places on the picture, so that the map is untouched, " \
               "and they are stretched where its proportions are others than the sheet's",
             default: "uv"

      def call(job)
        setup = job.fit_setup
        refuse("there are #{MOST} underlays; remove one first") if setup.underlays.size >= MOST

        underlay =
          Fit::Underlay.new(
            name: name || picture.name[0, 80],
            picture: picture.digest,
            picture_px: picture.size_px,
            reference: reference
          )
        underlay = Fit::Swap.with_cells(setup.underlay, underlay) unless reference
        added =
          job.with(
            fit_setup:
              setup.with(underlays: setup.underlays + [underlay], shown: reference ? setup.shown : setup.underlays.size)
          )
        after = resize ? added.with(layout: ShowUnderlay.resized(job, picture.size_px, keep)) : added
        change(after, reference ? "#{underlay.name} added as a reference" : sentence(job, after, underlay))
      end

      private

      def cells(underlay)
        underlay.cells.empty? ? "" : ", with the #{Phrases.count(underlay.cells.size, "cell")} of the one before"
      end

      def sentence(before, after, underlay)
        resized = resize ? Phrases.resized(before, after, keep) : ""
        "#{underlay.name} laid under the islands, #{picture.size_px.join(" x ")} " \
          "px#{Phrases.stretched(after)}#{resized}#{cells(underlay)}"
      end
    end
  end
end
