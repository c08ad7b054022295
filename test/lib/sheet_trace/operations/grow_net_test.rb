# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::Operations::GrowNet do
  caddy = -> { Models.job(Demo::TeaCaddy.obj) }

  # A box cut along 7 of its 12 edges is a net of 6 faces, 14 corners and 19 edges: 5 folds and 14 borders.
  it "grows a carton's net round its front panel" do
    grown = operate(caddy.call, "grow_net", island: 0)
    map = grown.job.layout.uv_map

    assert_equal "Net of Front: 5 islands joined on", grown.sentence
    assert_equal [1, 14, 19, 14],
                 [map.island_count, map.point_count, map.edges.outline.size, map.edges.outline.count_true]
    assert_in_delta 1, grown.job.measures[0].stretch_worst, 1e-9
    assert_empty grown.job.findings.map(&:code) & %w[overlap fold_over off_sheet]
  end

  it "leaves out what would come to lie on the net" do
    job = SheetTrace::Job.start(SheetTrace::Solids.build("ring", { sides: 8 }), source_name: "ring")
    job = operate(job, "lay_flat", by: "direction", seams: "angle").job
    grown = operate(job, "grow_net", island: 0).job

    assert_empty grown.findings.map(&:code) & %w[overlap fold_over]
    assert_operator grown.layout.uv_map.island_count, :<, job.layout.uv_map.island_count
  end

  # The caddy is 80 x 120 x 50 mm, printed at 2 px/mm.
  { "right" => [130, 0], "left" => [-130, 0], "top" => [0, -170], "bottom" => [0, 170] }.each do |where, back|
    it "grows the net that is printed, its back at the #{where}, from any panel" do
      panels = {
        "Front" => [0, 0, 80, 120],
        "Left" => [-50, 0, 50, 120],
        "Right" => [80, 0, 50, 120],
        "Top" => [0, -50, 80, 50],
        "Bottom" => [0, 120, 80, 50],
        "Back" => [*back, 80, 120]
      }
      cells =
        panels
          .transform_values { |left, top, *rest| [left + 140, top + 180, *rest].map { |mm| mm * 2 } }
          .to_a
          .shuffle(random: Random.new(3))
          .each_with_index
          .map { |(_name, box), i| { **%i[x y width height].zip(box).to_h, name: "Cell #{i + 1}" } }
      job = operate(caddy.call, "add_underlay", picture: "720x1000", name: "net.png").job
      job = operate(job, "set_cells", index: 0, cells: cells).job
      %w[Front Back Left].each do |name|
        grown = operate(job, "grow_net", island: job.island_names.index(name), as_printed: true)

        assert_equal "Net of #{name} as printed: 5 islands joined on", grown.sentence
        net =
          SheetTrace::Fit::Match.call(
            grown.job.layout,
            [0],
            grown.job.fit_setup.underlay,
            names: grown.job.island_names,
            flat_map: grown.job.method(:flat_map)
          )

        assert_equal [6], net.map { |proposal| proposal.cells.size }
        # but for the fold lines between places that the outlines are compared by
        assert_operator net.first.reasons[:outline], :>, 0.95
      end
    end
  end

  it "says why it can't be as a printed one" do
    job = caddy.call

    assert_refused(SheetTrace::InvalidOperationError, message: /no cells/) do
      operate(job, "grow_net", island: 0, as_printed: true)
    end
    job = operate(job, "add_underlay", picture: "100x100", name: "net.png").job
    job = operate(job, "set_cells", index: 0, cells: [{ name: "a", x: 0, y: 0, width: 9, height: 9 }]).job
    assert_refused(SheetTrace::InvalidOperationError, message: /no printed net .* Front/) do
      operate(job, "grow_net", island: 0, as_printed: true)
    end
  end
end
