# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives a part a name of the painter's own.
    class RenamePart < Operation
      part
      text :name

      def call(job)
        taken = job.mesh.parts.index(name)
        refuse("another part is called #{name.inspect}; give each a name of its own") if taken && taken != part

        parts = job.mesh.parts.dup.tap { |names| names[part] = name }
        change(
          job.with(layout: job.layout.with_mesh(job.mesh.with(parts: parts))),
          "Part #{job.mesh.parts[part]} is now called #{name}"
        )
      end
    end
  end
end
