# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands to where their landmarks say, twins that lie on them along.
    class FitLandmarks < Operation
      islands :islands, "moved as one; those that have landmarks if nil", optional: true
      one_of :kind, Fit::PointPairs::KINDS.keys, "what may be changed of them", default: "similarity"
      list :rules, Parameters::OneOf.new(Fit::PointPairs::RULES), "what must hold", default: [], entry: "rules"
      flag :mirrored, "whether they may be turned over; as it fits better if nil", optional: true, default: false
      fact :residuals_px, Parameters::ListOf.new(Parameters::Number.new(0..1e9))
      fact :turned_triangles, Parameters::Whole.new(0..1_000_000_000)

      def call(job)
        map = job.layout.uv_map
        moved = islands || job.fit_setup.landmarks.map { |mark| mark.island(map) }.uniq
        marks = job.fit_setup.landmarks.select { |mark| moved.include?(mark.island(map)) }
        refuse("these islands have no landmarks; set some first") if marks.empty?

        least = Fit::PointPairs::KINDS.fetch(kind)
        refuse("#{Phrases.count(marks.size, "landmark")}; #{kind} takes #{least} and more") if marks.size < least

        fitted = Fit::FitLandmarks.call(job.layout, moved, marks, kind: kind, rules: rules, mirrored: mirrored)
        after = fitted(job, moved, fitted)
        change(
          after,
          sentence(job, after, moved, fitted),
          residuals_px: fitted.residuals_px,
          turned_triangles: fitted.turned
        )
      end

      private

      def fitted(job, moved, fitted)
        if fitted.plane
          return job.with(layout: job.layout.place(Layout::Stacks.of(job.layout, moved).flatten, fitted.plane))
        end

        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(fitted.points_px))
      end

      def sentence(job, after, moved, fitted)
        "#{Phrases.islands(job, moved)} fitted by #{Phrases.count(fitted.residuals_px.size, "landmark")} (#{kind}): " \
          "off by #{Phrases.px(fitted.residuals_px.max)} at the most, " \
          "mean stretch #{Phrases.from_to(stretches(job, after, moved, :stretch_mean))}" \
          "#{", #{Phrases.count(fitted.turned, "triangle")} turned over" if fitted.turned.positive?}"
      end
    end
  end
end
