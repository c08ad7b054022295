# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::Operations::LockIslands do
  define_method(:locked) { operate(Models.job(Demo::TeaCaddy.obj), "lock_islands", islands: [0]).job }

  {
    "transform_islands" => {
      islands: [0],
      move_px: [5, 0]
    },
    "place_island" => {
      island: 0,
      x_px: 100.0
    },
    "bend_islands" => {
      islands: [0],
      shifts: [[3, 3], *([[0, 0]] * 8)]
    },
    "arrange_islands" => {
    },
    "fit_to_sheet" => {
    },
    "equalise" => {
      islands: [0, 1, 2]
    }
  }.each do |name, parameters|
    it "holds what is locked against #{name}" do
      job = operate(locked, "transform_islands", islands: [1], scale: [0.5, 0.5]).job
      error =
        assert_refused(SheetTrace::InvalidOperationError, { operation: name }) { operate(job, name, **parameters) }

      assert_match(/Front is locked in place; unlock first/, error.message)
    end
  end

  it "lets all else move, and lets go when it is unlocked" do
    moved = operate(locked, "transform_islands", islands: [1, 2], move_px: [3, 0]).job

    assert_equal locked.layout.boxes_px[0, true].to_a, moved.layout.boxes_px[0, true].to_a
    free = operate(locked, "lock_islands", islands: [0], locked: false).job

    refute_equal free.layout, operate(free, "transform_islands", islands: [0], move_px: [5, 0]).job.layout
  end

  it "goes round what is locked when it packs" do
    packed = operate(locked, "pack", turn: "none").job

    assert_equal locked.layout.boxes_px[0, true].to_a, packed.layout.boxes_px[0, true].to_a
  end
end
