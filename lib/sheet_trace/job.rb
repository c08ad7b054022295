# frozen_string_literal: true

module SheetTrace
  # The document: one model with its sheet, layout and artwork, as the parts of Parts::ALL. Immutable; every change
  # gives a new one.
  class Job
    UNIT_MM = (1e-6..1e6)
    # Px that islands may be asked to keep from each other, wherever that is said.
    GUTTER_PX = (0..1024)
    ROUND_SPOTS_BYTES = 64 * 1_048_576
    private_constant :ROUND_SPOTS_BYTES
    TAGS = %w[art plain].freeze
    # Faces of a model without UVs up to which it is laid flat as it is brought in.
    LAID_AT_ONCE = 5000
    # What still counts as the same density, and as no stretch.
    TRUE_SHARE = 0.001
    private_constant :TRUE_SHARE, :LAID_AT_ONCE

    # @return [Array<String>] in words: what was said of the surface and could not be carried over by the change
    #   that gave this job
    attr_reader :dropped

    # @!method source @return [Source]
    # @!method unit_mm @return [Float] length of a model unit
    # @!method layout @return [Layout]
    # @!method given_names @return [Hash{Integer => String}] names given by hand, by island
    # @!method given_tags @return [Hash{Integer => String}] tags other than "art", by island
    # @!method gutter_px @return [Numeric] px that islands shall keep from each other
    # @!method plan @return [Layout::Plan] what is wanted of the layout
    # @!method fit_setup @return [Fit::Setup] pictures under the islands, and what of the islands must lie where on them
    # @!method drawn_seams @return [Numo::Bit, nil] E: seams drawn for the next laying flat; nil for those of the map
    # @!method kept_maps @return [Array<KeptMap>] maps set aside, the oldest first
    # @!method painted_maps @return [Array<KeptMap>] layouts that skins held to the model were painted on
    # @!method palette @return [Array<Artwork::Swatch>] colours to paint with
    # @!method fonts @return [Array<Artwork::Font>] that were brought in
    # @!method mask @return [Artwork::MaskPicture, nil] what the mask beside the texture is made of
    # @!method relief @return [Artwork::Relief, nil] how the art is raised
    # @!method exported @return [Array<Trace::Exported>] templates that were exported, the oldest first
    # @!method artwork @return [Artwork::Stack]
    Parts::ALL.each_key { |name| define_method(name) { @parts.fetch(name) } }

    # Starts a job from what a reader gave. A model without any UVs gets each face square-on.
    #
    # @param reading [Formats::Reading]
    # @param source_name [String]
    # @param sheet [Layout::Sheet]
    # @param unit_mm [Float, nil] what the file says, or else 1, if nil
    # @return [Job]
    def self.start(reading, source_name:, sheet: Layout::Sheet.new(width_px: 1024, height_px: 1024), unit_mm: nil)
      source = Source.of_reading(reading, source_name)
      source = source.with(notes: source.notes + [projected_note(source_name, reading.mesh)]) if source.used_sets.empty?
      new(
        source: source,
        unit_mm: unit_mm || reading.unit_mm || 1.0,
        layout: Layout.new(uv_map: first_map(source, reading.mesh, sheet), sheet: sheet),
        gutter_px: ([sheet.width_px, sheet.height_px].max / 128).clamp(1, 8)
      )
    end

    # @param set [Integer, nil] which of the source's sets; the first that is used if nil
    # @return [UvMap]
    def self.first_map(source, mesh, sheet, set = source.used_sets.first)
      set ? UvMap::Build.call(mesh, *source.uv_sets[set].to_a.drop(1)) : laid_flat(mesh, sheet)
    end

    # In the way that is best for each part; where a model is large or can't be cut so, each face square-on.
    def self.laid_flat(mesh, sheet)
      return Layout::ProjectFaces.call(mesh, sheet: sheet) if mesh.face_count > LAID_AT_ONCE

      pieces = Flatten::Pieces.call(mesh, method: "best", seams: Flatten::Seams.none(mesh))
      Layout::LayPieces.call(pieces, sheet: sheet)
    rescue MeshError, LayoutError
      Layout::ProjectFaces.call(mesh, sheet: sheet)
    end

    def self.projected_note(source_name, mesh)
      Formats::Note.new(
        code: "faces_projected",
        where: {
          file: source_name,
          count: mesh.face_count
        },
        message:
          "#{source_name} has no UVs: #{Check.count(mesh.face_count, "face was", "faces were")} laid " \
            "#{mesh.face_count > LAID_AT_ONCE ? "square-on each" : "flat, each part in its best way"}, at one scale"
      )
    end
    private_class_method :projected_note, :laid_flat

    # @param parts [Hash{Symbol => Object}] by the names of Parts::ALL; source and layout at the least
    def initialize(dropped: [], memo: Memo.new, **parts)
      strange = parts.keys - Parts::ALL.keys
      raise ArgumentError, "a job has no part #{strange.first}" if strange.any?

      @parts = Parts::ALL.to_h { |name, part| [name, parts.fetch(name) { part.default }.freeze] }.freeze
      @dropped = dropped.freeze
      @memo = memo
      freeze
    end

    # @param name [Symbol] of Parts::ALL
    def part(name) = @parts.fetch(name)

    # @return [Job] with some parts changed; what the changes don't touch is not worked out again
    def with(dropped: @dropped, **changes)
      Job.new(dropped: dropped, memo: @memo.after(self, changes), **@parts, **changes)
    end

    # @return [Array(Array(Float, Float, Float), Array(Float, Float, Float))] least and largest coordinates of the
    #   model, mm
    def bounds_mm = mesh.bounds.map { |corner| corner.map { |value| value * unit_mm } }

    # @return [Numo::Bit] E: seams as drawn, or else those of the map
    def seams = drawn_seams || @memo.fetch(:map_seams) { Flatten::Seams.of_map(layout.uv_map) }

    def mesh = layout.uv_map.mesh
    def sheet = layout.sheet
    def source_name = source.name
    def notes = source.notes

    # @return [Array<Layout::MeasureIslands::Measure>] one an island; those that lie as before are not measured again
    def measures
      @memo.fetch(:measures) do
        former, known = @memo[:known_measures]
        changed = former ? layout.islands_moved_since(former) : (0...layout.uv_map.island_count).to_a
        fresh = Layout::MeasureIslands.call(layout, unit_mm: unit_mm, islands: changed)
        (known || []).dup.tap { |measures| changed.zip(fresh) { |island, measure| measures[island] = measure } }.freeze
      end
    end

    # @return [String] as Trace::Code
    def layout_code = @memo.fetch(:layout_code) { Trace::Code.call(layout) }

    # @return [Array<String>] one an island
    def island_names
      layout.uv_map.island_names.each_with_index.map { |name, island| given_names.fetch(island, name) }
    end

    # @return [Array<String>] "art" or "plain", one an island
    def tags = Array.new(layout.uv_map.island_count) { |island| given_tags.fetch(island, "art") }

    # @return [Array<Integer>] islands that carry art
    def art_islands = tags.each_index.select { |island| tags[island] == "art" }

    # @param island [Integer]
    # @return [Flatten::FlatMap]
    def flat_map(island)
      @memo.fetch(:flat_maps) { {} }[island] ||= Flatten::FlatMap.call(layout.uv_map, island, unit_mm: unit_mm)
    end

    # @param place [Artwork::Places::OnSurface]; reach_mm [Float] how far round its spot
    # @return [Flatten::RoundSpot]
    def round_spot(place, reach_mm)
      memo = @memo.fetch(:round_spots) { BoundedMemo.new(limit: ROUND_SPOTS_BYTES) }
      memo.fetch([place.laid_by, reach_mm]) do
        Flatten::RoundSpot.call(
          mesh,
          *mesh.nearest_spot([place.face], place.at),
          reach: reach_mm / unit_mm,
          way: place.way,
          over_edges: place.over_edges,
          depth: place.depth_mm && (place.depth_mm / unit_mm)
        )
      end
    end

    # @param place [Artwork::Places::BesideLine]
    # @return [Flatten::Strip]
    def strip(place)
      memo = @memo.fetch(:strips) { BoundedMemo.new(limit: ROUND_SPOTS_BYTES) }
      memo.fetch(place.laid_by) do
        line, closed = place.line(mesh)
        Flatten::Strip.call(mesh, line, place.reach_mm / unit_mm, closed: closed)
      end
    end

    # @param name [String] of .painted_maps
    # @return [Layout]
    def painted_layout(name) = painted_maps.find { |map| map.name == name }.layout

    # @return [Float] root of sheet area over model area of the islands with art, or of all where none has; px per mm
    def density_px_per_mm
      own = art_islands.empty? ? measures : measures.values_at(*art_islands)
      areas = own.map { |measure| measure.size_mm.reduce(:*) }
      total = areas.sum
      return 1.0 unless total.positive?

      mean = own.each_with_index.sum { |measure, i| areas[i] * (measure.density_px_per_mm**2) } / total
      mean.positive? ? Math.sqrt(mean) : 1.0
    end

    # @param size [Layout::Sheet] that the sheet is written at
    # @return [Float, nil] px per mm on the model where all islands with art have the same and none is stretched
    def true_density_px_per_mm(size = sheet)
      scale = size.width_px.fdiv(sheet.width_px)
      return unless (size.height_px.fdiv(sheet.height_px) - scale).abs < TRUE_SHARE * scale

      own = measures.values_at(*art_islands).reject { |measure| measure.density_px_per_mm.zero? }
      least, most = own.map(&:density_px_per_mm).minmax
      if least.nil? || most > least * (1 + TRUE_SHARE) ||
           own.any? { |measure| (measure.stretch_mean || 2) > 1 + TRUE_SHARE }
        return
      end

      least * scale
    end

    # @param canvas [Artwork::Canvas]; edition [Integer]
    # @return [Vips::Image] 8-bit grey
    # @raise [InputError] where the art has no mask
    def mask_picture(canvas, edition: artwork.shown)
      raise InputError, "the art has no mask; give it one on Art first" unless mask

      mask.picture(artwork, canvas, edition: edition, scale: scale_of(canvas.size))
    end

    # @param kind [String] of Artwork::Relief::PICTURES
    # @param composed [Vips::Image] the sheet's art; size [Layout::Sheet] of it
    # @return [Vips::Image]
    # @raise [InputError] where the art is flat
    def relief_picture(kind, composed, size)
      raise InputError, "the art has no relief; give it one on Art first" unless relief

      scale = scale_of(size)
      relief.picture(kind, composed, px_per_mm: density_px_per_mm * scale, scale: scale)
    end

    # @param size [Layout::Sheet]
    # @return [Float] px of it to one of the sheet's own
    def scale_of(size) = Math.sqrt(size.width_px.fdiv(sheet.width_px) * size.height_px.fdiv(sheet.height_px))

    # @param pictures [#call, nil] takes a digest, gives the bytes of the image file; without them nothing is said of
    #   what islands lie on
    # @return [Check::Subject] what the checks look at; not kept, as what it works out is large
    def subject(pictures: nil)
      Check::Subject.new(
        layout: layout,
        measures: measures,
        names: island_names,
        tags: tags,
        gutter_px: gutter_px,
        plan: plan,
        fit_setup: fit_setup,
        ground: pictures && Check::Ground.of(self, pictures),
        labels: artwork.on_islands.transform_values { |layers| layers.map(&:name) }
      )
    end

    # @param pictures [#call, nil] as .subject takes
    # @return [Array<Check::Finding>] the preflight report, the worst first
    def findings(pictures: nil) = @memo.fetch([:findings, !pictures.nil?]) { Check.call(subject(pictures: pictures)) }

    # @param size [Layout::Sheet] to bake at
    # @param pictures [#call] takes a digest, gives the bytes of the image file, or what Artwork::Picture.read gives
    # @return [Artwork::Canvas]
    def canvas(pictures:, size: sheet)
      Artwork::Canvas.new(
        layout: layout,
        size: size,
        flat_maps: method(:flat_map),
        round_spots: method(:round_spot),
        strips: method(:strip),
        painted_layouts: method(:painted_layout),
        unit_mm: unit_mm,
        linear: artwork.linear,
        memo: @memo.fetch(:canvas) { Artwork::Canvas.memo },
        pictures: ->(digest, scale) do
          found = pictures.call(digest)
          found.is_a?(String) ? Artwork::Picture.read(found, scale: scale) : found
        end
      )
    end
  end
end
