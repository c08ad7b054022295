# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes what editions replace from a table: a row for each edition, which is added where there is none of that name,
    # and a column for each thing of a layer. Cells that are empty are as in the stack; editions and columns that the
    # table has not stay as they are.
    class FillEditions < Operation
      parameter :table, Artwork::EditionTableText.new

      def call(job)
        stack = table.reduce(job.artwork) { |state, (name, values)| filled(state, name, values) }
        added = stack.editions.size - job.artwork.editions.size
        changed = table.size - added
        done = [
          (Phrases.count(added, "edition").then { |count| "#{count} added" } if added.positive?),
          (Phrases.count(changed, "edition").then { |count| "#{count} filled" } if changed.positive?)
        ]
        change(job.with(artwork: stack), "Table of editions: #{done.compact.join(", ")}")
      end

      private

      def filled(stack, name, values)
        index = stack.editions.index { |edition| edition.name == name }
        edition = index ? stack.editions[index] : Artwork::Edition.new(name: name)
        edition = values.reduce(edition) { |own, ((id, member), value)| own.set(id, member, value) }
        index ? stack.replace_edition(index, edition) : stack.with(editions: stack.editions + [edition])
      end
    end
  end
end
