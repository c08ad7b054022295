# frozen_string_literal: true

module SheetTrace
  module Artwork
    # One layer of the stack. Immutable.
    #
    # id [String] unique in the stack; name [String]
    # content [Object] of a class of CONTENTS; place [Object] of a class of PLACES; look [Look]
    # group [String, nil] name of the one that it is in
    Layer =
      Struct.new(:id, :name, :content, :place, :look, :group, keyword_init: true) do
        def initialize(look: Look.new, **rest)
          super
          freeze
        end

        # @return [Layer] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Array<Layer>] itself, or what was merged into it
        def leaves = content.is_a?(Contents::Merged) ? content.layers.flat_map(&:leaves) : [self]

        # @return [Layer] with another content; letters keep their size
        def showing(other)
          return with(content: other) unless content.width_em && other.width_em && place.width_mm

          with(content: other, place: place.with(width_mm: place.width_mm * other.width_em / content.width_em))
        end

        # @param job [Object] Job
        # @return [Float, nil] px of its picture to a texel of the sheet; nil where it has none, or says no size
        def picture_px_per_texel(job)
          return unless content.is_a?(Contents::Picture) && !content.picture.drawing && place.width_mm

          density = place.density_px_per_mm(job, content)
          content.width_px / (place.width_mm * density) if density&.positive?
        end

        # @param job [Object] Job
        # @return [String, nil] whether its picture has too few px for the sheet, enough, or more than it can show
        def picture_judged(job)
          px = picture_px_per_texel(job) or return

          Layer::JUDGED.find { |_, least| px >= least }.first
        end

        # @return [Boolean] whether there is something to see of it
        def shown? = look.visible && look.opacity.positive?

        # @return [Hash] plain values
        def to_plain
          {
            id: id,
            name: name,
            content: KindOf.to_document(CONTENTS, content),
            place: KindOf.to_document(PLACES, place),
            look: look.to_plain,
            group: group
          }
        end

        # @param job [Job]
        # @raise [InputError, UvError, MeshError] where it can't lie there
        def ready(job)
          if content.whole_sheet? && place != Places::OnSheet.new
            raise InputError, "it is made for the whole sheet, and can lie nowhere else"
          end

          place.ready(job, content)
        end

        # @param change [Array] as Stack#kept_px takes
        # @return [Layer] on a sheet that has grown or shrunk
        def kept_px(*change)
          with(content: content.kept_px(*change), place: content.whole_sheet? ? place : place.kept_px(*change))
        end

        # @param carry [Object] what becomes of islands and faces, as Job::Carry has it
        # @return [Layer] the same on another map
        def handed_on(carry)
          with(
            content: content.handed_on(carry),
            place: place.handed_on(carry),
            look: look.with(mask: look.mask.handed_on(carry))
          )
        end

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        # @return [Layer]
        def self.from_plain(plain)
          new(
            id: plain[:id],
            name: plain[:name],
            content: KindOf.from_document(CONTENTS, plain[:content]),
            place: KindOf.from_document(PLACES, plain[:place]),
            look: Look.from_plain(plain[:look]),
            group: plain[:group]
          )
        end
      end
    # How many px a picture has to a texel, from when on it is called so (common practice, no source).
    Layer::JUDGED = { "wasted" => 2.5, "enough" => 0.95, "coarse" => 0.0 }.freeze
  end
end
