# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::SheetOfIsland do
  it "makes the sheet of a label: 80 x 120 mm at 254 dpi are 800 x 1200 px, filled upright, whatever its turn and scale" do
    [[0.0, 1.0], [0.5, 0.3], [Math::PI / 2, 0.8]].each do |turn, scale|
      job =
        operate(
          Models.job(Demo::TeaCaddy.obj),
          "transform_islands",
          islands: [0],
          turn_rad: turn,
          scale: [scale, scale]
        ).job
      done = operate(job, "sheet_of_island", island: 0, dpi: 254.0).job

      assert_equal [800, 1200], [done.sheet.width_px, done.sheet.height_px]
      [0, 0, 800, 1200].zip(done.layout.boxes_px[0, true].to_a) { |wanted, got| assert_in_delta wanted, got, 1e-6 }
      assert_in_delta 0, done.measures[0].up_angle_rad, 1e-6
      assert_in_delta 10, done.measures[0].density_px_per_mm, 1e-6
    end
  end

  it "leaves other islands their px, and refuses a sheet that would be too large" do
    job = Models.job(Demo::TeaCaddy.obj)
    done = operate(job, "sheet_of_island", island: 0, dpi: 254.0).job

    job.layout.boxes_px[3, true]
      .to_a
      .zip(done.layout.boxes_px[3, true].to_a) { |wanted, got| assert_in_delta wanted, got, 1e-6 }
    assert_refused(SheetTrace::InvalidOperationError, message: /give a whole number from 16/) do
      operate(job, "sheet_of_island", island: 0, dpi: 4800.0)
    end
  end
end
