# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands of the same shape exactly onto the place of the first of them, point by point; those that are its mirror image then read
    # mirrored on the model, so no lettering may lie on them.
    #
    # islands [Array<Integer>, nil] those that are alike among them are stacked; all if nil
    StackTwins = Struct.new(:islands, keyword_init: true) do
      def initialize(islands: nil)
        super
        freeze
      end

      def validate(job)
        problem = islands && Checks.islands(job, islands)
        return [problem] if problem

        twins(job).empty? ? ["no two of these islands are alike: twins have the same shape, turned or reflected"] : []
      end

      def apply(job)
        uvs = job.layout.points_uv.copy
        twins(job).each { |found| found.points.drop(1).each { |points| uvs[points, true] = uvs[found.points.first, true] } }
        Job::Remap.with_points(job, uvs)
      end

      def describe(job, _after)
        told = twins(job).map do |found|
          reflected = found.reflected.count(true)
          "#{Words.count(found.islands.size - 1, "island")} on #{job.island_names[found.islands.first]}#{", #{reflected} reflected: no lettering there" if reflected.positive?}"
        end
        "Stacked #{told.join("; ")}"
      end

      private

      def twins(job) = Layout::FindTwins.call(job.method(:flat_map), job.layout.uv_map, islands || (0...job.layout.uv_map.island_count).to_a)
    end
  end
end
