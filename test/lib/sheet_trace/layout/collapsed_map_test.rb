# frozen_string_literal: true

require_relative "../../../test_helper"

# Two bent triangles whose UVs lie on a line, at whole numbers or rounded, so that the area is next to nothing.
describe "a map that collapsed onto a line" do
  [0.1, 0.3, 1 / 3.0].each do |height|
    collapsed = lambda { Models.job(<<~OBJ) }
          v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0.3
          vt 0.1 #{height}\nvt 0.9 #{height}\nvt 0.5 #{height}\nvt 0.2 #{height}
          f 1/1 2/2 3/3 4/4
        OBJ

    it "is packed by its length, at v #{height}" do
      change = operate(collapsed.call, "pack")

      assert_match(/1 island packed/, change.sentence)
      assert_operator change.job.layout.boxes_px[0, 2] - change.job.layout.boxes_px[0, 0], :<=, 1024
    end

    it "is endlessly stretched before it is laid flat, at v #{height}" do
      assert_match(/worst stretch endless -> 1\.0/, operate(collapsed.call, "lay_flat").sentence)
    end
  end
end
