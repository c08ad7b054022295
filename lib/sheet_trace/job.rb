# frozen_string_literal: true

module SheetTrace
  # The document: one model with its sheet, layout and artwork. Immutable; every change gives a new one.
  class Job
    UNIT_MM = (1e-6..1e6)
    TAGS = %w[art plain].freeze

    # @return [Source]
    attr_reader :source
    # @return [Float] length of a model unit
    attr_reader :unit_mm
    # @return [Layout]
    attr_reader :layout
    # @return [Hash{Integer => String}] names given by hand, by island
    attr_reader :given_names
    # @return [Hash{Integer => String}] tags other than "art", by island
    attr_reader :given_tags
    # @return [Integer] px that islands shall keep from each other
    attr_reader :gutter_px
    # @return [Artwork::Edition]
    attr_reader :edition
    # @return [Numo::Bit, nil] E: seams drawn for the next laying flat; nil for those of the map
    attr_reader :drawn_seams
    # @return [Array<KeptMap>] maps set aside, the oldest first
    attr_reader :kept_maps
    # @return [Layout::Plan] what is wanted of the layout
    attr_reader :plan
    # @return [Fit::Backdrop] pictures under the islands, and what of the islands must lie where on them
    attr_reader :backdrop

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
      new(source: source, unit_mm: unit_mm || reading.unit_mm || 1.0, layout: Layout.new(uv_map: first_map(source, reading.mesh, sheet), sheet: sheet),
          edition: Artwork::Edition.new, gutter_px: ([sheet.width_px, sheet.height_px].max / 128).clamp(1, 8))
    end

    # @param set [Integer, nil] which of the source's sets; the first that is used if nil
    # @return [UvMap]
    def self.first_map(source, mesh, sheet, set = source.used_sets.first)
      return Layout::ProjectFaces.call(mesh, sheet: sheet) unless set

      UvMap::Build.call(mesh, *source.uv_sets[set].to_a.drop(1))
    end

    def self.projected_note(source_name, mesh)
      Formats::Note.new(code: "faces_projected", where: { file: source_name, count: mesh.face_count },
                        message: "#{source_name} has no UVs: each of its #{mesh.face_count} faces was laid square-on, in true shape and at one scale")
    end
    private_class_method :projected_note

    def initialize(source:, unit_mm:, layout:, edition:, given_names: {}, given_tags: {}, gutter_px: 8, drawn_seams: nil, kept_maps: [],
                   plan: Layout::Plan.new, backdrop: Fit::Backdrop.new, memo: {})
      @source = source
      @unit_mm = unit_mm
      @layout = layout
      @given_names = given_names.freeze
      @given_tags = given_tags.freeze
      @gutter_px = gutter_px
      @edition = edition
      @drawn_seams = drawn_seams&.freeze
      @kept_maps = kept_maps.freeze
      @plan = plan
      @backdrop = backdrop
      @memo = memo
      freeze
    end

    # @return [Job] with some attributes changed; what the changes don't touch is not worked out again
    def with(**changes)
      same_surface = !changes.key?(:unit_mm) && (!changes.key?(:layout) || changes[:layout].uv_map.equal?(layout.uv_map))
      memo = same_surface ? @memo.slice(:flat_maps, :canvas, :map_seams) : {}
      memo[:known_measures] = @memo[:measures] ? [layout, @memo[:measures]] : @memo[:known_measures] if same_surface
      Job.new(source: source, unit_mm: unit_mm, layout: layout, given_names: given_names, given_tags: given_tags, gutter_px: gutter_px, edition: edition,
              drawn_seams: drawn_seams, kept_maps: kept_maps, plan: plan, backdrop: backdrop, memo: memo, **changes)
    end

    # @return [Numo::Bit] E: seams as drawn, or else those of the map
    def seams = drawn_seams || (@memo[:map_seams] ||= Flatten::Seams.of_map(layout.uv_map))

    def mesh = layout.uv_map.mesh
    def sheet = layout.sheet
    def source_name = source.name
    def notes = source.notes

    # @return [Array<Layout::MeasureIslands::Measure>] one an island; those that lie as before are not measured again
    def measures
      @memo[:measures] ||= begin
        former, known = @memo[:known_measures]
        changed = former ? layout.islands_moved_since(former) : (0...layout.uv_map.island_count).to_a
        fresh = Layout::MeasureIslands.call(layout, unit_mm: unit_mm, islands: changed)
        (known || []).dup.tap { |measures| changed.zip(fresh) { |island, measure| measures[island] = measure } }.freeze
      end
    end

    # @return [Array<String>] one an island
    def island_names
      layout.uv_map.island_names.each_with_index.map { |name, island| given_names.fetch(island, name) }
    end

    # @return [Array<String>] "art" or "plain", one an island
    def tags = Array.new(layout.uv_map.island_count) { |island| given_tags.fetch(island, "art") }

    # @param island [Integer]
    # @return [Flatten::FlatMap]
    def flat_map(island)
      (@memo[:flat_maps] ||= {})[island] ||= Flatten::FlatMap.call(layout.uv_map, island, unit_mm: unit_mm)
    end

    # @return [Float] root of sheet area over model area, all islands together; px per mm
    def density_px_per_mm
      areas = measures.map { |measure| measure.size_mm.reduce(:*) }
      total = areas.sum
      return 1.0 unless total.positive?

      mean = measures.each_with_index.sum { |measure, i| areas[i] * (measure.density_px_per_mm**2) } / total
      mean.positive? ? Math.sqrt(mean) : 1.0
    end

    # @return [Check::Subject] what the checks look at
    def subject
      @memo[:subject] ||= Check::Subject.new(layout: layout, measures: measures, names: island_names, tags: tags, gutter_px: gutter_px, plan: plan, backdrop: backdrop,
                                             labels: edition.labels.transform_values { |layers| layers.map(&:name) })
    end

    # @return [Array<Check::Finding>] the preflight report, the worst first
    def findings = @memo[:findings] ||= Check.call(subject)

    # @param size [Layout::Sheet] to bake at
    # @param pictures [#call] takes a digest, gives the bytes of the image file
    # @return [Artwork::Canvas]
    def canvas(pictures:, size: sheet)
      Artwork::Canvas.new(layout: layout, size: size, flat_maps: method(:flat_map), memo: @memo[:canvas] ||= Artwork::Canvas.memo,
                          pictures: ->(digest) { Artwork::Picture.read(pictures.call(digest)) })
    end
  end
end
