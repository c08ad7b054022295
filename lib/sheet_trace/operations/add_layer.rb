# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays a layer over the others: a picture or a fill, over the sheet or on an island, all of it or what a mask lets
    # through.
    class AddLayer < Operation
      text :name, "that of the picture, or the colour, if nil", optional: true
      parameter :content, Artwork::KindOf.new(Artwork::CONTENTS), "what it shows"
      parameter :place, Artwork::KindOf.new(Artwork::PLACES), "where it lies", default: { kind: "sheet" }
      islands :islands,
              "a mask: what it shows on, with parts, materials and faces; everything if all are nil",
              optional: true
      parts :parts, optional: true
      materials :materials, optional: true
      faces :faces, optional: true
      number :opacity, 0.0..1.0, default: 1.0
      one_of :blend, Artwork::Blend::MODES.keys, default: "normal"
      text :id, "of the new layer; the next free one if nil", optional: true
      fact :layer, Parameters::Text.new(80)

      def call(job)
        title = name || content.title
        mask = Artwork::Mask.new(islands: islands, parts: parts, materials: materials, faces: faces)
        look = Artwork::Look.new(mask: mask, opacity: opacity.to_f, blend: blend)
        stack = job.artwork.add(id: id, name: title, content: content, place: place, look: look)
        stack.layers.last.ready(job)
        on = mask.to_words(islands: job.island_names, parts: job.mesh.parts, materials: job.mesh.material_names)
        change(
          job.with(artwork: stack),
          "#{title} laid #{on ? "on #{on}" : place.to_words(job, content)}",
          layer: stack.layers.last.id
        )
      rescue UvError, MeshError, InputError => e
        refuse("#{name || content.title}: #{e.message}")
      end
    end
  end
end
