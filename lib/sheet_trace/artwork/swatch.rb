# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A colour of a job's palette. Immutable.
    #
    # color [String] #rrggbb; name [String] may be empty
    Swatch =
      Struct.new(:color, :name, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end
      end

    # Palettes as plain text: a colour and a name a line, such as "#2f5a45 pine"; what starts with two slashes, or is
    # empty, says nothing.
    class Swatch
      MOST = 400
      LINE = /\A(#\h{6})\b\s*(.*)\z/
      private_constant :MOST, :LINE

      # @param text [String]
      # @return [Array<Swatch>]
      # @raise [InputError] naming the line; where: { line: }
      def self.read(text)
        lines = text.delete_prefix("\uFEFF").lines.map(&:strip).each_with_index
        swatches =
          lines.reject { |line, _| line.empty? || line.start_with?("//") }.map { |line, i| of_line(line, i + 1) }
        return swatches if swatches.size <= MOST

        raise InputError.new(
                "the palette has #{swatches.size} colours; at most #{MOST} are taken",
                where: {
                  line: MOST
                }
              )
      end

      # @param swatches [Array<Swatch>]
      # @return [String]
      def self.write(swatches) = swatches.map { |swatch| "#{swatch.color} #{swatch.name}".strip.concat("\n") }.join

      # @param job [Object] Job
      # @return [Array<String>] colours that its layers and the cells of its underlay have, the upper layers first
      def self.in_use(job)
        layers = job.artwork.worn.reverse.flat_map { |layer| layer.content.to_h.slice(:color, :to).values }
        cells =
          job.fit_setup.cells.filter_map { |cell| cell.color && format("#%02x%02x%02x", *cell.color) if cell.flat }
        (layers + cells).map(&:downcase).uniq
      end

      def self.of_line(line, number)
        color, name = LINE.match(line)&.captures
        return new(color: color.downcase, name: name[0, 80]) if color

        raise InputError.new(
                "line #{number} of the palette is #{line[0, 40].inspect}; give #rrggbb and a name",
                where: {
                  line: number
                }
              )
      end
      private_class_method :of_line
    end
  end
end
