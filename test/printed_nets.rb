# frozen_string_literal: true

require_relative "scattered_panels"

# Boxes whose panels lie anywhere on the sheet, and printed nets of them: the front in the middle, the sides beside it,
# the lids above and below, the back at any of these. What must not matter is varied: the order of faces, islands and
# cells, where they lie, their scale and turn, the unit, the size of the picture.
class PrintedNets
  # all [Integer] panels; pairs [Array<Array(Float, Boolean)>] confidence of each proposal, and whether it was right:
  # the panel on its own cell as it is printed
  Outcome =
    Struct.new(:all, :pairs) do
      def right = pairs.count(&:last)

      def confidence = pairs.sum(&:first) / [pairs.size, 1].max
    end
  BACKS = %w[right left top bottom].freeze

  # @param random [Random]
  # @param sizes [Array<Array(Numeric, Numeric, Numeric)>] width, height and depth of each box, mm
  def initialize(random, sizes)
    @random = random
    @sizes = sizes
    @job = scattered
    @truth = printed
  end

  # @return [Outcome]
  def outcome
    found =
      SheetTrace::Fit::Match.call(
        @job.layout,
        (0...@job.layout.uv_map.island_count).to_a,
        underlay,
        names: @job.island_names,
        flat_map: @job.method(:flat_map)
      )
    Outcome.new(count, found.map { |proposal| [proposal.confidence, right?(proposal)] })
  end

  private

  # What may be right: panels.
  def count = @truth.size

  def scattered
    boxes = @sizes.each_with_index.map { |size, i| [[i * 400, 0, 0], size] }
    ScatteredPanels.call(Models.blocks(boxes, order: (0..5).to_a.shuffle(random: @random)), @random)
  end

  # Where each panel of a net lies, mm.
  def net((w, h, d), back)
    beside = [[w + d, 0, w, h], [-d - w, 0, w, h], [0, -d - h, w, h], [0, h + d, w, h]]
    {
      "Front" => [0, 0, w, h],
      "Left" => [-d, 0, d, h],
      "Right" => [w, 0, d, h],
      "Top" => [0, -d, w, d],
      "Bottom" => [0, h, w, d],
      "Back" => BACKS.zip(beside).to_h.fetch(back)
    }
  end

  # @return [Array<Array(Integer, String, Float, Array)>] box, side, turn, and the cell: left, top, width, height, px
  def printed
    scale = @random.rand(2.0..5.0)
    left = 20
    @sizes
      .each_with_index
      .flat_map do |size, i|
        back = BACKS.sample(random: @random)
        panels = net(size, back)
        low = [0, 1].map { |axis| panels.values.map { |box| box[axis] }.min }
        cells =
          panels.map do |name, (x, y, width, height)|
            from, to, top, bottom =
              [x - low[0], x - low[0] + width, y - low[1], y - low[1] + height].map { |mm| (mm * scale).round }
            # Beyond a lid the back stands on its head.
            turn = name == "Back" && %w[top bottom].include?(back) ? Math::PI : 0.0
            [i, name, turn, [from + left, top + 30, to - from, bottom - top]]
          end
        left = cells.map { |*, box| box[0] + box[2] }.max + 40
        cells
      end
      .shuffle(random: @random)
  end

  def underlay
    cells =
      @truth.each_with_index.map do |(*, (x, y, width, height)), i|
        SheetTrace::Fit::Cell.new(name: "Cell #{i + 1}", x: x, y: y, width: width, height: height)
      end
    size = [0, 1].map { |axis| cells.map { |cell| cell.box[axis + 2] }.max + 20 }
    SheetTrace::Fit::Underlay.new(name: "net", picture: "d", picture_px: size, cells: cells)
  end

  def right?(proposal)
    return false if proposal.mirrored || proposal.islands.size > 1 || proposal.cells.size > 1

    map = @job.layout.uv_map
    island = proposal.islands[0]
    side = SheetTrace::Mesh::Facing.names(map.mean_normals[[island], true])[0]
    @truth[proposal.cells[0]].first(3) == [@job.mesh.face_parts[map.island_faces[island][0]], side, proposal.turn_rad]
  end
end
