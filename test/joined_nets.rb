# frozen_string_literal: true

require_relative "models"
require_relative "printed_nets"

# Boxes laid flat as nets of joined panels, and the printed nets that each goes onto as one piece. What must not matter
# is varied: the order of faces, parts and cells, where the nets lie, their scale and turn, the unit, the size and
# proportions of the picture.
class JoinedNets < PrintedNets
  NEAR = 1e-3 # mm

  # @param random [Random]
  # @param sizes [Array<Array(Numeric, Numeric, Numeric)>] width, height and depth of each box, mm
  # @param off [Numeric] share by which folds and rims may lie elsewhere than on the model
  # @param otherwise [Boolean] printed with the back at another place than in the net, so that nothing is right
  def initialize(random, sizes, off: 0, otherwise: false)
    @off = off
    @otherwise = otherwise
    super(random, sizes)
  end

  private

  # Nets: one is right on its own cells, upright as it is printed.
  def count = @sizes.size

  def scattered
    boxes = @sizes.each_with_index.map { |size, i| [[i * 400, 0, 0], size] }.shuffle(random: @random)
    obj = Models.blocks(boxes, order: (0..5).to_a.shuffle(random: @random))
    job = run(Models.job(obj, unit_mm: @random.rand(0.1..10.0)), "lay_flat", by: "best")
    (0...job.layout.uv_map.island_count).reduce(job) do |so_far, island|
      run(
        so_far,
        "transform_islands",
        islands: [island],
        turn_rad: @random.rand(4) * Math::PI / 2,
        scale: [@random.rand(0.5..0.9)] * 2,
        move_px: [@random.rand(-9..9), @random.rand(-9..9)]
      )
    end
  end

  def run(job, name, **parameters) =
    SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job, pictures: ->(_) {}).job

  # @return [Array<Array(Integer, Array)>] island, and the cell: left, top, width, height, px
  def printed
    scale = @random.rand(2.0..5.0)
    left = 20
    (0...@job.layout.uv_map.island_count)
      .to_a
      .shuffle(random: @random)
      .flat_map do |island|
        boxes = @otherwise ? elsewhere(island) : panels(island)
        lines = [0, 1].map { |axis| lines(boxes, axis, scale) }
        cells =
          boxes.map do |box|
            from, to, top, bottom =
              [[0, 0], [2, 0], [1, 1], [3, 1]].map { |side, axis| lines[axis][box[side].round(3)] }
            [island, [from + left, top + 30, to - from, bottom - top]]
          end
        left = cells.map { |_island, box| box[0] + box[2] }.max + 40
        cells
      end
      .shuffle(random: @random)
  end

  # @return [Array<Array(Float, Float, Float, Float)>] left, top, right, bottom of each panel as the net lies, mm
  def panels(island)
    flat = @job.flat_map(island)
    map = @job.layout.uv_map
    map.island_faces[island].to_a.map do |face|
      points = map.corner_points[map.mesh.face_starts[face]...map.mesh.face_starts[face + 1]].to_a
      x, y = flat.by_point.map { |values| points.map { |point| values[point] }.minmax }
      [x[0], -y[1], x[1], -y[0]]
    end
  end

  # The net as it is, with a panel that hangs on by one side taken to another.
  def elsewhere(island)
    all = panels(island)
    ends = all.select { |box| all.count { |other| touching?(box, other) } == 1 }
    ends.flat_map { |last| moved(last, all - [last]) }.sample(random: @random)
  end

  # @return [Array<Array>] nets
  def moved(last, rest)
    places = rest.flat_map { |box| round(box, last[2] - last[0], last[3] - last[1]) }
    places
      .reject { |box| near?(box, last) || rest.any? { |other| overlap(box, other).min > NEAR } }
      .map { |box| [*rest, box] }
  end

  def round((left, top, right, bottom), width, height)
    [
      [right, top, right + width, top + height],
      [left - width, top, left, top + height],
      [left, bottom, left + width, bottom + height],
      [left, top - height, left + width, top]
    ]
  end

  def near?(first, other) = first.zip(other).all? { |place, its| (place - its).abs < NEAR }

  def touching?(first, other) = overlap(first, other).minmax.then { |least, most| least.abs < NEAR && most > NEAR }

  # By axis, how much of it two boxes share; less than 0 where they are apart.
  def overlap(first, other) =
    [0, 1].map { |axis| [first[axis + 2], other[axis + 2]].min - [first[axis], other[axis]].max }

  # Where the folds and rims of a net lie in the picture, by their place on it: panels share them.
  def lines(boxes, axis, scale)
    values = boxes.flat_map { |box| [box[axis], box[axis + 2]] }.map { |value| value.round(3) }.uniq.sort
    gaps = values.each_cons(2).map { |from, to| (to - from) * (1 + @random.rand(-@off.to_f..@off)) }
    values
      .zip([0, *gaps].each_with_object([]) { |gap, all| all << ((all.last || 0) + gap) })
      .to_h { |value, place| [value, (place * scale).round] }
  end

  def right?(proposal)
    return false if @otherwise || proposal.mirrored || proposal.islands.size > 1 || proposal.turn_rad != 0.0

    own = @truth.each_index.select { |cell| @truth[cell][0] == proposal.islands[0] }
    proposal.cells.sort == own
  end
end
