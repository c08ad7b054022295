# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands to where their landmarks say, twins that lie on them along.
    #
    # islands [Array<Integer>] moved as one; those that have landmarks if nil
    # kind [String] of Fit::PointPairs::KINDS; rules [Array<String>] of Fit::PointPairs::RULES; mirrored [Boolean, nil]
    FitLandmarks = Struct.new(:islands, :kind, :rules, :mirrored, keyword_init: true) do
      def initialize(islands: nil, kind: "similarity", rules: [], mirrored: false)
        super
        freeze
      end

      def validate(job)
        problem = (islands && Checks.islands(job, islands)) || Checks.one_of(kind, "kind", Fit::PointPairs::KINDS.keys)
        return [problem] if problem
        return ["rules are #{rules.inspect}; give #{Fit::PointPairs::RULES.join(", ")}"] unless rules.is_a?(Array) && (rules - Fit::PointPairs::RULES).empty?

        marks = landmarks(job)
        return ["these islands have no landmarks; set some first"] if marks.empty?

        least = Fit::PointPairs::KINDS.fetch(kind)
        marks.size < least ? ["#{Words.count(marks.size, "landmark")}; #{kind} takes #{least} and more"] : []
      end

      def apply(job)
        fitted = fitted(job)
        return job.with(layout: job.layout.place(Layout::Stacks.of(job.layout, moved(job)).flatten, fitted.plane)) if fitted.plane

        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(fitted.points_px))
      end

      # @return [Fit::FitLandmarks::Fitted]
      def fitted(job) = Fit::FitLandmarks.call(job.layout, moved(job), landmarks(job), kind: kind, rules: rules, mirrored: mirrored)

      def describe(job, after)
        fitted = fitted(job)
        stretch = [job, after].map { |one| one.measures.values_at(*moved(job)).map { |measure| measure.stretch_mean || Float::INFINITY }.max }
        "#{Words.islands(job, moved(job))} fitted by #{Words.count(fitted.residuals_px.size, "landmark")} (#{kind}): off by #{Words.px(fitted.residuals_px.max)} at the most, " \
          "mean stretch #{stretch.map { |value| format("%.3f", value) }.join(" -> ")}#{", #{Words.count(fitted.turned, "triangle")} turned over" if fitted.turned.positive?}"
      end

      private

      def moved(job) = islands || job.backdrop.landmarks.map { |mark| mark.island(job.layout.uv_map) }.uniq

      def landmarks(job) = job.backdrop.landmarks.select { |mark| moved(job).include?(mark.island(job.layout.uv_map)) }
    end
  end
end
