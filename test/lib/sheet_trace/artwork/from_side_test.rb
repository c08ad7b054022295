# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::Places::FromSide do
  define_method(:shaded) do |job, side, **content|
    operate(
      job,
      "add_layer",
      content: {
        kind: "gradient",
        color: "#000000",
        to: "#ffffff",
        **content
      },
      place: {
        kind: "side",
        side: side
      }
    ).job
  end

  def picture_of(job) = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: ->(_) {}, size: job.sheet))

  # The middle of each triangle on the model, and the value of the sheet there.
  def at_middles(job)
    image = picture_of(job)
    map = job.layout.uv_map
    (0...map.triangles.count).map do |k|
      place = job.mesh.positions[map.triangles.vertices[k, true], true].mean(axis: 0).to_a
      px = job.layout.points_px[map.triangles.points[k, true], true].mean(axis: 0).to_a
      [place, image.getpoint(*px.map(&:floor))]
    end
  end

  # @yieldparam place [Array<Float>] on the model; gives the share of the way
  def assert_runs(job)
    at_middles(job).each do |place, (red, *_rest, alpha)|
      assert_equal 255, alpha
      assert_in_delta yield(*place) * 255, red, 3
    end
  end

  it "runs a gradient down the model on all of its islands, however they are turned" do
    job = Models.job(Demo::TeaCaddy.obj, width_px: 256, height_px: 256)
    turned = operate(job, "transform_islands", islands: [0], turn_rad: 1.1, scale: [0.5, 0.5]).job
    low, high = job.mesh.positions[true, 1].minmax

    [job, turned].each { |own| assert_runs(shaded(own, "front")) { |_x, y, _z| (high - y) / (high - low) } }
  end

  it "runs it across each side as that is seen, to the right" do
    job = Models.job(Demo::TeaCaddy.obj, width_px: 256, height_px: 256)
    (left, right), (back, front) = [0, 2].map { |axis| job.mesh.positions[true, axis].minmax }
    ways = {
      "front" => ->(x, _y, _z) { (x - left) / (right - left) },
      "back" => ->(x, _y, _z) { (right - x) / (right - left) },
      "left" => ->(_x, _y, z) { (z - back) / (front - back) },
      "right" => ->(_x, _y, z) { (front - z) / (front - back) },
      "above" => ->(x, _y, _z) { (x - left) / (right - left) }
    }

    ways.each { |side, share| assert_runs(shaded(job, side, turn_deg: -90), &share) }
  end

  it "stays where it is on the model when islands are laid flat anew" do
    job = shaded(Models.job(Demo::TeaCaddy.obj, width_px: 256, height_px: 256), "front")
    moved = operate(job, "transform_islands", islands: [1], move_px: [2, -1]).job

    at_middles(job).zip(at_middles(moved)) { |(_, before), (_, now)| assert_in_delta before[0], now[0], 3 }
    assert_equal "over the model as seen from the front", job.artwork.layers[0].place.to_words(job, nil)
  end
end
