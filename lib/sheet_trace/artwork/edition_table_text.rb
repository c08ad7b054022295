# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A parameter that is a table of what editions replace, as text; pictures by the names of their files.
    class EditionTableText < Parameters::Type
      LONGEST = 500_000
      private_constant :LONGEST

      # @return [Array<Array(String, Hash)>] as EditionTable.read
      def validate(value, label, context)
        refuse(label, value) unless value.is_a?(String) && value.valid_encoding? && value.size <= LONGEST

        table = Artwork::EditionTable.read(value, context.job.artwork) { |column, cell| checked(column, cell, context) }
        doubled = table.map(&:first).tally.find { |_name, count| count > 1 }&.first
        doubled ? raise(InputError, "two rows are called #{doubled.inspect}; give each edition one") : table
      end

      def to_text = "a table as text, CSV or parted by tabs: first a row of headings, \"edition\" at its start"
      def typescript = "string"

      private

      # As the layer's content takes it.
      def checked(column, cell, context)
        changed = column.layer.content.changed({ column.member => cell }, context)
        changed.to_h.fetch(column.member)
      end
    end
  end
end
