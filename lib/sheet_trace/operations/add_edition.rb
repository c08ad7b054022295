# frozen_string_literal: true

module SheetTrace
  module Operations
    # Adds an edition to the stack of layers, and shows it. It replaces nothing as yet, or what another replaces.
    class AddEdition < Operation
      text :name
      edition :like, "whose replacements it starts with; none if nil", optional: true

      def call(job)
        stack = job.artwork
        if stack.editions.any? { |edition| edition.name == name }
          refuse("another edition is called #{name.inspect}; give each a name of its own")
        end

        added = Artwork::Edition.new(name: name, replaced: like ? stack.editions[like].replaced : {})
        change(
          job.with(artwork: stack.with(editions: stack.editions + [added], shown: stack.editions.size)),
          "Edition #{name} added and shown"
        )
      end
    end
  end
end
