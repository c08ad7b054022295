# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives an edition another name.
    class RenameEdition < Operation
      edition
      text :name

      def call(job)
        stack = job.artwork
        other = stack.editions.index { |own| own.name == name }
        refuse("another edition is called #{name.inspect}; give each a name of its own") if other && other != edition

        former = stack.editions[edition]
        change(
          job.with(artwork: stack.replace_edition(edition, former.with(name: name))),
          "Edition #{former.name} is now called #{name}"
        )
      end
    end
  end
end
