# frozen_string_literal: true

module SheetTraceServer
  module Store
    # Steps as they were kept before recipes, brought to what recipes have: angles in degrees, layers by content and
    # place.
    module FormerSteps
      # Former name => name and parameters now.
      RENEWED = {
        "add_label" => ->(former) do
          ["place_picture", former.slice("id", "picture", "island", "width_mm", "name").compact]
        end,
        "add_skin" =>
          lambda do |former|
            mask = former["material"] ? { "materials" => [former["material"]] } : {}
            content = { "kind" => "picture", "picture" => former["picture"] }
            [
              "add_layer",
              { **former.slice("id", "name").compact, "content" => content, "place" => { "kind" => "sheet" }, **mask }
            ]
          end,
        "add_underlay" => ->(former) { ["add_underlay", former.except("picture_px")] },
        "change_layer" =>
          lambda do |former|
            place = former.slice("island", "width_mm", "x_mm", "y_mm", "turn_deg").compact
            mask = former["material"] && { "materials" => former["material"] == "all" ? nil : [former["material"]] }
            [
              "change_layer",
              {
                **former.slice("id", "name", "visible", "opacity"),
                "place" => place.empty? ? nil : place,
                "mask" => mask
              }.compact
            ]
          end
      }.freeze
      private_constant :RENEWED

      # @param step [Hash{String => Object}] of JSON: name, parameters; or nothing
      # @return [Hash{String => Object}]
      def self.renewed(step)
        step = degrees(step)
        return step unless RENEWED.key?(step["name"])

        name, parameters = RENEWED[step["name"]].call(step["parameters"])
        { "name" => name, "parameters" => parameters }
      end

      def self.degrees(value)
        case value
        when Array
          value.map { |part| degrees(part) }
        when Hash
          value.to_h do |name, part|
            if name.end_with?("_rad") && part.is_a?(Numeric)
              [name.sub(/_rad\z/, "_deg"), part * 180 / Math::PI]
            else
              [name, degrees(part)]
            end
          end
        else
          value
        end
      end
      private_class_method :degrees
    end
  end
end
