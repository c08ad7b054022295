# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says which places of islands must lie where on the sheet. They stay with the surface until they are fitted or changed.
    #
    # landmarks [Array<Hash>] each with to_px [Array(Float, Float)], and either triangle and shares as Fit::Landmark has them, or point [Integer] of the map,
    #   or island [Integer] and at_px [Array(Float, Float)] where the place lies now
    SetLandmarks = Struct.new(:landmarks, keyword_init: true) do
      def initialize(landmarks:)
        super
        freeze
      end

      def validate(job)
        return ["landmarks are no list"] unless landmarks.is_a?(Array)
        return ["#{landmarks.size} landmarks; at most #{SetLandmarks::MOST} are taken"] if landmarks.size > SetLandmarks::MOST

        landmarks.each_with_index.filter_map { |mark, i| problem(job, mark)&.then { |text| "landmark #{i + 1}: #{text}" } }.first(1)
      end

      def apply(job) = job.with(backdrop: job.backdrop.with(landmarks: landmarks.map { |mark| made(job, mark) }))

      def describe(job, after)
        count = after.backdrop.landmarks.size
        return "Landmarks cleared" if count.zero?

        more = count - job.backdrop.landmarks.size
        "#{Words.count(count, "landmark")}#{", #{more.positive? ? "one more" : "one fewer"}" if more.abs == 1}"
      end

      private

      def problem(job, mark)
        return "give to_px and where it is on the island" unless mark.is_a?(Hash)

        place(mark[:to_px], "to_px") || (mark.key?(:triangle) ? on_triangle(job, mark) : on_island(job, mark))
      end

      def place(value, what)
        "#{what} is #{value.inspect}; give two numbers" unless value.is_a?(Array) && value.size == 2 && value.all? { |part| part.is_a?(Numeric) && part.to_f.finite? }
      end

      def on_triangle(job, mark)
        count = job.layout.uv_map.triangles.count
        return "there is no triangle #{mark[:triangle].inspect}; the map has #{count}" unless mark[:triangle].is_a?(Integer) && mark[:triangle].between?(0, count - 1)

        shares = mark[:shares]
        "its shares are #{shares.inspect}; give three that add up to 1" unless shares.is_a?(Array) && shares.size == 3 && shares.all?(Numeric) && (shares.sum - 1).abs < 1e-6
      end

      def on_island(job, mark)
        return mark[:point].is_a?(Integer) && mark[:point].between?(0, job.layout.uv_map.point_count - 1) ? nil : "there is no corner #{mark[:point].inspect}" if mark.key?(:point)

        Checks.island(job, mark[:island]) || place(mark[:at_px], "at_px")
      end

      def made(job, mark)
        uv = job.sheet.px_to_uv.at(*mark[:to_px])
        return Fit::Landmark.new(triangle: mark[:triangle], shares: mark[:shares], to: uv) if mark.key?(:triangle)

        map = job.layout.uv_map
        island, at = mark.key?(:point) ? [map.point_islands[mark[:point]], job.layout.points_px[mark[:point], true].to_a] : mark.values_at(:island, :at_px)
        Fit::Landmark.at(job.layout, island, at, mark[:to_px])
      end
    end

    # As many as a job may have.
    class SetLandmarks
      MOST = 400
    end
  end
end
