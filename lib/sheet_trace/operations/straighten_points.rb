# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings corners of the sheet map onto one straight line: that of the two that are farthest apart, or a level or an
    # upright one through their middle.
    class StraightenPoints < Operation
      WORDS = { "line" => "a straight line", "level" => "a level line", "upright" => "an upright line" }.freeze
      private_constant :WORDS

      points :points, "of the sheet map, three or more for a line of their own, two or more else"
      one_of :onto, %w[line level upright], default: "line"

      def call(job)
        least = onto == "line" ? 3 : 2
        refuse("only #{Phrases.count(points.size, "corner")} given; give #{least} or more") if points.size < least

        places = job.layout.points_px[points, true]
        straight = onto == "line" ? on_line(places) : on_axis(places)
        uv = job.layout.points_uv.copy
        uv[points, true] = job.sheet.px_to_uv.apply(straight)
        names = Phrases.islands(job, job.layout.uv_map.point_islands[points].to_a.uniq)
        moved = Math.sqrt(((straight - places)**2).sum(axis: 1).max)
        change(
          Job::Remap.reshaped(job, uv),
          "#{names}: #{Phrases.count(points.size, "corner")} brought onto #{WORDS.fetch(onto)}, by #{Phrases.px(moved)} " \
            "at the most"
        )
      end

      private

      # Each at the foot of its perpendicular: the ends stay, and the order along the line too.
      def on_line(places)
        from, to = farthest(places)
        along = to - from
        length = (along**2).sum
        refuse("the corners all lie in one place") if length.zero?

        shares = (places - from).dot(along) / length
        from + (shares.expand_dims(1) * along)
      end

      def on_axis(places)
        axis = onto == "level" ? 1 : 0
        straight = places.copy
        straight[true, axis] = (places[true, axis].max + places[true, axis].min) / 2
        straight
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] the one farthest from the middle, and the one farthest from that
      def farthest(places)
        from = places[farthest_from(places.mean(axis: 0), places), true]
        [from, places[farthest_from(from, places), true]]
      end

      def farthest_from(place, places) = ((places - place)**2).sum(axis: 1).max_index
    end
  end
end
