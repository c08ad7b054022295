# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Reads MTL: newmtl, Kd, d, Tr and map_Kd with its options passed over. Leaves out every other property, which
      # says nothing of base colour.
      # Source: Ramey, Rose, Tyerman, "MTL material format (Lightwave, OBJ)", 1995.
      module MaterialLibrary
        # Options of map_Kd and how many words each takes; -o, -s and -t take one to three numbers.
        OPTIONS = {
          "-blendu" => 1,
          "-blendv" => 1,
          "-cc" => 1,
          "-clamp" => 1,
          "-mm" => 2,
          "-texres" => 1,
          "-imfchan" => 1,
          "-boost" => 1,
          "-bm" => 1,
          "-type" => 1
        }.freeze
        private_constant :OPTIONS

        # @param bytes [String]
        # @param name [String] for messages
        # @return [Hash{String => Mesh::Material}] by name
        # @raise [FormatError] where: { file: }
        def self.call(bytes, name:)
          found = {}
          current = nil
          Text
            .decode(bytes, name: name, what: "a material library")
            .gsub(/\\\r?\n/, " ")
            .each_line do |line|
              word, rest = line.sub(/(?:\A|\s)#.*/, "").strip.split(/\s+/, 2)
              next unless rest

              current = found[rest] = { name: rest, rgb: nil, opacity: 1.0 } if word == "newmtl"
              note(current, word, rest) if current
            end
          found.transform_values { |values| material(values) }
        end

        def self.note(current, word, rest)
          case word.downcase
          when "kd"
            current[:rgb] = rest.split.first(3).map { |number| share(number) } unless rest.start_with?(
              "spectral",
              "xyz"
            )
          when "d"
            current[:opacity] = share(rest.split.last)
          when "tr"
            current[:opacity] = 1 - share(rest.split.last)
          when "map_kd"
            current[:image] = file_of(rest)
          end
        end

        def self.share(text) = text.to_f.then { |value| value.nan? ? 0.0 : value.clamp(0.0, 1.0) }

        # What is left when the options are taken away; a file name may hold blanks.
        def self.file_of(rest)
          words = rest.split
          while words.size > 1 && words.first.start_with?("-")
            option = words.shift
            if %w[-o -s -t].include?(option)
              words.shift while words.size > 1 && words.first.match?(/\A[-+.\d]+\z/)
            else
              words.shift([OPTIONS.fetch(option, 0), words.size - 1].min)
            end
          end
          words.join(" ")
        end

        def self.material(values)
          rgb = values[:rgb]
          rgb = [rgb[0]] * 3 if rgb && rgb.size < 3
          Mesh::Material.new(name: values[:name], color: rgb && [*rgb, values[:opacity]], image: values[:image])
        end
        private_class_method :note, :share, :file_of, :material
      end
    end
  end
end
