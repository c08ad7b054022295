# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says which places of islands must lie where on the sheet. They stay with the surface until they are fitted or
    # changed.
    class SetLandmarks < Operation
      # As many as a job may have.
      MOST = 400

      list :landmarks,
           record {
             numbers :to_px, 2, Parameters::Numbers::WIDE, "where it must lie", label: "to_px"
             one_of :hold, Layout::PixelHold::NAMES, "of pixels that to_px is brought to", optional: true
             whole :triangle, 0..100_000_000, "of the map, with shares: its place on the surface", optional: true
             numbers :shares, 3, Parameters::Numbers::WIDE, "barycentric, adding up to 1", optional: true
             parameter :point, References::Element.new("points"), "of the map, instead of a triangle", optional: true
             island :island, "with at_px, instead of a triangle", optional: true
             numbers :at_px, 2, Parameters::Numbers::WIDE, "where the place lies now", label: "at_px", optional: true
           },
           sizes: 0..MOST,
           entry: "landmark"

      def call(job)
        marks =
          landmarks.each_with_index.map do |mark, number|
            landmark(job, mark.merge(to_px: mark[:to_px].map { |px| Layout::PixelHold.call(px, mark[:hold]) }))
          rescue InputError => e
            refuse("landmark #{number + 1}: #{e.message}")
          end
        change(
          job.with(fit_setup: job.fit_setup.with(landmarks: marks)),
          sentence(marks.size, marks.size - job.fit_setup.landmarks.size)
        )
      end

      private

      def sentence(count, more)
        return "Landmarks cleared" if count.zero?

        "#{Phrases.count(count, "landmark")}#{", #{more.positive? ? "one more" : "one fewer"}" if more.abs == 1}"
      end

      def landmark(job, mark)
        return on_triangle(job, mark) if mark[:triangle]

        map = job.layout.uv_map
        if mark[:point]
          Fit::Landmark.at(
            job.layout,
            map.point_islands[mark[:point]],
            job.layout.points_px[mark[:point], true].to_a,
            mark[:to_px]
          )
        else
          refuse("give triangle and shares, point, or island and at_px") unless mark[:island]
          refuse("at_px is nil; give #{Parameters::Numbers.new(2).to_text}") unless mark[:at_px]

          Fit::Landmark.at(job.layout, mark[:island], mark[:at_px], mark[:to_px])
        end
      end

      def on_triangle(job, mark)
        count = job.layout.uv_map.triangles.count
        refuse("there is no triangle #{mark[:triangle]}; the map has #{count}") if mark[:triangle] >= count
        unless mark[:shares] && (mark[:shares].sum - 1).abs < 1e-6
          refuse("its shares are #{mark[:shares].inspect}; give three that add up to 1")
        end

        Fit::Landmark.new(triangle: mark[:triangle], shares: mark[:shares], to: job.sheet.px_to_uv.at(*mark[:to_px]))
      end
    end
  end
end
