# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::Net do
  flatten = SheetTrace::Flatten
  nets =
    lambda do |obj|
      mesh = Models.read(obj).mesh
      panels = (0...mesh.face_count).flat_map { |face| flatten::FlatPatches.call(mesh, [face]) }
      [flatten::Net.call(mesh, panels), panels, mesh]
    end
  placed =
    lambda do |net, panels, mesh|
      net
        .panels
        .zip(net.maps)
        .to_h do |panel, map|
          facing = SheetTrace::Mesh::Facing.names(mesh.face_area_vectors[panels[panel].faces, true])[0]
          middle = map.apply(panels[panel].places).mean(axis: 0).to_a
          [facing, middle]
        end
    end

  # The net of a carton: the front in the middle, left and right beside it, top above, bottom below; the back at the
  # longest edge that is left. Common practice, no source.
  it "lays a box as a carton's net, whatever the order of its faces" do
    [[30, 50, 20], [50, 30, 20]].each do |size|
      20.times do |seed|
        all, panels, mesh =
          nets.call(Models.blocks([[[0, 0, 0], size]], order: (0..5).to_a.shuffle(random: Random.new(seed))))
        found = placed.call(all.first, panels, mesh)
        front = found["Front"]

        assert_equal 1, all.size
        assert_equal 5, all.first.folds.size
        assert_operator found["Left"][0], :<, front[0]
        assert_operator found["Right"][0], :>, front[0]
        assert_operator found["Top"][1], :>, front[1]
        assert_operator found["Bottom"][1], :<, front[1]
        assert_equal "Front",
                     SheetTrace::Mesh::Facing.names(mesh.face_area_vectors[panels[all.first.panels.first].faces, true])[
                       0
                     ]
      end
    end
  end

  it "keeps each panel's shape, and no two have more than an edge in common" do
    all, panels, = nets.call(Models.blocks([[[0, 0, 0], [7, 90, 3]]]))
    boxes = all.first.panels.zip(all.first.maps).map { |panel, map| map.apply(panels[panel].places) }
    area = boxes.sum { |places| (places.max(axis: 0) - places.min(axis: 0)).to_a.reduce(:*) }

    assert_in_delta 2 * ((7 * 90) + (90 * 3) + (7 * 3)), area, 1e-6
    boxes.combination(2) do |a, b|
      common =
        [0, 1].map { |axis| [a[true, axis].max, b[true, axis].max].min - [a[true, axis].min, b[true, axis].min].max }

      refute(common.all? { |length| length > 1e-6 })
    end
  end

  it "begins another net where one would sprawl" do
    # A staircase of 40 steps, each 1 wide and 10 long: as one strip it would fill its box, but turned stairs don't.
    points =
      (0..40).flat_map do |i|
        [[0, 10.0 * i, i % 2], [10 * (i + 1), 10.0 * i, i % 2]].map { |x, y, z| "v #{x} #{y} #{z * 10}" }
      end
    faces = (0...40).map { |i| "f #{(2 * i) + 1} #{(2 * i) + 2} #{(2 * i) + 4} #{(2 * i) + 3}" }
    all, panels, = nets.call([*points, *faces].join("\n"))

    assert_equal panels.size, all.flat_map(&:panels).uniq.size
  end
end
