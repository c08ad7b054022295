# frozen_string_literal: true

module SheetTrace
  class Job
    # The finished files: for each edition the composed sheet in the format that is wanted, what is derived from it, and
    # the model that wears it, all of one name.
    class Deliver
      extend References

      ALPHAS = %w[keep drop apart].freeze
      UNITS_MM = { "mm" => 1.0, "cm" => 10.0, "m" => 1000.0, "in" => 25.4 }.freeze
      # Where the front looks => the turn about y that brings it there, quarters
      FRONTS = { "z" => 0, "x" => 1, "-z" => 2, "-x" => 3 }.freeze
      NONE = "none"
      LONGEST_NAME = 60
      # What is lost by a choice of formats, said before anything is written; a member that is not said may be any.
      LOSSES = [
        { image: %w[jpg], alpha: %w[keep], message: "JPEG has no transparency: it is laid on white." },
        {
          format: %w[glb gltf],
          image: %w[tif tga webp],
          message: "glTF holds PNG and JPEG only: the model goes without."
        },
        { image: %w[tga jpg webp], deep: true, message: "This picture format has 8 bits a channel." },
        { format: %w[ply], message: "PLY names no texture: it has to be chosen where the model is opened." },
        { format: %w[glb gltf], message: "glTF holds triangles only: polygons are cut into them.", polygons: true },
        { format: %w[dae], message: "COLLADA goes without the colours of vertices.", vertex_colors: true }
      ].freeze
      private_constant :NONE, :LONGEST_NAME

      one_of :format, [*Formats::WRITERS.names, NONE], "of the model", default: "obj"
      one_of :image, Formats::Images::KINDS.keys, "of the textures", default: "png"
      parts :parts, "that the model has; all if nil", optional: true
      editions :editions, "the one shown if nil", optional: true
      text :name,
           "of the files: {job} and {edition} stand for their names; {edition} is added where there are several",
           default: "{job}"
      flag :bleed, "art is carried past the islands' edges", default: true
      one_of :alpha, ALPHAS, "drop: laid on a colour; apart: a file of its own beside", default: "keep"
      color :ground, "for what drops its alpha", default: "#ffffff"
      flag :deep, "textures have 16 bits a channel, where their format can", default: false
      one_of :up, %w[y z], "of the model", default: "y"
      one_of :front, FRONTS.keys, "where the model's front looks, before another axis is up", default: "z"
      flag :left_handed,
           "axes are left-handed: x is mirrored, and faces are turned round to look outwards",
           default: false
      one_of :unit, UNITS_MM.keys, "that the model is written in; its own if nil", optional: true
      flag :one_material, "in the place of the model's own", default: false
      list :companions,
           Parameters::OneOf.new(Trace::Companions::KINDS.keys),
           "pictures of the layout beside it, for selections and masks",
           default: []
      flag :manifest, "a list of what each file is", default: false

      # @param job [Job]
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @param size [Layout::Sheet] of the textures
      # @param base_name [String] what {job} stands for
      # @param elsewhere [#call, nil] has a part of a texture composed in another process, as .part does: takes a Box,
      #   size:, edition: and bleed:, gives what .part does, or nil where it came to nothing
      # @param options [Hash] as declared above
      # @return [Hash{String => String}] file name => bytes, no two of one name
      # @raise [InputError, UnknownNameError]
      def self.call(
        job,
        pictures:,
        size: job.sheet,
        base_name: Deliver.base_name(job.source_name),
        elsewhere: nil,
        **options
      )
        options = validated(options, References::Context.new(job: job))
        new(job, pictures, size, base_name, options, elsewhere).send(:files)
      end

      # @param box [Artwork::Box] of the texture
      # @param edition [Integer]; bleed [Boolean]
      # @return [Numo::UInt32] what the texture of that edition has there, height x width texels, RGBA
      # @raise [InputError] if some of it lies beside the texture
      def self.part(job, box, pictures:, size:, edition:, bleed:)
        if box.empty? || box.within(Artwork::Box.whole(size)) != box
          raise InputError.new("the part must lie on the texture of #{size}", where: { part: box.to_a })
        end

        new(job, pictures, size, nil, { bleed: bleed }).send(:part, box, edition)
      end

      # @return [Array<String>] what the files of each edition begin with
      # @param options [Hash] as declared above, checked
      def self.base_names(job, base_name, options)
        new(job, nil, job.sheet, base_name, options).send(:base_names)
      end

      # A name that every file system and OBJ reader takes: letters, digits, hyphens and underscores.
      #
      # @param name [String] any
      # @return [String]
      def self.base_name(name)
        plain = File.basename(name, ".*").unicode_normalize(:nfkd).gsub(/[^A-Za-z0-9_-]+/, "-").gsub(/\A-+|-+\z/, "")
        plain.empty? ? "model" : plain[0, LONGEST_NAME]
      end

      def initialize(job, pictures, size, base_name, options, elsewhere = nil)
        @job = options[:bleed] ? job : job.with(artwork: job.artwork.with(bleed_px: 0))
        @canvas = @job.canvas(pictures: pictures, size: size)
        @size = size
        @base_name = base_name
        @options = options
        @px_per_mm = job.true_density_px_per_mm(size)
        @elsewhere = elsewhere
      end
      private_class_method :new

      private

      def files
        editions = @options[:editions] || [@job.artwork.shown]
        found = {}
        Progress.map(editions) { |edition| of_edition(edition, editions.size > 1) }.each { |own| found.merge!(own) }
        found.merge!(companions)
        @options[:manifest] ? { **found, "#{@base_name}-files.txt" => manifest(found) } : found
      end

      # @return [Hash{String => String}]
      def companions
        @options[:companions].to_h do |kind|
          bleed_px = @canvas.scaled_px(@job.artwork.bleed_px)
          own = Trace::Companions.call(kind, @job.layout, size: @size, unit_mm: @job.unit_mm, bleed_px: bleed_px)
          ["#{@base_name}-layout-#{kind}.png", Formats::Png::Writer.call(own, px_per_mm: @px_per_mm)]
        end
      end

      def of_edition(edition, several)
        base = name(edition, several)
        sheet = Artwork::Compose.call(@job.artwork, @canvas, edition: edition, elsewhere: elsewhere(edition))
        pictures = { **pictures(sheet, base), **mask(edition, base) }
        return pictures if @options[:format] == NONE

        color = "#{base}.#{@options[:image]}"
        written = writer.call(model(sheet, color, pictures), base_name: base).files
        beside = @options[:format] == "glb" ? pictures.reject { |own, _bytes| embedded?(own) } : pictures
        { **written, **beside.except(*written.keys) }
      end

      def part(box, edition) = Artwork::Compose.part(@job.artwork, @canvas, box, edition: edition)

      def elsewhere(edition)
        @elsewhere && ->(box) { @elsewhere.call(box, size: @size, edition: edition, bleed: @options[:bleed]) }
      end

      # What GLB has within.
      def embedded?(name) = %w[.png .jpg].include?(File.extname(name)) && !name.match?(/-(?:height|alpha|mask)\./)

      def writer = Formats::WRITERS.fetch(@options[:format])

      def base_names
        editions = @options[:editions] || [@job.artwork.shown]
        editions.map { |edition| name(edition, editions.size > 1) }
      end

      def name(edition, several)
        pattern = @options[:name]
        pattern += "-{edition}" if several && !pattern.include?("{edition}")
        said = { "{job}" => @base_name, "{edition}" => @job.artwork.editions[edition].name }
        Deliver.base_name("#{pattern.gsub(/\{job\}|\{edition\}/) { |word| Deliver.base_name("#{said[word]}.x") }}.x")
      end

      # @return [Hash{String => String}] the texture, its alpha where it is apart, and what is derived of it
      def pictures(sheet, base)
        found = { "#{base}.#{@options[:image]}" => image(@options[:alpha] == "keep" ? sheet : flat(sheet)) }
        found["#{base}-alpha.#{@options[:image]}"] = image(sheet[3].copy(interpretation: :"b-w")) if @options[:alpha] ==
          "apart"
        reliefs(base).each do |kind, name|
          own = @job.relief_picture(kind.to_s, sheet, @size)
          found[name] = Formats::Png::Writer.call(own, px_per_mm: @px_per_mm)
        end
        found
      end

      # @return [Hash{String => String}] nothing where there is none
      def mask(edition, base)
        return {} unless @job.mask&.there?(@job.artwork)

        own = @job.mask_picture(@canvas, edition: edition)
        { "#{base}-mask.png" => Formats::Png::Writer.call(own, px_per_mm: @px_per_mm) }
      end

      def flat(sheet) = sheet.flatten(background: rgb(@options[:ground])).cast(:uchar).copy(interpretation: :srgb)
      def rgb(color) = Drawing::Color.parse(color).to_a.map { |share| (share * 255).round }

      def image(own)
        own = (own.cast(:ushort) * 257).cast(:ushort).copy(interpretation: own.bands < 3 ? :grey16 : :rgb16) if deep?
        Formats::Images.call(own, @options[:image], px_per_mm: @px_per_mm, ground: @options[:ground])
      end

      def deep? = @options[:deep] && Formats::Images::KINDS.fetch(@options[:image]).deep

      # @return [Hash{Symbol => String}] file names of height: and normals:; none where the art is flat
      def reliefs(base)
        @job.relief ? Artwork::Relief::PICTURES.to_h { |kind| [kind.to_sym, "#{base}-#{kind}.png"] } : {}
      end

      def model(sheet, color, pictures)
        unit_mm = @options[:unit] ? UNITS_MM.fetch(@options[:unit]) : @job.unit_mm
        base = File.basename(color, ".*")
        whole = whole_model(sheet, color, pictures, unit_mm, base)
        whole = whole.mirrored if @options[:left_handed]
        @options[:parts] ? of_parts(whole) : whole
      end

      def of_parts(model)
        parts = @options[:parts].uniq.select { |part| @job.mesh.face_parts.eq(part).any? }
        raise InputError, "none of these parts has a face; pick others" if parts.empty?

        model.of_parts(parts)
      end

      def whole_model(sheet, color, pictures, unit_mm, base)
        alpha = @options[:alpha] == "keep" ? alpha(sheet) : nil
        Formats::Model.of_layout(
          @job.layout,
          mesh: turned(@job.mesh, @job.unit_mm / unit_mm, color),
          unit_mm: unit_mm,
          alphas: { color => alpha }.compact,
          reliefs: reliefs(base).any? ? { color => reliefs(base) } : {},
          images: pictures
        )
      end

      # With the texture as its material's picture, in the axes and the unit that are wanted.
      def turned(mesh, scale, color)
        names = @options[:one_material] ? [@base_name] : mesh.materials.map(&:name)
        materials = names.map { |name| Mesh::Material.new(name: name, image: color) }
        kept = @options[:one_material] ? { face_materials: Numo::Int32.zeros(mesh.face_count) } : {}
        mesh.with(
          materials: materials,
          positions: in_axes(mesh.positions * scale),
          corner_normals: mesh.corner_normals && in_axes(mesh.corner_normals),
          **kept
        )
      end

      # Turned by quarters, which are exact: about y to the front, and up.
      #
      # @param rows [Numo::DFloat] n x 3
      def in_axes(rows)
        x, y, z = Array.new(3) { |axis| rows[true, axis] }
        FRONTS.fetch(@options[:front]).times { x, z = z, x * -1 }
        y, z = z * -1, y if @options[:up] == "z"
        Geometry::Vectors.columns([x, y, z])
      end

      # @return [String, nil] what of the alpha is seen on the model, as Formats::Model has it; nil where islands are
      #   painted all over, or not at all
      def alpha(sheet)
        alpha = Numo::UInt8.from_binary(sheet.extract_band(3).write_to_memory)
        return if alpha.min == 255

        covered = @canvas.texel_map(Artwork::Box.whole(@size)).texels
        alpha = alpha[covered]
        return if covered.empty? || alpha.min == 255 || alpha.max.zero?

        (alpha.gt(0) & alpha.lt(255)).any? ? "blend" : "mask"
      end

      def manifest(files)
        lines = files.map { |name, bytes| "#{name}  #{what(name)}, #{(bytes.bytesize / 1024.0).ceil} kB" }
        ["#{@base_name}, layout #{Trace::Code.call(@job.layout)}, textures #{@size}", *lines, ""].join("\n")
      end

      def what(name)
        return "heights, light is high" if name.include?("-height.")
        return "normal map, green up" if name.include?("-normals.")
        return Trace::Companions::KINDS.fetch(name[/-layout-(\w+)\./, 1]) if name.include?("-layout-")
        return "what is opaque" if name.include?("-alpha.")

        Formats::Images::KINDS.key?(File.extname(name).delete_prefix(".")) ? "colour" : "model"
      end
    end
  end
end
