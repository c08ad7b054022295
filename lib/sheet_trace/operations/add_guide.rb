# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays the trace over the art as a guide: it darkens what is below it, is locked, follows the layout, and is in
    # nothing that is delivered.
    class AddGuide < Operation
      color :color, "of the lines", default: "#1f2a36"
      number :line_px, 1.0..64.0, label: "line width", default: 1.0
      one_of :edges, %w[all outline], "outline: the islands' borders only", default: "all"
      fact :layer, Parameters::Text.new(80)

      def call(job)
        former = job.artwork.layers.find { |layer| layer.content.guide? }
        refuse("#{former.name} is a guide already; change that") if former

        content = Artwork::Contents::Guide.new(color: color, line_px: line_px.to_f, edges: edges)
        look = Artwork::Look.new(blend: "multiply", locked: true)
        stack = job.artwork.add(name: content.title, content: content, place: Artwork::Places::OnSheet.new, look: look)
        change(
          job.with(artwork: stack),
          "The trace laid over the art as a guide; it is not delivered",
          layer: stack.layers.last.id
        )
      end
    end
  end
end
