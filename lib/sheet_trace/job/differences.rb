# frozen_string_literal: true

module SheetTrace
  class Job
    # In what a state of a job differs from an earlier one: sheet, islands, layers and editions, a sentence each.
    class Differences
      # Of one kind so many are named.
      MOST = 12
      # Islands that moved by less stayed where they are.
      MOVED_PX = 0.05
      private_constant :MOST, :MOVED_PX

      # @param before [Job]; after [Job]
      # @return [Array<String>] empty where they are the same in all of that
      def self.call(before, after) = new(before, after).call

      def initialize(before, after)
        @before = before
        @after = after
      end
      private_class_method :new

      # @return [Array<String>]
      def call = [*sheet, *surface, *islands, *layers, *editions]

      private

      def sheet
        changed = []
        changed << "The sheet: #{size(@before)} -> #{size(@after)} px" if @before.sheet.to_h != @after.sheet.to_h
        changed << "One unit: #{@before.unit_mm} -> #{@after.unit_mm} mm" if @before.unit_mm != @after.unit_mm
        changed
      end

      def size(job) = job.sheet.to_h.values_at(:width_px, :height_px).join(" x ")

      def surface
        counts = [@before, @after].map { |job| job.mesh.face_count }
        return [] if counts.uniq.one?

        ["The model: #{counts.join(" -> ")} faces"]
      end

      # Islands are the same that have the same faces.
      def islands
        now, then_now = [@after, @before].map { |job| job.layout.uv_map.island_faces.map(&:to_a) }
        former = then_now.each_with_index.to_h
        pairs = now.each_with_index.filter_map { |faces, index| [former[faces], index] if former.key?(faces) }
        known = pairs.map(&:last)
        [
          *named("cut anew", (0...now.size).to_a - known, @after.island_names),
          *named("moved, turned or sized", moved(pairs), @after.island_names),
          *renamed(pairs)
        ]
      end

      def moved(pairs)
        return pairs.map(&:last) if @before.sheet.to_h != @after.sheet.to_h && pairs.none?

        pairs.filter_map do |from, to|
          places = [[@before, from], [@after, to]].map { |job, island| places_of(job, island) }
          to if places.map(&:shape).uniq.size > 1 || (places[0] - places[1]).abs.max > MOVED_PX
        end
      end

      # Of the island's faces, corner by corner.
      def places_of(job, island)
        map = job.layout.uv_map
        faces = map.island_faces[island].to_a
        corners = faces.flat_map { |face| (job.mesh.face_starts[face]...job.mesh.face_starts[face + 1]).to_a }
        job.layout.points_px[map.corner_points[corners], true]
      end

      def renamed(pairs)
        pairs.filter_map do |from, to|
          names = [@before.island_names[from], @after.island_names[to]]
          "Island #{names.join(" is now ")}" if names.uniq.size > 1
        end
      end

      def named(what, indices, names)
        return [] if indices.empty?

        shown = indices.first(MOST).map { |index| names[index] }.join(", ")
        more = indices.size > MOST ? " and #{indices.size - MOST} more" : ""
        ["#{indices.one? ? "Island" : "Islands"} #{what}: #{shown}#{more}"]
      end

      def layers
        before, after = [@before, @after].map { |job| job.artwork.layers.to_h { |layer| [layer.id, layer] } }
        kept = before.keys & after.keys
        [
          *listed("added", after.except(*kept).values),
          *listed("gone", before.except(*kept).values),
          *kept.filter_map { |id| change(before[id], after[id]) },
          *("The order of layers is another" if kept != (after.keys & before.keys))
        ]
      end

      def listed(what, layers)
        return [] if layers.empty?

        ["#{layers.one? ? "Layer" : "Layers"} #{what}: #{layers.map(&:name).join(", ")}"]
      end

      def change(from, to)
        done = [
          ("renamed #{to.name}" if from.name != to.name),
          ("shows #{to.content.to_words}" if from.content != to.content),
          ("lies #{to.place.to_words(@after, to.content)}" if from.place != to.place),
          ("is blended or masked otherwise" if from.look != to.look)
        ].compact
        "#{from.name} #{done.join(", ")}" if done.any?
      end

      def editions
        before, after =
          [@before, @after].map { |job| job.artwork.editions.to_h { |edition| [edition.name, edition.replaced] } }
        names = { "added" => after.keys - before.keys, "gone" => before.keys - after.keys }
        [
          *names.filter_map { |what, own| "Editions #{what}: #{own.join(", ")}" if own.any? },
          *(before.keys & after.keys).filter_map do |name|
            "Edition #{name} replaces otherwise" if before[name] != after[name]
          end
        ]
      end
    end
  end
end
