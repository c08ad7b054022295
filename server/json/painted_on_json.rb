# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The template that a picture was painted over, and those that it may have been.
    module PaintedOnJson
      shape = Shape
      TEMPLATE =
        Shape::Record.new(
          "ExportedTemplate",
          code: shape::TEXT,
          width_px: shape::NUMBER,
          height_px: shape::NUMBER,
          at: [shape::TEXT, "ISO 8601"],
          present: [shape::FLAG, "islands lie so now"]
        )
      SHAPE =
        Shape::Record.new(
          "PaintedOn",
          code: [shape::TEXT.or_null, "of the layout; null where it can't be told"],
          certainty: [shape::NUMBER, "0 to 1"],
          by: shape.one_of("code", "lines").or_null,
          guide_px: [shape::NUMBER, "width of the template's lines, where they were left in; else 0"],
          templates: [TEMPLATE.list, "the last one first"]
        )
      SHAPES = [TEMPLATE, SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @param found [SheetTrace::Trace::Recognise::Found]
      # @param image [Vips::Image] the picture
      # @return [Hash]
      def self.call(job, found, image)
        templates =
          SheetTrace::Job::PaintedOn
            .exported(job)
            .map do |code|
              last = job.exported.reverse.find { |template| template.code == code }
              { **last.to_h.slice(:code, :width_px, :height_px, :at), present: code == job.layout_code }
            end
        {
          **found.to_h,
          certainty: found.certainty.round(3),
          guide_px: guide_px(job, found, image),
          templates: templates
        }
      end

      def self.guide_px(job, found, image)
        layout = found.code && SheetTrace::Job::PaintedOn.layouts(job)[found.code]
        return 0 unless layout && SheetTrace::Trace::GuideLeft.call(image, layout)

        template = job.exported.reverse.find { |own| own.code == found.code }
        [image.width.fdiv(template.width_px), 1].max.round(2)
      end
      private_class_method :guide_px
    end
  end
end
