# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives a part a name of the painter's own.
    #
    # part [Integer]; name [String] 1 to 80 characters
    RenamePart = Struct.new(:part, :name, keyword_init: true) do
      def initialize(part:, name:)
        super
        freeze
      end

      def validate(job) = [Checks.entry(part, job.mesh.parts, "part"), Checks.text(name, "the name"), Checks.taken(name, job.mesh.parts, part, "part")].compact

      def apply(job)
        parts = job.mesh.parts.dup.tap { |names| names[part] = name.strip }
        job.with(layout: job.layout.with_mesh(job.mesh.with(parts: parts)))
      end

      def describe(job, _after) = "Part #{job.mesh.parts[part]} is now called #{name.strip}"
    end
  end
end
