# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../../demo/build"

describe SheetTrace::Progress do
  progress = SheetTrace::Progress

  def heard(&) = [].tap { |shares| SheetTrace::Progress.heard_by(->(share) { shares << share.round(6) }, &) }

  it "tells the share that is done, and gives what the work gives" do
    result = nil
    shares = heard { result = [0.25, 1].each { |share| progress.tell(share) } }

    assert_equal [0.25, 1.0], shares
    assert_equal [0.25, 1], result
  end

  it "tells parts within parts as shares of the whole" do
    # The second of two halves, in it the first quarter: from 1/2 to 5/8, half of which is 9/16.
    shares = heard { progress.part(0.5, 1) { progress.part(0, 0.25) { progress.tell(0.5) } } }

    assert_equal [0.5625, 0.625, 1.0], shares
  end

  it "weighs the work of a list by its sizes" do
    assert_equal [0.75, 1.0], heard { assert_equal [6, 2], progress.map([3, 1], sizes: [3, 1]) { |value| value * 2 } }
  end

  it "rises with every step and stays below the whole where the number of steps is not known" do
    shares = heard { (1..40).each { |step| progress.tell_steps(step, usual: 10) } }

    assert_equal shares.sort.uniq, shares
    assert_operator shares.last, :<, 1
    assert_in_delta 0.9, shares[9], 1e-6
  end

  it "tells nobody where nobody listens, or another thread does" do
    shares = heard { Thread.new { progress.tell(0.5) }.join }

    assert_empty shares
    assert_equal 7, progress.part(0, 1) { 7 }
  end

  it "is heard no more once the work has ended, also where it failed" do
    shares = []
    assert_raises(KeyError) { progress.heard_by(shares.method(:<<)) { raise KeyError } }
    progress.tell(0.5)

    assert_empty shares
  end

  it "is told by laying flat, packing and preflight, rising to the end" do
    job = Demo.tea_caddy.job
    { "lay_flat" => {}, "pack" => {} }.each do |name, parameters|
      shares = heard { operate(job, name, **parameters) }

      assert_operator shares.size, :>, 3, name
      assert_equal shares.sort, shares, name
    end
    # A job of its own: what was found once is kept.
    read = SheetTrace::Formats.read(Demo::TeaCaddy.obj, name: "caddy.obj")
    shares = heard { SheetTrace::Job.start(read, source_name: "caddy.obj").findings }

    assert_equal [shares.sort, 1.0], [shares, shares.last]
  end
end
