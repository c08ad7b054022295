# frozen_string_literal: true

module SheetTrace
  module Operations
    # Changes a layer: its name, how it is laid over the others, what it shows or where. What is nil stays as it is;
    # of content and place, what is said. A layer that is named after its picture is named after the next one too.
    class ChangeLayer < Operation
      layer
      text :name, optional: true
      flag :visible, optional: true
      flag :locked, "against changes", optional: true
      number :opacity, 0..1, optional: true
      one_of :blend, Artwork::Blend::MODES.keys, "how its colours mix with those below", optional: true
      parameter :content, Artwork::ChangeOf.new(Artwork::CONTENTS), optional: true
      parameter :place, Artwork::ChangeOf.new(Artwork::PLACES), optional: true
      parameter :mask,
                record {
                  islands :islands, optional: true
                  parts :parts, optional: true
                  materials :materials, optional: true
                  faces :faces, optional: true
                },
                "what it shows on; everything if all are nil",
                optional: true

      def call(job)
        before = job.artwork.layer(id)
        if job.artwork.locked?(before) && locked.nil? && visible.nil?
          refuse("#{before.name} is locked; unlock it first")
        end

        after = changed(job, before)
        after.ready(job) if place || content
        layers = [after, (source(job, before) if content && follows?(before))].compact
        stack = layers.reduce(job.artwork) { |own, layer| own.replace(layer) }
        change(job.with(artwork: stack), sentence(job, before, stack.resolved.find { |layer| layer.id == id }))
      rescue UvError, MeshError, InputError => e
        refuse("#{before.name}: #{e.message}")
      end

      private

      def changed(job, layer)
        context = References::Context.new(job: job, pictures: ->(_name) {})
        look = {
          visible: visible,
          locked: locked,
          opacity: opacity&.to_f,
          blend: blend,
          mask: mask && Artwork::Mask.new(**mask)
        }.compact
        shown = content && !follows?(layer) ? content.call(layer.content, context) : layer.content
        after =
          layer.showing(shown).with(
            name: name || (layer.name == layer.content.title ? shown.title : layer.name),
            look: layer.look.with(**look)
          )
        place ? after.with(place: place.call(after.place, context)) : after
      rescue InputError => e
        refuse("#{layer.name}: #{e.message}")
      end

      def follows?(layer) = layer.content.is_a?(Artwork::Contents::Same)

      # What a layer shows that shows what another does is changed there.
      def source(job, layer)
        source = job.artwork.layer(layer.content.of)
        refuse("#{source.name} is locked; unlock it first") if job.artwork.locked?(source)

        source.showing(content.call(source.content, References::Context.new(job: job, pictures: ->(_name) {})))
      end

      def sentence(job, before, after)
        return placed(job, after) if place && after.place.island
        return "#{after.name}: #{after.place.to_words(job, after.content)}" if place

        does = [
          name && "renamed #{after.name}",
          { true => "shown", false => "hidden" }[visible],
          { true => "locked", false => "unlocked" }[locked],
          opacity && "opacity #{Phrases.short(opacity * 100)} %",
          blend && "blend #{blend}",
          content && "now #{after.content.to_words}",
          mask && shows_on(job, after)
        ]
        "#{before.name}: #{does.compact.join(", ").then { |words| words.empty? ? "left as it is" : words }}"
      end

      def placed(job, layer)
        spot = layer.place
        "#{layer.name}: #{Phrases.mm(spot.width_mm)} wide, #{Phrases.short(spot.x_mm)}, #{Phrases.mm(spot.y_mm)} " \
          "from the middle of " \
          "#{job.island_names[spot.island]}, turned #{Phrases.degrees(spot.turn_rad)}" \
          "#{", bent by #{Phrases.degrees(spot.bend_rad)}" unless spot.bend_rad.zero?}" \
          "#{", its corners pulled" if spot.corners.any?(&:nonzero?)}"
      end

      def shows_on(job, layer)
        on =
          layer.look.mask.to_words(islands: job.island_names, parts: job.mesh.parts, materials: job.mesh.material_names)
        on ? "on #{on} only" : "on everything"
      end
    end
  end
end
