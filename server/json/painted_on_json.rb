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
          present: [shape::FLAG, "islands lie so now"],
          fits: [shape::FLAG, "the picture has its proportions"]
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
        known = SheetTrace::Job::PaintedOn
        templates =
          known
            .layouts(job)
            .map do |code, layout|
              {
                **known.template(job, code).to_h.slice(:code, :width_px, :height_px, :at),
                present: code == job.layout_code,
                fits: known.fits?(layout, image.size)
              }
            end
        {
          **found.to_h,
          certainty: found.certainty.round(3),
          guide_px: known.guide_px(job, found.code, image),
          templates: templates
        }
      end
    end
  end
end
