# frozen_string_literal: true

require_relative "scattered_panels"

# Panels that stand beside each other in a wall, and the cells of a picture that they belong to. What must not matter
# is varied: the order of panels and cells, where they lie, their scale and turn, the unit, the size of the picture.
class LoosePanels
  # all [Integer] panels; pairs [Array<Array(Float, Boolean)>] confidence of each proposal, and whether it was right:
  # the panel on its own cell, as it lies there
  Outcome = Struct.new(:all, :pairs)
  SPACING = 200

  # @param random [Random]
  # @param sizes [Array<Array(Numeric, Numeric)>] width and height of each panel, mm
  # @param lying [Array<Integer>] of panels whose cells lie on their left side: turned by a quarter
  # @param names [Array<String>, nil] of panels and cells; numbered without
  # @param spare [Integer] further cells that belong to nothing
  # @param off [Numeric] share by which cells may be larger or smaller either way than what belongs to them
  def initialize(random, sizes, lying: [], names: nil, spare: 0, off: 0)
    @random = random
    @sizes = sizes
    @lying = lying
    @names = names
    @off = off
    @job = scattered
    @truth = printed(spare)
  end

  # @return [Outcome]
  def outcome
    found =
      SheetTrace::Fit::Match.call(
        @job.layout,
        (0...@sizes.size).to_a,
        underlay,
        names: @job.island_names,
        flat_map: @job.method(:flat_map)
      )
    Outcome.new(@sizes.size, found.map { |proposal| [proposal.confidence, right?(proposal)] })
  end

  private

  def scattered
    @order = @sizes.each_index.to_a.shuffle(random: @random)
    ScatteredPanels.call(wall, @random)
  end

  # Rows of panels, none touching another.
  def wall
    @order
      .each_with_index
      .flat_map do |panel, i|
        width, height = @sizes[panel]
        x, y = [i % 4, i / 4].map { |place| place * SPACING }
        corners = [[x, y], [x + width, y], [x + width, y + height], [x, y + height]]
        name = @names ? @names[panel] : "p#{i}"
        [
          "o #{name}",
          *corners.map { |place| "v #{place.join(" ")} 0" },
          "f #{(1..4).map { |k| k + (4 * i) }.join(" ")}"
        ]
      end
      .join("\n")
  end

  # @return [Array<Array(Integer, Array)>] panel or nil, and the cell: left, top, width, height, px
  def printed(spare)
    scale = @random.rand(2.0..5.0)
    more = Array.new(spare) { [nil, @sizes.sample(random: @random).map { |side| side * @random.rand(0.7..1.4) }] }
    [*@sizes.each_with_index.map { |size, i| [i, @lying.include?(i) ? size.reverse : size] }, *more].shuffle(
      random: @random
    )
      .each_with_index
      .map do |(panel, size), i|
        places = [i % 4, i / 4].map { |place| (place * SPACING * scale * 1.2).round + @random.rand(9) }
        [panel, [*places, *size.map { |side| (side * scale * (1 + @random.rand(-@off.to_f..@off))).round }]]
      end
  end

  def underlay
    cells =
      @truth.each_with_index.map do |(panel, (x, y, width, height)), i|
        name = @names && panel ? @names[panel] : "Cell #{i + 1}"
        SheetTrace::Fit::Cell.new(name: name, x: x, y: y, width: width, height: height)
      end
    size = [0, 1].map { |axis| cells.map { |cell| cell.box[axis + 2] }.max + 20 }
    SheetTrace::Fit::Underlay.new(name: "atlas", picture: "d", picture_px: size, cells: cells)
  end

  def right?(proposal)
    return false if proposal.mirrored || proposal.islands.size > 1 || proposal.cells.size > 1

    part = @job.mesh.face_parts[@job.layout.uv_map.island_faces[proposal.islands[0]][0]]
    panel = @order[part]
    turns = @lying.include?(panel) ? [Math::PI / 2, 3 * Math::PI / 2] : [0.0]
    @truth[proposal.cells[0]][0] == panel && turns.include?(proposal.turn_rad)
  end
end
