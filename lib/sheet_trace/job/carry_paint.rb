# frozen_string_literal: true

module SheetTrace
  class Job
    # Carries what is painted on the map of one model onto the map of another of the same surface, or of one close to
    # it.
    module CarryPaint
      # image [Vips::Image] 8-bit sRGB with alpha; matched [Integer] faces of the new model that have their paint;
      # unmatched [Array<Integer>] those that are none of the old one's, or had no paint
      Carried = Struct.new(:image, :matched, :unmatched, keyword_init: true)
      NAME = "carried"
      private_constant :NAME

      # @param from [Formats::Reading] the model that the picture was painted for; bytes [String] of the picture
      # @param to [Formats::Reading] the other model
      # @param size [Layout::Sheet] of the picture that comes out
      # @param tolerance [Float, nil] as Mesh::MatchFaces
      # @param bleed_px [Integer] by which paint is carried past islands' edges
      # @return [Carried]
      # @raise [FormatError] as Artwork::Picture
      # @raise [InputError] where the models have nothing in common
      def self.call(from, bytes, to, size:, tolerance: nil, bleed_px: 4)
        facts, picture = Artwork::Picture.inspect_and_read(bytes, name: "the picture")
        file = Artwork::PictureFile.seen(digest: NAME, name: "the picture", **facts)
        sheet = Layout::Sheet.new(width_px: file.width_px, height_px: file.height_px)
        before = Job.start(from, source_name: "old", sheet: sheet)
        after = Job.start(to, source_name: "new", sheet: size)
        origins = Mesh::MatchFaces.call(before.mesh, after.mesh, tolerance: tolerance)
        if origins.lt(0).all?
          raise InputError,
                "nothing of the old model is found on the new one; give two models of one surface, in one unit"
        end

        painted = CarriedLayout.call(before.layout, after.mesh, origins)
        job = dressed(after, file, painted, bleed_px)
        kept = after.layout.uv_map.face_mapped & painted.uv_map.face_mapped
        Carried.new(
          image:
            Artwork::Compose.call(
              job.artwork,
              job.canvas(pictures: ->(_digest) { file.drawing ? bytes : picture }, size: size)
            ),
          matched: kept.count,
          unmatched: (~kept).where.to_a
        )
      end

      def self.dressed(job, file, painted, bleed_px)
        content = Artwork::Contents::Picture.new(picture: file)
        place = Artwork::Places::OnModel.new(painted_on: NAME)
        stack = job.artwork.with(bleed_px: bleed_px).add(name: NAME, content: content, place: place)
        job.with(artwork: stack, painted_maps: [KeptMap.new(NAME) { painted }])
      end
      private_class_method :dressed
    end
  end
end
