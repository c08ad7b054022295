# frozen_string_literal: true

module SheetTrace
  class Job
    # What becomes of a picture that another program has saved for a job: it replaces what a file of its name showed
    # before, or else is taken as a skin - as painted over the template that it was painted over, or over the sheet
    # where it has the sheet's proportions.
    class ReturnedFile
      # Sides may be off by this share, and a picture still have the sheet's proportions.
      SAME = 0.01
      # Paint tells its template with so much certainty, or it is not believed.
      SURE = 0.5
      private_constant :SAME, :SURE

      # @param job [Job]
      # @param file [Artwork::PictureFile]; bytes [String] of it
      # @param edition [String, nil] name of the one that it is for; all if nil
      # @return [Array<Array(String, Hash)>] names and parameters of operations, as in JSON, to be done in turn; :layer
      #   stands for the layer that the one before it laid
      # @raise [InputError] where it has no place
      def self.call(job, file, bytes, edition: nil) = new(job, file, bytes, edition).call

      def initialize(job, file, bytes, edition)
        @job = job
        @file = file
        @bytes = bytes
        @edition = edition && (editions.find { |name| name.casecmp?(edition) } || edition)
      end
      private_class_method :new

      def call
        former = former_layer
        return for_edition(laid, seen_there) unless former
        return [] if shown_by(former).digest == @file.digest

        content = { picture: @file.digest }
        return [["change_layer", { id: former.id, content: content }]] unless @edition

        for_edition(
          [],
          [["replace_in_edition", { id: former.id, edition: @edition, content: { kind: "picture", **content } }]]
        )
      end

      private

      def editions = @job.artwork.editions.map(&:name)

      def former_layer
        @job.artwork.layers.reverse.find do |layer|
          own = [layer.content, *@job.artwork.editions.map { |edition| edition.worn(layer).content }]
          own.any? { |content| content.is_a?(Artwork::Contents::Picture) && content.picture.name == @file.name }
        end
      end

      def shown_by(layer)
        index = @edition && editions.index(@edition)
        (index ? @job.artwork.editions[index].worn(layer) : layer).content.picture
      end

      def for_edition(before, after)
        return before unless @edition

        [*(editions.include?(@edition) ? [] : [["add_edition", { name: @edition }]]), *before, *after]
      end

      def seen_there
        [
          ["change_layer", { id: :layer, visible: false }],
          ["replace_in_edition", { id: :layer, edition: @edition, visible: true }]
        ]
      end

      def laid
        layout = painted_on
        if layout
          fits = PaintedOn.fits?(PaintedOn.layouts(@job).fetch(layout), @file.size_px)
          return [["bring_back", { picture: @file.digest, layout: layout, stretched: !fits }]]
        end
        if as_the_sheet?
          return [["add_layer", { name: @file.title, content: { kind: "picture", picture: @file.digest } }]]
        end

        raise InputError.new(
                "#{@file.name} is #{@file.size_px.join(" x ")} px, which are not the proportions of the sheet, and shows " \
                  "no template of this job; set it on an island on Art",
                where: {
                  file: @file.name
                }
              )
      end

      # @return [String, nil] code of a template that is kept
      def painted_on
        layouts = PaintedOn.layouts(@job)
        return if layouts.empty? || @file.drawing

        image = Artwork::Picture.read(@bytes).copy_memory
        found = Trace::Recognise.call(image, layouts, code: Formats::Label.code(@bytes))
        found.code if found.code && found.certainty >= SURE
      end

      def as_the_sheet?
        sheet = @job.sheet
        ((@file.width_px.fdiv(@file.height_px) / sheet.width_px.fdiv(sheet.height_px)) - 1).abs < SAME
      end
    end
  end
end
