# frozen_string_literal: true

require "csv"

module SheetTrace
  module Artwork
    # The editions as a table: a row an edition, a column for each thing of a layer that an edition replaces. What a
    # cell leaves empty is as in the stack.
    module EditionTable
      # What an edition may replace of a layer => how its column is called after the layer's name.
      MEMBERS = { picture: "picture", text: "text", color: "colour", visible: "shown" }.freeze
      SHOWN = { "yes" => true, "no" => false }.freeze
      MOST_ROWS = 200
      FIRST = "edition"
      private_constant :SHOWN, :MOST_ROWS, :FIRST

      # layer [Layer] of the stack; member [Symbol] of MEMBERS
      Column = Struct.new(:layer, :member) { def title = "#{layer.name} #{MEMBERS.fetch(member)}" }

      class << self
        # @param stack [Stack]
        # @return [Array<Column>] all that may be replaced, the upper layers first
        def possible(stack)
          stack.layers.reverse.flat_map do |layer|
            members = MEMBERS.keys.select { |member| member == :visible || layer.content.class.parameters.key?(member) }
            members.map { |member| Column.new(layer, member) }
          end
        end

        # @return [Array<Column>] what some edition replaces
        def columns(stack)
          possible(stack).select do |column|
            stack.editions.any? { |edition| edition.replaced.fetch(column.layer.id, {}).key?(column.member) }
          end
        end

        # @param edition [Edition]; column [Column]
        # @return [String, nil] as a cell has it; nil where it is as in the stack
        def cell(edition, column)
          value = edition.replaced.fetch(column.layer.id, {})[column.member]
          case value
          when nil
            nil
          when PictureFile
            value.name
          else
            SHOWN.key(value) || value
          end
        end

        # @param stack [Stack]
        # @return [String] CSV (RFC 4180), UTF-8
        def to_csv(stack)
          own = columns(stack)
          CSV.generate do |csv|
            csv << [FIRST, *own.map(&:title)]
            stack.editions.each { |edition| csv << [edition.name, *own.map { |column| cell(edition, column) }] }
          end
        end

        # @param text [String] CSV, or cells parted by tabs, as they come from a spreadsheet
        # @param stack [Stack]
        # @yieldparam column [Column]; value [String]
        # @yieldreturn [Object] the value as an edition keeps it
        # @return [Array<Array(String, Hash{Array(String, Symbol) => Object})>] by edition: layer's id and member =>
        #   value, nil for what is as in the stack
        # @raise [InputError] naming row and column
        def read(text, stack, &)
          header, *rows = parsed(text)
          columns = columns_named(header || [], stack)
          rows = rows.reject { |row| row.compact.all? { |cell| cell.strip.empty? } }
          refuse("the table has no row; give one for each edition") if rows.empty?
          refuse("the table has #{rows.size} rows; at most #{MOST_ROWS} are taken") if rows.size > MOST_ROWS

          names = rows.each_with_index.map { |row, i| edition_name(row, i) }
          names.zip(rows).each_with_index.map { |(name, row), i| [name, values(row, columns, i, &)] }
        end

        private

        def parsed(text)
          text = text.delete_prefix("\uFEFF")
          separator = text.lines.first.to_s.include?("\t") ? "\t" : ","
          CSV.parse(text, col_sep: separator)
        rescue CSV::MalformedCSVError => e
          refuse("the table can't be read: #{e.message}")
        end

        def columns_named(header, stack)
          possible = possible(stack)
          first, *titles = header.map { |title| title.to_s.strip }
          refuse("the first column is #{first.inspect}; it must be #{FIRST.inspect}") if first.to_s.downcase != FIRST

          doubled = titles.tally.find { |title, count| count > 1 && !title.empty? }&.first
          refuse("two columns are called #{doubled.inspect}") if doubled

          titles.map { |title| title.empty? ? nil : column_named(title, possible) }
        end

        def column_named(title, possible)
          found = possible.select { |column| column.title.casecmp?(title) }
          found = possible.select { |column| column.layer.name.casecmp?(title) }.first(1) if found.empty?
          return found.first if found.size == 1
          refuse("#{found.size} layers are called #{title.inspect}; give each a name of its own") if found.size > 1

          listed = possible.first(8).map { |column| column.title.inspect }.join(", ")
          refuse("there is nothing called #{title.inspect} to be replaced; there are #{listed}")
        end

        def edition_name(row, index)
          name = row.first.to_s.strip
          return name if name.size.between?(1, 80)

          refuse("row #{index + 1}: the edition's name is #{name.inspect.slice(0, 40)}; give 1 to 80 characters")
        end

        def values(row, columns, index)
          columns
            .each_with_index
            .with_object({}) do |(column, i), found|
              next unless column

              cell = row[i + 1].to_s.strip
              found[[column.layer.id, column.member]] = cell.empty? ? nil : value(column, cell) { yield(column, cell) }
            rescue InputError => e
              refuse("row #{index + 1}, column #{column.title.inspect}: #{e.message}")
            end
        end

        def value(column, cell)
          return yield unless column.member == :visible

          SHOWN.fetch(cell.downcase) { refuse("#{cell.inspect} is neither yes nor no") }
        end

        def refuse(message) = raise(InputError.new(message, where: { table: nil }))
      end
    end
  end
end
