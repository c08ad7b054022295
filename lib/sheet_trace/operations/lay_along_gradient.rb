# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays faces into a gradient so that a direction of the model runs along it: what lies lowest in that direction takes the middle of the gradient's first
    # px, what lies highest that of its last, so that both end colours are met.
    #
    # islands or faces [Array<Integer>] or material [Integer]; cell [Integer]; direction [Array(Float, Float, Float)]
    # way [String] "across" or "down": where the gradient runs, from the left or from the top; reverse [Boolean] the other way round
    LayAlongGradient = Struct.new(:islands, :faces, :material, :cell, :direction, :way, :reverse, keyword_init: true) do
      def initialize(cell:, direction:, islands: nil, faces: nil, material: nil, way: "down", reverse: false)
        super
        freeze
      end

      def validate(job)
        return ["no underlay is shown; lay one under the islands first"] unless job.backdrop.underlay

        [FacesOf.problem(job, to_h), Checks.entry(cell, job.backdrop.cells, "cell"),
         Checks.vector(direction, "direction", required: true), Checks.one_of(way, "way", %w[across down]), Checks.flag(reverse, "reverse")].compact
      end

      def apply(job)
        chosen = FacesOf.call(job, to_h)
        whole = SetIntoCells.new(assignments: [{ faces: chosen, cell: cell, together: false }]).apply(job)
        map = whole.layout.uv_map
        own = map.face_islands[chosen].to_a.uniq
        points = Fit::AlongGradient.call(whole.layout, own, whole.backdrop.underlay.box_px(whole.backdrop.cells[cell], whole.sheet), px(whole), direction, way: way,
                                                                                                                                                           reverse: reverse)
        Job::Remap.with_points(whole, whole.sheet.px_to_uv.apply(points))
      end

      def describe(job, _after)
        "#{FacesOf.words(job, to_h)} laid along the gradient of #{job.backdrop.cells[cell].name}, #{way == "down" ? "from its top" : "from its left"}#{" backwards" if reverse}"
      end

      private

      # @return [Array(Float, Float)] px of the sheet that a px of the picture covers
      def px(job) = job.backdrop.underlay.to_sheet(job.sheet).then { |map| [map.a, map.e] }
    end
  end
end
