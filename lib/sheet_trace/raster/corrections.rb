# frozen_string_literal: true

require "vips"

module SheetTrace
  module Raster
    # Steps that correct a picture before it is used: a recipe of plain hashes, each with the name of a step and its
    # parameters. The picture's file
    # stays as it is. A new step is a file in corrections/ that declares its parameters, with .size, .call, if need
    # be .problem, and .begun with the number of PLACES that it is begun from, and a line here.
    module Corrections
      STEPS =
        Registry.new(
          "correction",
          %w[Straighten Trim LeaveOut EvenLight Unroll].to_h do |constant|
            [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Raster::Corrections::#{constant}"]
          end
        )
      MOST_STEPS = 20
      LARGEST_PX = 16_384
      private_constant :LARGEST_PX

      # @param recipe [Array<Hash{Symbol => Object}>] each with step:, the name of one of STEPS, and what it declares
      # @param size [Array(Integer, Integer)] px of the picture before
      # @return [Array(Integer, Integer)] px after
      def self.size(recipe, size) =
        recipe.reduce(size) do |so_far, step|
          with_values(step) { |correction, values| correction.size(so_far, **values) }
        end

      # A step as it is begun: of places that were drawn on the picture, and for the rest as it usually serves.
      #
      # @param name [String] of one of STEPS
      # @param size [Array(Integer, Integer)] px of the picture that it is done to
      # @param places [Array<Array(Float, Float)>] px of that picture; as many as the step's PLACES
      # @return [Hash{Symbol => Object}]
      # @raise [InputError] for another number of places
      def self.begun(name, size, places)
        correction = STEPS.fetch(name)
        unless places.size == correction::PLACES
          raise InputError, "#{name.tr("_", " ")} takes #{correction::PLACES} places; #{places.size} are given"
        end

        { step: name, **correction.begun(size, places) }
      end

      # @param places [Array<Array(Float, Float)>] two opposite corners of a box
      # @return [Array(Integer, Integer, Integer, Integer)] left, top, right, bottom, on whole px inside the picture
      def self.box(size, places)
        places
          .transpose
          .zip(size)
          .map { |values, side| values.minmax.map { |px| px.round.clamp(0, side) } }
          .transpose
          .flatten
      end

      # @param recipe [Array<Hash{Symbol => Object}>] each checked by itself
      # @raise [InputError] if a step can't be done to what the steps before leave of a picture of this size
      def self.validated_sizes(recipe, size)
        recipe
          .each_with_index
          .reduce(size) do |so_far, (step, i)|
            found =
              with_values(step) do |correction, values|
                correction.problem(so_far, **values) if correction.respond_to?(:problem)
              end || too_large(step, so_far)
            raise InputError, "step #{i + 1}, #{step[:step].tr("_", " ")}: #{found}" if found

            size([step], so_far)
          end
      end

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @return [Vips::Image] the same kind
      def self.call(recipe, image)
        recipe.reduce(image) do |so_far, step|
          with_values(step) { |correction, values| correction.call(so_far, **values).copy_memory }
        end
      end

      def self.with_values(step) =
        STEPS.fetch(step[:step]).then { |correction| yield correction, correction.filled(step.except(:step)) }

      # Resamples by where each px comes from.
      #
      # @param places [Numo::DFloat] h x w x 2 px of the image, its first px's middle at 0.5
      # @return [Vips::Image] transparent where that is beside the image
      def self.resample(image, places)
        height, width, = places.shape
        index = Vips::Image.new_from_memory_copy(Numo::SFloat.cast(places - 0.5).to_binary, width, height, 2, :float)
        image
          .premultiply
          .mapim(index, interpolate: Vips::Interpolate.new("bicubic"), extend: :copy)
          .unpremultiply
          .rint
          .cast(:uchar)
          .copy(interpretation: :srgb)
      end

      def self.too_large(step, size)
        width, height = size([step], size)
        return if [width, height].min.positive? && [width, height].max <= LARGEST_PX
        "it would make a picture of #{width} x #{height} px"
      end
      private_class_method :with_values, :too_large
    end
  end
end
