# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A list of values of one type. What is wrong with one is told with its number, counted from 1.
    class ListOf < Type
      # @param type [Type]; sizes [Range] how many there may be; entry [String] what one of them is called
      def initialize(type, sizes: 0..10_000, entry: "entry")
        super()
        @type = type
        @sizes = sizes
        @entry = entry
      end

      def from_text(text) = text.split(",").map { |part| @type.from_text(part) }
      def from_plain(value) = value.is_a?(Array) ? value.map { |part| @type.from_plain(part) } : value
      def to_plain(value) = value.is_a?(Array) ? value.map { |part| @type.to_plain(part) } : value

      def validate(value, label, context)
        raise InputError, "#{label} is no list; give #{to_text}" unless value.is_a?(Array)
        raise InputError, "#{label}: #{value.size} of them; give #{to_text}" unless @sizes.cover?(value.size)

        value.each_with_index.map do |part, i|
          @type.validate(part, @type.is_a?(Record) ? "" : @entry, context)
        rescue InputError => e
          raise InputError, "#{@entry} #{i + 1}: #{e.message}"
        end
      end

      def to_text = "a list of #{@sizes.begin} to #{@sizes.end}: #{@type.to_text}"
      def typescript = @type.typescript.include?(" | ") ? "(#{@type.typescript})[]" : "#{@type.typescript}[]"
    end
  end
end
