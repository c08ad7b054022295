# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # One line about the template, in free room at the foot of the sheet: job, size, density, code of the layout.
      module Title
        SIZE = 0.014 # of the sheet's longer side
        APART = "  "
        private_constant :SIZE, :APART

        # @param subject [Subject]
        # @return [Array<Drawing::Words>]
        def self.call(subject)
          text = text(subject)
          width = Drawing::Words.width(text)
          longest = [subject.size.width_px, subject.size.height_px].max
          least = Marks.least_px(subject) * 1.3
          size = [least, SIZE * longest].max.clamp(0, (subject.size.width_px - 4) / width)
          box = [width * size, size * Drawing::Words::LINE]
          corner = [2.0, subject.size.height_px - box[1] - 2]
          middle = (subject.room(*box, near: corner) || corner).zip(box).map { |from, side| from + (side / 2) }
          [Drawing::Words.new(text: text, x: middle[0], y: middle[1], size_px: size, **Marks.written(subject))]
        end

        def self.text(subject)
          facts = subject.facts
          px_per_mm = facts.px_per_mm && (facts.px_per_mm * Math.sqrt(subject.scale.reduce(:*)))
          density = px_per_mm && "#{format("%.2f", px_per_mm).sub(/\.?0+\z/, "")} px/mm"
          [facts.title, subject.size.to_s, density, facts.code].compact.reject(&:empty?).join(APART)
        end
        private_class_method :text
      end
    end
  end
end
