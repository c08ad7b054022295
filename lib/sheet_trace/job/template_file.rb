# frozen_string_literal: true

module SheetTrace
  class Job
    # The wireframe template of a job as a file: which islands, at what size, over what, in what format.
    module TemplateFile
      extend References

      GROUNDS = %w[none art underlay].freeze
      MARGIN_PX = 16
      # How strongly the neighbour's art is shown.
      DIMMED = 0.5
      private_constant :MARGIN_PX, :DIMMED

      one_of :format, Formats::Drawings::KINDS.keys, default: "png"
      islands :islands, "all if nothing is said of islands, parts and materials", optional: true
      parts :parts, optional: true
      materials :materials, optional: true
      one_of :ground, GROUNDS, "a picture of the job under the lines", default: "none"
      number :strip_px,
             0.0..256.0,
             "beyond each seam so much of the neighbour's art is shown, dimmed, at the layout's own size",
             default: 0.0
      flag :crop, "only the part of the sheet that the islands lie on", default: false
      number :dpi, 1.0..4800.0, "px to an inch that the file says; as on the model if nil", optional: true
      one_of :paper,
             Formats::Pdf::Writer::PAPERS_MM.keys,
             "of PDF, over as many pages as it takes; one page as large as it is if nil",
             optional: true
      flag :hairlines, "of SVG: lines along islands' borders as thin as can be, for a cutter", default: false

      # @param job [Job]
      # @param size [Layout::Sheet] of the template
      # @param title [String] of the job
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @param file [Hash] as declared above; options [Hash] as Trace::Template
      # @return [String] bytes of the file
      # @raise [InputError] where nothing is there to be drawn
      def self.call(job, size:, title:, pictures:, file: {}, options: {})
        file = validated(file, References::Context.new(job: job))
        islands = chosen(job, file)
        scene =
          Trace::Template.call(
            job.layout,
            size: size,
            islands: islands,
            facts: facts(job, title),
            under: under(job, file, size.for_a_job, pictures),
            **options
          )
        scene = cropped(scene, job, islands, size) if file[:crop]
        Formats::Drawings.call(
          scene,
          file[:format],
          px_per_mm: file[:dpi] ? file[:dpi] / 25.4 : job.true_density_px_per_mm(size),
          label: Formats::Label.new(title: title, code: Trace::Code.call(job.layout)),
          hard: options[:hard] || false,
          **file.slice(:paper, :hairlines)
        )
      end

      # @return [Trace::Facts]
      def self.facts(job, title)
        Trace::Facts.new(
          names: job.island_names,
          title: title,
          code: Trace::Code.call(job.layout),
          px_per_mm: job.true_density_px_per_mm,
          measures: job.measures
        )
      end

      # @return [Array<Integer>, nil] nil for all
      def self.chosen(job, file)
        map = job.layout.uv_map
        mask = Artwork::Mask.new(**file.slice(:islands, :parts, :materials), faces: nil)
        islands = mask.whole? ? nil : map.triangles.islands[mask.triangles(map).where].to_a.uniq.sort
        return islands if islands.nil? ? map.island_count.positive? : islands.any?

        raise InputError, "there is nothing to trace; pick islands that are on the sheet, or trace them all"
      end

      # @return [Vips::Image, nil]
      def self.under(job, file, size, pictures)
        ground = ground(job, file[:ground], size, pictures)
        return ground if file[:strip_px].zero?

        strips = strips(job, file[:strip_px], job.canvas(pictures: pictures, size: size))
        strips && ground ? strips.composite2(ground, :over).cast(:uchar) : strips || ground
      end

      # Beyond each seam the art that goes on there.
      def self.strips(job, strip_px, canvas)
        width_mm = 2 * strip_px / (job.density_px_per_mm || 1.0)
        strips = Artwork::SeamStrips.call(canvas, width_mm, nil, outside: true) or return

        shown = strips.shown(Artwork::Compose.call(job.artwork, canvas))
        shown.extract_band(0, n: 3).bandjoin((shown.extract_band(3) * DIMMED).cast(:uchar))
      end

      def self.ground(job, ground, size, pictures)
        case ground
        when "art"
          Artwork::Compose.call(job.artwork, job.canvas(pictures: pictures, size: size))
        when "underlay"
          underlay = job.fit_setup.underlay or
            raise InputError, "no underlay is shown; lay a picture under the islands first, or take another ground"
          image = Artwork::UnderlayPicture.on_sheet(underlay, pictures.call(underlay.picture))
          image.resize(size.width_px.fdiv(image.width), vscale: size.height_px.fdiv(image.height)).cast(:uchar)
        end
      end

      # To whole px round the islands, with a margin.
      def self.cropped(scene, job, islands, size)
        points = islands ? job.layout.uv_map.points_of(islands) : true
        places = size.to_px(job.layout.points_uv)[points, true]
        left, top = places.min(axis: 0).to_a.map { |px| [px.floor - MARGIN_PX, 0].max }
        right, bottom =
          places
            .max(axis: 0)
            .to_a
            .zip([size.width_px, size.height_px])
            .map { |px, side| [px.ceil + MARGIN_PX, side].min }
        scene.cropped(left, top, [right - left, 1].max, [bottom - top, 1].max)
      end
      private_class_method :facts, :chosen, :under, :strips, :ground, :cropped
    end
  end
end
