# frozen_string_literal: true

module SheetTrace
  module Drawing
    # An opaque sRGB colour written as in CSS: #rrggbb.
    Color =
      Struct.new(:red, :green, :blue) do
        # @param text [String]
        # @return [Color] shares from 0 to 1
        # @raise [InputError] where: { color: }
        def self.parse(text)
          match = /\A#(\h{2})(\h{2})(\h{2})\z/.match(text.to_s)
          raise InputError.new("colour #{text.inspect} is not of the form #1f2a36", where: { color: text }) unless match

          new(*match.captures.map { |pair| pair.hex / 255.0 }).freeze
        end
      end
  end
end
