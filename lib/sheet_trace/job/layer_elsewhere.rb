# frozen_string_literal: true

module SheetTrace
  class Job
    # A layer of one job as it comes to lie in another: islands, parts and materials are known by their names, spots of
    # the model by where they are.
    class LayerElsewhere
      # A spot may lie so far off the other model, as a share of its size.
      NEAR = 0.02
      private_constant :NEAR

      # @param layer [Artwork::Layer] as an edition of the one job wears it
      # @param from [Job]; to [Job]
      # @return [Hash] parameters of Operations::AddLayer, as in JSON; pictures by their digests
      # @raise [InvalidOperationError] where the other job has no such place
      def self.call(layer, from:, to:) = new(layer, from, to).call

      def initialize(layer, from, to)
        @layer = layer
        @from = from
        @to = to
      end
      private_class_method :new

      def call
        refuse("it is made for the whole sheet; part it first, or lay it anew there") if @layer.content.whole_sheet?

        {
          name: @layer.name,
          content: content,
          place: place,
          opacity: @layer.look.opacity,
          blend: @layer.look.blend,
          **mask
        }
      end

      private

      def content
        plain = Artwork::KindOf.to_document(Artwork::CONTENTS, @layer.content)
        own = { kind: plain[:kind], **@layer.content.to_plain }
        own[:picture] = @layer.content.picture.digest if own.key?(:picture)
        own
      end

      def place
        place = @layer.place
        kind = Artwork::KindOf.name_of(Artwork::PLACES, place)
        refuse("it is held to its model; hold it to the sheet first") if kind == "model"

        own = place.to_plain
        own[:island] = named(:island, place.island) if place.island
        own.merge!(spot(place.at)) if own.key?(:face)
        own[:spots] = place.spots.map { |one| spot(one[:at]) } if own.key?(:spots)
        { kind: kind, **own.compact }
      end

      NAMES = {
        island: :island_names.to_proc,
        part: ->(job) { job.mesh.parts },
        material: ->(job) { job.mesh.material_names }
      }.freeze
      private_constant :NAMES

      # By its number there, where just one is called so.
      def named(word, index)
        names, others = [@from, @to].map { |job| NAMES.fetch(word).call(job) }
        name = names[index]
        found = others.each_index.select { |other| others[other] == name }
        return found.first if found.one?

        refuse("there is no #{word} called #{name} there") if found.empty?
        refuse("#{found.size} #{word}s are called #{name} there; rename them first")
      end

      def mask
        mask = @layer.look.mask
        {
          islands: mask.islands&.map { |index| named(:island, index) },
          parts: mask.parts&.map { |index| named(:part, index) },
          materials: mask.materials&.map { |index| named(:material, index) }
        }.compact.tap { refuse("it shows on picked faces only, which the other model has not") if mask.faces }
      end

      # Millimetres there are those here, whatever the models' units are.
      def spot(at)
        place = at.map { |value| value * @from.unit_mm / @to.unit_mm }
        triangle, shares = @to.mesh.nearest_spot(@to.mesh.faces_near(place), place)
        there = Geometry::Triple.blend(@to.mesh.welded.corners(triangle), shares)
        low, high = @to.mesh.bounds
        size = Geometry::Triple.distance(low, high)
        refuse("the other model has no surface where it lies") if Geometry::Triple.distance(there, place) > NEAR * size

        { face: @to.mesh.triangulation.faces[triangle], at: there }
      end

      def refuse(message) = raise(InvalidOperationError, ["#{@layer.name} can't go there: #{message}"])
    end
  end
end
