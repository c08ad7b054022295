# frozen_string_literal: true

module SheetTrace
  module Formats
    module Collada
      # Diffuse colours of materials and their pictures.
      # Source: Khronos, "COLLADA 1.5 Specification", 8 <profile_COMMON>, <diffuse>, <sampler2D>; 1.4.1 <surface>,
      #   <init_from>.
      class Materials
        # @return [Array<Mesh::Material>] in the order in which they were asked for
        attr_reader :list
        # @return [Hash{String => String}] file name => bytes
        attr_reader :images

        def initialize(document, bundle, notes)
          @document = document
          @bundle = bundle
          @notes = notes
          @list = []
          @keys = []
          @images = {}
        end

        # @param symbol [String, nil] what a primitive names
        # @param instance [Nokogiri::XML::Element] that binds symbols to materials
        # @return [Integer] index into list
        def index(symbol, instance)
          bound =
            instance
              .xpath("./bind_material/technique_common/instance_material")
              .find { |element| element["symbol"] == symbol }
          element = bound && @document.find(bound["target"])
          key = element ? element["id"] : symbol
          @keys.index(key) ||
            begin
              @keys << key
              @list << (element ? read(element) : Mesh::Material.new(name: symbol || "Plain"))
              @list.size - 1
            end
        end

        # @return [Hash{String => Integer}] what the instance says of a semantic: which set it is
        def bound_sets(symbol, instance)
          bound =
            instance
              .xpath("./bind_material/technique_common/instance_material")
              .find { |element| element["symbol"] == symbol }
          (bound&.xpath("./bind_vertex_input") || []).to_h { |input| [input["semantic"], input["input_set"].to_i] }
        end

        private

        def read(material)
          name = [material["name"], material["id"]].compact.find { |text| !text.strip.empty? } || "Material"
          effect = @document.find(material.at_xpath("./instance_effect")&.[]("url"))
          profile = effect&.at_xpath("./profile_COMMON")
          diffuse =
            profile&.at_xpath(
              "./technique/*[self::lambert or self::phong or self::blinn or self::constant]/*[self::diffuse or " \
                "self::emission][color or texture]"
            )
          Mesh::Material.new(
            name: name,
            color: color(diffuse&.at_xpath("./color")),
            image: profile && picture(diffuse&.at_xpath("./texture"), profile, name)
          )
        end

        def color(element)
          return unless element

          values = @document.floats(element).to_a.map { |share| share.nan? ? 0.0 : share.clamp(0.0, 1.0) }
          values.size >= 3 ? [*values.first(3), values[3] || 1.0] : nil
        end

        def picture(texture, profile, material)
          image = texture && image_of(texture["texture"], profile) or return
          from = image.at_xpath("./init_from/ref | ./init_from")&.text.to_s.strip
          path, bytes = @bundle.find(from)
          if bytes
            @images[File.basename(path)] = bytes
            return File.basename(path)
          end
          @notes << Note.new(
            code: "picture_not_found",
            where: {
              file: @document.name,
              picture: from
            },
            message: "#{@document.name}: the picture #{from} of material #{material} was not brought along"
          )
          nil
        end

        # texture -> sampler -> surface -> image (1.4), sampler -> image (1.5), or straight to the image.
        def image_of(sid, profile)
          params = profile.xpath(".//newparam").to_h { |param| [param["sid"], param] }
          sampler = params[sid]&.at_xpath("./sampler2D")
          direct = sampler&.at_xpath("./instance_image")
          return @document.find(direct["url"]) if direct

          surface = params[sampler&.at_xpath("./source")&.text.to_s.strip]
          id = surface&.at_xpath("./surface/init_from")&.text.to_s.strip
          found = @document.find("##{id.empty? ? sid : id}")
          found if found&.name == "image"
        end
      end
    end
  end
end
