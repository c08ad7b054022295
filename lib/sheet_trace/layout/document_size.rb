# frozen_string_literal: true

module SheetTrace
  class Layout
    # Sizes as painters and printers write them: 2048x2048 in px, or 120x60mm at so many dots to an inch.
    module DocumentSize
      UNITS_MM = { "mm" => 1.0, "cm" => 10.0, "in" => 25.4 }.freeze
      MM_PER_INCH = 25.4
      FORM = /\A([\d.]+)\s*[x×]\s*([\d.]+)\s*(px|mm|cm|in)?\z/i
      private_constant :UNITS_MM, :MM_PER_INCH, :FORM

      # @param text [String]
      # @param dpi [Float, nil] needed for lengths; limit [Hash] most_px: as Sheet
      # @return [Sheet] to whole px
      # @raise [InputError] where: { size: } or { dpi: }
      def self.parse(text, dpi: nil, **limit)
        match = FORM.match(text.to_s.strip)
        unit = match && (match[3] || "px").downcase
        unless match
          raise InputError.new("size #{text.inspect} is not of the form 2048x1024 or 120x60mm", where: { size: text })
        end
        return Sheet.parse("#{match[1]}x#{match[2]}", **limit) if unit == "px"
        raise InputError.new("a size in #{unit} needs --dpi, the px to an inch", where: { dpi: dpi }) unless dpi

        width, height = match.captures.first(2).map { |length| px(length.to_f * UNITS_MM.fetch(unit), dpi) }
        Sheet.new(width_px: width, height_px: height, **limit)
      end

      # @return [Integer]
      def self.px(length_mm, dpi) = (length_mm / MM_PER_INCH * dpi).round
    end
  end
end
