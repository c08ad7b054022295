# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands of the same shape exactly onto the place of the first of them, point by point; those that are its
    # mirror image then read
    # mirrored on the model, so no lettering may lie on them.
    class StackTwins < Operation
      islands :islands, "those that are alike among them are stacked; all if nil", optional: true

      def call(job)
        twins =
          Layout::FindTwins.call(
            job.method(:flat_map),
            job.layout.uv_map,
            islands || (0...job.layout.uv_map.island_count).to_a
          )
        refuse("no two of these islands are alike: twins have the same shape, turned or reflected") if twins.empty?

        uvs = job.layout.points_uv.copy
        twins.each { |group| group.points.drop(1).each { |points| uvs[points, true] = uvs[group.points.first, true] } }
        change(Job::Remap.with_points(job, uvs), "Stacked #{twins.map { |group| stacked(job, group) }.join("; ")}")
      end

      private

      def stacked(job, group)
        reflected = group.reflected.count(true)
        warning = ", #{reflected} reflected: no lettering there" if reflected.positive?
        "#{Phrases.count(group.islands.size - 1, "island")} on #{job.island_names[group.islands.first]}#{warning}"
      end
    end
  end
end
