# frozen_string_literal: true

require "strscan"

module SheetTrace
  module Formats
    module Obj
      # Sorts the lines of an OBJ file by their first word, without reading the numbers yet.
      class Scan
        # Face lines that share style, part, material and, where an index is negative, the counts it counts from.
        FaceRun =
          Struct.new(:style, :part, :material, :smoothing, :vertex_count, :uv_count, :normal_count, :relative, :lines)

        # The material of faces that name none.
        PLAIN = "Plain"

        # How corners are written, by what is left of a line of them without its digits.
        STYLES = { v_vt_vn: %r{\Af(?: //)+\z}, v_vt: %r{\Af(?: /)+\z}, v: /\Af +\z/, v__vn: %r{\Af(?: //)+\z} }.freeze
        FIRST_WORD = /(?:v[tn]?|f)(?= )/
        BLOCK_END = %w[v vt vn f].to_h { |word| [word, /\n(?!#{word} )/] }.freeze
        private_constant :STYLES, :FIRST_WORD, :BLOCK_END

        # First words that are known and not kept, with what to tell the painter.
        PASSED_OVER = {
          "l" => ["lines_ignored", "lines have no surface to paint and are left out"],
          "p" => ["points_ignored", "points have no surface to paint and are left out"]
        }.freeze
        private_constant :PASSED_OVER

        # @return [Lines]
        attr_reader :vertices, :uvs, :normals
        # @return [Array<FaceRun>]
        attr_reader :faces
        # @return [Array<String>]
        attr_reader :parts, :materials
        # @return [Array<String>] names of material libraries
        attr_reader :libraries

        # @param text [String] UTF-8
        # @param name [String] the file's name, for messages
        # @raise [FormatError] where: { file:, line: }
        def self.call(text, name:) = new(name).tap { |scan| scan.send(:read, tidy(text)) }

        # Plain newlines, single blanks between words and none around them; as many lines as before.
        def self.tidy(text)
          text = text.gsub(/\r\n?/, "\n") if text.include?("\r")
          text = "#{text}\n" unless text.end_with?("\n")
          text = text.tr("\t", " ") if text.include?("\t")
          text = joined(text) if text.include?("\\\n")
          text = text.squeeze(" ") if text.include?("  ")
          text = text.gsub(" \n", "\n") if text.include?(" \n")
          text.include?("\n ") || text.start_with?(" ") ? text.gsub("\n ", "\n").delete_prefix(" ") : text
        end

        # Lines that go on behind a backslash in one, with empty lines behind it, so that line numbers stay.
        def self.joined(text)
          owed = 0
          lines =
            text.each_line.map do |line|
              next (owed += 1) && "#{line.chomp.delete_suffix("\\")} " if line.end_with?("\\\n")

              ended = line + ("\n" * owed)
              owed = 0
              ended
            end
          lines.join + ("\n" * owed)
        end
        private_class_method :tidy, :joined

        def initialize(name)
          @name = name
          @vertices = Lines.new("v")
          @uvs = Lines.new("vt")
          @normals = Lines.new("vn")
          @libraries = []
          @smoothing = 0
          @declared = {}
          @faces = []
          @parts = []
          @materials = []
          @passed = {}
          @indices = {}
          @line = 1
        end
        private_class_method :new

        def face_count = faces.sum { |run| run.lines.size }

        # @return [Array<String>] objects that have no face
        def empty_parts
          filled = @parts.to_h { |part| [part, true] }
          @parts.each do |part|
            part.split(" / ")[0...-1].each_index { |i| filled[part.split(" / ")[0..i].join(" / ")] = true }
          end
          @declared.keys.reject { |name| filled[name] }
        end

        # @return [Array<Note>] what was passed over
        def notes
          @passed.map do |_word, (code, message, line, count)|
            lines = count == 1 ? "line #{line}" : "#{count} lines, the first is line #{line}"
            Note.new(
              code: code,
              message: "#{@name}, #{lines}: #{message}",
              where: {
                file: @name,
                line: line,
                count: count
              }
            )
          end
        end

        private

        def read(text)
          scanner = StringScanner.new(text)
          until scanner.eos?
            word = scanner.check(FIRST_WORD)
            block = scanner.scan_until(BLOCK_END.fetch(word, /\n/))
            word ? take(word, block) : take_other(block)
            @line += block.count("\n")
          end
        end

        def take(word, block)
          block = block.gsub(/ *#.*$/, "") if block.include?("#")
          case word
          when "v"
            @vertices.add(block, @line)
          when "vt"
            @uvs.add(block, @line)
          when "vn"
            @normals.add(block, @line)
          else
            take_faces(block)
          end
        end

        def take_faces(block)
          style = style_of(block)
          return take_faces_one_by_one(block) unless style

          relative = block.include?("-")
          unless @run && @run.style == style && !@run.relative && !relative
            @run =
              FaceRun.new(
                style,
                part_index,
                material_index,
                @smoothing,
                @vertices.size,
                @uvs.size,
                @normals.size,
                relative,
                Lines.new("f")
              )
            @faces << @run
          end
          @run.lines.add(block, @line)
        end

        # A block of several styles, or with a fault.
        def take_faces_one_by_one(block)
          start = @line
          block.each_line.with_index do |line, i|
            @line = start + i
            unless style_of(line)
              fail_here(
                "#{line.strip.inspect[0, 60]} is not a list of corners such as f 1/1 2/2 3/3, all written alike"
              )
            end
            take_faces(line)
          end
          @line = start
        end

        def style_of(block)
          shape = block.delete("0-9-")
          first = shape[..shape.index("\n")]
          shapes = shape == first * block.count("\n") ? [first.chomp] : shape.split("\n").uniq
          name, = STYLES.find { |_style, pattern| shapes.all?(pattern) }
          name == :v_vt_vn && block.include?("//") ? double_slash_style(block) : name
        end

        # Slashes alone don't tell 1//3 from 1/2/3.
        def double_slash_style(block)
          :v__vn if block.scan(%r{\d//-?\d}).size * 2 == block.count("/")
        end

        def take_other(line)
          line = line.strip
          return if line.empty? || line.start_with?("#")

          word, rest = line.split(/ +/, 2)
          case word
          when "o"
            name_part(rest, nil)
          when "g"
            name_part(@object, rest)
          when "usemtl"
            name_material(rest)
          when "mtllib"
            @libraries << rest.to_s
          when "s"
            smooth(rest)
          when *BLOCK_END.keys
            fail_here("#{word} stands alone; numbers belong behind it")
          else
            pass_over(word)
          end
        end

        def smooth(group)
          @smoothing = group.to_s == "off" ? 0 : group.to_i
          @run = nil
        end

        def name_part(object, group)
          @declared[object] = true if object && !object.empty?
          @object = object
          @group = group
          @part_index = @run = nil
        end

        def name_material(name)
          @material_name = name
          @material_index = @run = nil
        end

        def part_index = @part_index ||= index_of(@parts, [@object, @group].compact.uniq.join(" / "), "Model")

        def material_index = @material_index ||= index_of(@materials, @material_name.to_s, PLAIN)

        def index_of(names, name, default)
          name = default if name.empty?
          @indices[[names.equal?(@parts), name]] ||= (names << name).size - 1
        end

        def pass_over(word)
          code, message =
            PASSED_OVER.fetch(word) do
              ["unknown_word", "#{word.inspect[0, 40]} is not an OBJ word that is read here; left out"]
            end
          @passed[word] ||= [code, message, @line, 0]
          @passed[word][3] += 1
        end

        def fail_here(message)
          Fault.at(@name, message, line: @line)
        end
      end
    end
  end
end
