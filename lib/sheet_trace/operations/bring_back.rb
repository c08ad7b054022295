# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes a picture that was painted over an exported template as a skin held to the model, on the layout of that
    # template: whatever became of the layout since, the paint lands where it belongs. It replaces the skin that a file
    # of the same name brought.
    class BringBack < Operation
      # From so many px of the sheet for one of the picture on, paint is told to be enlarged.
      ENLARGED = 1.5
      private_constant :ENLARGED

      picture
      text :layout, "the code of the template's layout"
      flag :stretched, "it is stretched onto the template where its proportions are others", default: false
      fact :layer, Parameters::Text.new(80)
      # Faces that were painted and have no place on the sheet now.
      fact :lost_faces, Parameters::Whole.new(0..10_000_000)
      # Islands whose paint is enlarged by more than 1.5, and those that were cut otherwise.
      fact :enlarged, Parameters::ListOf.new(Parameters::Whole.new(0..10_000_000))
      fact :cut_anew, Parameters::ListOf.new(Parameters::Whole.new(0..10_000_000))

      def call(job)
        painted = layout_of(job)
        refuse_other_proportions(painted.sheet) unless stretched || Job::PaintedOn.fits?(painted, picture.size_px)
        stack, id, replaced = laid(job)
        lost = lost_faces(job, painted)
        enlarged = enlarged(job, painted)
        cut_anew = cut_anew(job, painted)
        told = [
          ("#{lost} faces have no place now" if lost.positive?),
          ("#{names(job, enlarged)} enlarged more than #{ENLARGED} times" if enlarged.any?),
          ("#{names(job, cut_anew)} cut anew" if cut_anew.any?)
        ].compact
        change(
          job.with(artwork: stack),
          "#{picture.title}, painted on layout #{layout}, #{replaced ? "replaced" : "brought back"}: " \
            "#{told.empty? ? "nothing lost" : told.join("; ")}",
          layer: id,
          lost_faces: lost,
          enlarged: enlarged,
          cut_anew: cut_anew
        )
      end

      private

      def layout_of(job)
        map = job.painted_maps.find { |kept| kept.name == layout }
        return map.layout if map

        known = Job::PaintedOn.exported(job)
        refuse(
          if known.empty?
            "no template of this job was exported; lay the picture over the sheet instead"
          else
            "there is no template of layout #{layout}; there are #{known.join(", ")}"
          end
        )
      end

      def refuse_other_proportions(sheet)
        width, height = picture.size_px
        refuse(
          "#{picture.title} is #{width} x #{height} px, and the template has the proportions of #{sheet.width_px} x " \
            "#{sheet.height_px}; save it whole, or say that it shall be stretched"
        )
      end

      # @return [Array(Artwork::Stack, String, Boolean)] the stack with it, its layer, and whether it was there before
      def laid(job)
        content = Artwork::Contents::Picture.new(picture: picture)
        place = Artwork::Places::OnModel.new(painted_on: layout)
        former = job.artwork.layers.reverse.find { |layer| layer.name == picture.title && same_kind?(layer) }
        return job.artwork.replace(former.with(content: content, place: place)), former.id, true if former

        stack = job.artwork.add(id: nil, name: picture.title, content: content, place: place)
        [stack, stack.layers.last.id, false]
      end

      def same_kind?(layer)
        layer.content.is_a?(Artwork::Contents::Picture) && layer.place.is_a?(Artwork::Places::OnModel)
      end

      def lost_faces(job, painted) = (painted.uv_map.face_mapped & ~job.layout.uv_map.face_mapped).count

      # By the square root of the areas that the same triangles have, in px of the picture and of the sheet.
      def enlarged(job, painted)
        now = job.layout
        cut = now.uv_map.mesh.triangulation
        rows = (now.uv_map.face_mapped[cut.faces] & painted.uv_map.face_mapped[cut.faces]).where
        return [] if rows.empty?

        areas =
          [[now, [now.sheet.width_px, now.sheet.height_px]], [painted, picture.size_px]].map do |own, sides|
            islands = now.uv_map.face_islands[cut.faces[rows]]
            Geometry::Grouped.sum(islands, px_areas(own, cut.corners[rows, true], sides), now.uv_map.island_count)
          end
        (areas[0] > areas[1] * (ENLARGED**2)).where.to_a.select { |island| areas[1][island].positive? }
      end

      def px_areas(layout, corners, sides)
        points = layout.uv_map.corner_points[corners]
        x, y = [0, 1].map { |axis| layout.points_uv[true, axis][points] * sides[axis] }
        sides = [x, y].flat_map { |own| [1, 2].map { |k| own[true, k] - own[true, 0] } }
        ((sides[0] * sides[3]) - (sides[1] * sides[2])).abs / 2
      end

      # Islands now whose faces were not one island then.
      def cut_anew(job, painted)
        before = painted.uv_map.island_faces.to_set(&:to_a)
        job.layout.uv_map.island_faces.each_index.reject do |island|
          before.include?(job.layout.uv_map.island_faces[island].to_a)
        end
      end

      def names(job, islands)
        shown = islands.first(3).map { |island| job.island_names[island] }.join(", ")
        islands.size > 3 ? "#{shown} and #{islands.size - 3} more" : shown
      end
    end
  end
end
