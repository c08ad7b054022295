# frozen_string_literal: true

module SheetTrace
  class Job
    # The layouts that a job keeps as something was painted on them: skins held to the model, and templates that were
    # exported and may come back.
    module PaintedOn
      # Templates whose layouts are kept, the last ones.
      EXPORTED = 12
      # By which sides may differ in their proportions.
      ROUNDING = 0.01
      private_constant :EXPORTED, :ROUNDING

      # @param job [Job]
      # @param name [String, nil] for the present layout; the next free one if nil
      # @return [Array(Array<KeptMap>, String)] the layouts with the present one, and its name
      def self.with_present(job, name = nil)
        layout = job.layout
        known = job.painted_maps.find { |map| name ? map.name == name : map.layout.equal?(layout) }
        return job.painted_maps, known.name if known

        name ||= "painted-#{job.painted_maps.filter_map { |map| map.name[/\Apainted-(\d+)\z/, 1]&.to_i }.max.to_i + 1}"
        [job.painted_maps + [KeptMap.new(name) { layout }], name]
      end

      # @param job [Job]
      # @return [Job] without layouts that no layer and no template asks for
      def self.pruned(job)
        asked = job.artwork.painted_on + exported(job)
        job.with(painted_maps: job.painted_maps.select { |map| asked.include?(map.name) })
      end

      # @param job [Job]
      # @return [Hash{String => Layout}] of the templates that may come back, by their codes, the last one first
      def self.layouts(job)
        maps = job.painted_maps.to_h { |map| [map.name, map] }
        exported(job).filter_map { |code| [code, maps[code].layout] if maps[code] }.to_h
      end

      # @param job [Job]
      # @return [Array<String>] codes of the templates whose layouts are kept, the last one first
      def self.exported(job) = job.exported.reverse.map(&:code).uniq.first(EXPORTED)

      # @param job [Job]
      # @param code [String] of .exported
      # @return [Trace::Exported] the last template of that layout
      def self.template(job, code) = job.exported.reverse.find { |own| own.code == code }

      # @param layout [Layout]
      # @param size_px [Array(Integer, Integer)] of a picture
      # @return [Boolean] whether it has the proportions of the layout's sheet
      def self.fits?(layout, size_px)
        width, height = size_px
        ((width.fdiv(height) * layout.sheet.height_px / layout.sheet.width_px) - 1).abs <= ROUNDING
      end

      # @param job [Job]
      # @param code [String, nil] of the template that a picture was painted over
      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @return [Float] width in the picture of the template's lines, where they were left in it; else 0
      def self.guide_px(job, code, image)
        layout = layouts(job)[code]
        return 0.0 unless layout && Trace::GuideLeft.call(image, layout)

        [image.width.fdiv(template(job, code).width_px), 1.0].max.round(2)
      end
    end
  end
end
