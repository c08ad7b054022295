# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Shapes that several answers share, and the list of those that the front end has types of.
    module Shapes
      SHEET = Shape::Record.new("Sheet", width_px: Shape::NUMBER, height_px: Shape::NUMBER)
      PICTURE =
        Shape::Record.new(
          "Picture",
          digest: Shape::TEXT,
          name: Shape::TEXT,
          media_type: Shape::TEXT,
          width_px: Shape::NUMBER,
          height_px: Shape::NUMBER
        )
      LINES =
        Shape.new("number[]") do |value|
          value.is_a?(Array) && value.all?(Integer) && (value.size % 4).zero? ? nil : "are no lines"
        end
      JOB_CARD =
        Shape::Record.new(
          "JobCard",
          id: Shape::TEXT,
          name: Shape::TEXT,
          updated_at: Shape::TEXT,
          revision_id: Shape::NUMBER
        )
      ERROR = Shape::Record.new("Failure", code: Shape::TEXT, message: Shape::TEXT, where: Shape::ANY.by_name)

      # Every record that an answer of the server is made of, in the order of the file of types.
      #
      # @return [Array<Shape::Record>]
      def self.records
        [
          SHEET,
          PICTURE,
          JOB_CARD,
          ERROR,
          *Json.constants.sort.flat_map do |name|
            Json
              .const_get(name)
              .then { |json| json.is_a?(Module) && json.const_defined?(:SHAPES, false) ? json::SHAPES : [] }
          end
        ]
      end
    end
  end
end
