# frozen_string_literal: true

module SheetTrace
  class Job
    # What a receiver takes and what it does not: checked before anything is sent.
    class ReceiverRules < Parameters::Declared
      flag :powers_of_two, "sides of textures", default: false
      whole :largest_px, 16..16_384, "side of a texture", optional: true
      whole :largest_kb, 1..10_000_000, "of all files together", optional: true
      flag :single_material, default: false
      flag :opaque, "no texture may let anything through", default: false
      text :names, "that files must have, with * and ? as placeholders, such as tx_*", optional: true

      # rule [String]; message [String] what is broken; cure [String] what to do
      Break = Struct.new(:rule, :message, :cure, keyword_init: true)

      # @param job [Job]; size [Layout::Sheet] of the textures
      # @param options [Hash] as Deliver declares them, checked
      # @yieldreturn [Hash{String => String}] the files; asked for only where their weight counts
      # @return [Array<Break>]
      # @param base_name [String] what {job} stands for in names
      def breaks(job, size, options, base_name: Deliver.base_name(job.source_name), &files)
        [
          *of_size(size),
          *of_material(job, options),
          *of_alpha(options),
          *of_names(Deliver.base_names(job, base_name, options)),
          *(of_weight(files.call) if largest_kb)
        ]
      end

      private

      def broken(rule, message, cure) = Break.new(rule: rule, message: message, cure: cure)

      def of_size(size)
        sides = [size.width_px, size.height_px]
        found = []
        if powers_of_two && sides.any? { |px| px.anybits?(px - 1) }
          best = sides.map { |px| 2**Math.log2(px).round }.join(" x ")
          found << broken("powers_of_two", "#{size} are no powers of two", "take #{best} px")
        end
        if largest_px && sides.max > largest_px
          found << broken("largest_px", "#{sides.max} px are more than #{largest_px}", "take #{largest_px} px a side")
        end
        found
      end

      def of_material(job, options)
        count = job.mesh.materials.size
        return [] unless single_material && count > 1 && !options[:one_material]

        [broken("single_material", "the model has #{count} materials", "turn One material on")]
      end

      def of_alpha(options)
        return [] unless opaque && options[:alpha] == "keep" && Formats::Images::KINDS.fetch(options[:image]).alpha

        [broken("opaque", "the textures keep their transparency", "drop the alpha on a colour, or take JPEG")]
      end

      def of_names(bases)
        return [] unless names

        wrong = bases.reject { |base| File.fnmatch?(names, base) }
        return [] if wrong.empty?

        [broken("names", "#{wrong.join(", ")} #{wrong.one? ? "is" : "are"} not called #{names}", "change Name")]
      end

      def of_weight(files)
        kb = (files.values.sum(&:bytesize) / 1024.0).ceil
        return [] if kb <= largest_kb

        [broken("largest_kb", "#{kb} kB are more than #{largest_kb}", "take a smaller size, or JPEG or WebP")]
      end
    end
  end
end
