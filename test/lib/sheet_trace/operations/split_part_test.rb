# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Operations::SplitPart do
  # Boxes by their least corner and their sizes, of one part.
  boxes =
    lambda do |*shapes|
      corners =
        shapes.flat_map do |low, size|
          [0, 1].product([0, 1], [0, 1])
            .map { |at| "v #{at.zip(low, size).map { |share, from, length| from + (share * length) }.join(" ")}" }
        end
      sides = [[1, 2, 4, 3], [5, 7, 8, 6], [1, 5, 6, 2], [3, 4, 8, 7], [1, 3, 7, 5], [2, 6, 8, 4]]
      faces = shapes.each_index.flat_map { |i| sides.map { |side| "f #{side.map { |v| v + (8 * i) }.join(" ")}" } }
      Models.job([*corners, "o shoes", *faces].join("\n"))
    end

  it "makes a part of each shell, told apart by where it lies, and keeps the map to the bit" do
    job = boxes.call([[0, 0, 0], [4, 3, 9]], [[-8, 0, 0], [4, 3, 9]])
    after = operate(job, "split_part", part: 0)

    assert_equal ["shoes left", "shoes right"], after.job.mesh.parts.sort
    assert_equal job.layout.points_px, after.job.layout.points_px
    left = after.job.mesh.parts.index("shoes left")

    assert_equal 6, after.job.mesh.face_parts.eq(left).count
    assert_equal "shoes split into 2 shells: #{after.job.mesh.parts.join(", ")}", after.sentence
    assert(after.job.island_names.all? { |name| name.start_with?("shoes left", "shoes right") })
  end

  it "tells a lining from what it lines, and numbers what is more" do
    lined = operate(boxes.call([[0, 0, 0], [10, 10, 10]], [[1, 1, 1], [8, 8, 8]]), "split_part", part: 0).job

    assert_equal ["shoes", "shoes lining"], lined.mesh.parts.sort
    row = Array.new(5) { |i| [[i * 7, 0, 0], [4, 3, 9]] }
    many = operate(boxes.call(*row.shuffle(random: Random.new(3))), "split_part", part: 0).job

    assert_equal((1..5).map { |i| "shoes #{i}" }, many.mesh.parts.sort)
  end
end
