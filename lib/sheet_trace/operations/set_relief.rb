# frozen_string_literal: true

module SheetTrace
  module Operations
    # Raises the art: heights are read off its colours, for a height map and a normal map. What is nil stays as it is.
    class SetRelief < Operation
      Artwork::Relief.parameters.each_value do |own|
        parameter own.name, own.type, own.note, label: own.label, optional: true
      end
      flag :flat, "takes the relief away", default: false

      def call(job)
        return change(job.with(relief: nil), "Relief taken away") if flat

        said = to_h.except(:flat).compact
        relief = Artwork::Relief.new(**(job.relief || Artwork::Relief.new).to_h, **said)
        relief = relief.validated(References::Context.new(job: job))
        change(job.with(relief: relief), "Relief #{relief.to_words}")
      end
    end
  end
end
