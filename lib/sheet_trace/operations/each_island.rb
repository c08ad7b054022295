# frozen_string_literal: true

module SheetTrace
  module Operations
    # One change for each of several islands, about its own centre.
    module EachIsland
      # @param job [Job]
      # @param islands [Array<Integer>]
      # @yieldparam island [Integer]
      # @yieldreturn [Geometry::Affine] px, about the island's centre
      # @return [Layout]
      def self.place(job, islands)
        islands.reduce(job.layout) do |layout, island|
          layout.place([island], (yield island).about(*job.layout.centre_px([island])))
        end
      end

      # The same; an island that comes to lie on another, or off the sheet, goes on to a free place.
      def self.to_free_places(job, islands, &)
        Layout::MoveToFreePlaces.call(place(job, islands, &), islands, gutter_px: job.gutter_px)
      end
    end
  end
end
