# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::ScaleSearch do
  # Tries until it is done.
  tries =
    lambda do |search, usual: 8, &share_down|
      (1..40).find do
        search.tried(share_down.call(search.guess))
        search.done?(usual)
      end
    end

  it "comes near to the largest scale that fits, from far below and from far above" do
    [0.02, 0.5, 0.97, 1.4, 60.0].each do |start|
      search = SheetTrace::Layout::Pack::ScaleSearch.new(start)
      count = tries.call(search) { |scale| (scale / 0.97)**2 }

      assert_operator search.fits, :<=, 0.97
      assert_operator search.fits, :>, 0.97 / 1.04, "from #{start}"
      assert_operator count, :<, 20
    end
  end

  it "does with a few tries once one fits, and goes on where the one that does not is far off" do
    few = SheetTrace::Layout::Pack::ScaleSearch.new(0.9)

    assert_equal 2, tries.call(few, usual: 2) { |scale| scale**2 }

    steps = SheetTrace::Layout::Pack::ScaleSearch.new(0.9)
    tries.call(steps, usual: 2) { |scale| scale < 0.95 ? 0.3 : 1.4 }

    assert_operator steps.fits, :>, 0.95 / 1.04
  end

  it "takes less where there is no place at all, and gives up" do
    search = SheetTrace::Layout::Pack::ScaleSearch.new(1.0)

    refute search.tried(nil)
    assert_operator search.guess, :<, 1
    assert_equal 29, tries.call(search) { nil }
    assert_nil search.fits
  end
end
