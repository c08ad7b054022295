# frozen_string_literal: true

require "vips"

module SheetTrace
  module Raster
    # Steps that correct a picture before it is used: a recipe of plain hashes, each with the name of a step and its parameters. The picture's file
    # stays as it is. A new step is a file in corrections/ with .check, .size and .call, and a line here.
    module Corrections
      STEPS = Registry.new("correction", %w[Straighten Trim LeaveOut EvenLight Unroll].to_h do |constant|
        [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Raster::Corrections::#{constant}"]
      end)
      MOST_STEPS = 20
      LARGEST_PX = 16_384
      private_constant :LARGEST_PX

      # @param recipe [Array<Hash{Symbol => Object}>] each with step:, the name of one of STEPS
      # @param size [Array(Integer, Integer)] px of the picture before
      # @return [Array(Integer, Integer)] px after
      def self.size(recipe, size) = recipe.reduce(size) { |so_far, step| STEPS.fetch(step[:step]).size(so_far, **step.except(:step)) }

      # @return [String, nil] what is wrong with a recipe, in words
      def self.problem(recipe, size)
        return "the recipe is no list of steps" unless recipe.is_a?(Array) && recipe.all? { |step| step.is_a?(Hash) && step.key?(:step) }
        return "the recipe has #{recipe.size} steps; at most #{MOST_STEPS} are taken" if recipe.size > MOST_STEPS

        recipe.each_with_index.reduce(size) do |so_far, (step, i)|
          found = STEPS.fetch(step[:step]).check(so_far, **step.except(:step)) || too_large(step, so_far)
          return "step #{i + 1}, #{step[:step].tr("_", " ")}: #{found}" if found

          size([step], so_far)
        end
        nil
      rescue UnknownNameError, ArgumentError => e
        "the recipe can't be followed: #{e.message.lines.first.chomp}"
      end

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @return [Vips::Image] the same kind
      def self.call(recipe, image)
        recipe.reduce(image) { |so_far, step| STEPS.fetch(step[:step]).call(so_far, **step.except(:step)).copy_memory }
      end

      # @return [String, nil]
      def self.numbers(values, what, count)
        return if values.is_a?(Array) && values.size == count && values.all? { |value| value.is_a?(Numeric) && value.to_f.finite? }

        "#{what} is #{values.inspect.slice(0, 60)}; give #{count} numbers"
      end

      # Resamples by where each px comes from.
      #
      # @param places [Numo::DFloat] h x w x 2 px of the image, its first px's middle at 0.5
      # @return [Vips::Image] transparent where that is beside the image
      def self.resample(image, places)
        height, width, = places.shape
        index = Vips::Image.new_from_memory_copy(Numo::SFloat.cast(places - 0.5).to_binary, width, height, 2, :float)
        image.premultiply.mapim(index, interpolate: Vips::Interpolate.new("bicubic"), extend: :copy).unpremultiply.rint.cast(:uchar).copy(interpretation: :srgb)
      end

      def self.too_large(step, size)
        width, height = size([step], size)
        "it would make a picture of #{width} x #{height} px" unless [width, height].min.positive? && [width, height].max <= LARGEST_PX
      end
      private_class_method :too_large
    end
  end
end
