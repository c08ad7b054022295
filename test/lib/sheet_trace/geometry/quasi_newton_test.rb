# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::QuasiNewton do
  looks = 0
  minimise =
    lambda do |start, most_steps: 200, good: 1e-10, &function|
      looks = 0
      SheetTrace::Geometry::QuasiNewton.call(Numo::DFloat.cast(start), most_steps:, longest_step: 1.0) do |place|
        looks += 1
        value, gradient = function.call(place)
        [value, gradient, value < good]
      end
    end

  # Test functions 21 and 1 of Moré, Garbow, Hillstrom, "Testing unconstrained optimization software", ACM Transactions
  # on Mathematical Software 7, 1981: least value 0 where all are 1.
  rosenbrock =
    lambda do |place|
      a = place[(0..).step(2)]
      b = place[(1..).step(2)]
      bent = b - (a**2)
      gradient = place.new_zeros
      gradient[(0..).step(2)] = ((a - 1) * 2) - (a * bent * 400)
      gradient[(1..).step(2)] = bent * 200
      [((bent**2) * 100).sum + ((a - 1)**2).sum, gradient]
    end

  it "finds the lowest place of a bent valley, with 2 and with 40 numbers" do
    [2, 40].each do |count|
      place, good = minimise.call([-1.2, 1.0] * (count / 2), &rosenbrock)

      assert good
      place.to_a.each { |value| assert_in_delta 1, value, 1e-4 }
      assert_operator looks, :<, 120
    end
  end

  it "goes on from the best place where nothing is good enough, and says so" do
    hill = ->(place) { [1 + (place**2).sum, place * 2] }
    place, good = minimise.call([3.0, -2.0], &hill)

    refute good
    assert_in_delta 0, place.abs.max, 1e-3
    assert_operator looks, :<, 100, "stops where nothing is gained"
  end

  it "stays where it is good already, and where there is no way down" do
    assert_equal [[1.0, 1.0], true], minimise.call([1.0, 1.0], &rosenbrock).then { |place, good| [place.to_a, good] }
    assert_equal 1, looks
    assert_equal [[5.0], false],
                 minimise.call([5.0]) { |place| [7.0, place.new_zeros] }.then { |place, good| [place.to_a, good] }
  end
end
