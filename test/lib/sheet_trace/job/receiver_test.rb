# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Job::Receiver do
  receiver = SheetTrace::Job::Receiver
  harbour = { name: "Harbour", options: { format: "glb", image: "jpg", up: "z" }, rules: { powers_of_two: true } }

  it "says all of its options and rules, but for what is a job's own affair" do
    own = receiver.of_plain(harbour.merge(options: { **harbour[:options], editions: nil }))

    assert_equal ["glb", "jpg", "z", "keep", true], own.options.values_at(:format, :image, :up, :alpha, :bleed)
    assert_equal [true, nil], own.rules.values_at(:powers_of_two, :largest_px)
    refute_operator own.options, :key?, :editions
    assert_equal own, receiver.of_plain(own.to_plain)
  end

  it "goes out as a file and comes back the same" do
    all = [receiver.of_plain(harbour), receiver.of_plain({ name: "Lantern club" })]

    assert_equal all, receiver.read(receiver.write(all), name: "receivers.json")
    assert_empty receiver.read(receiver.write([]), name: "receivers.json")
  end

  it "names the file, the receiver and what is wrong" do
    {
      "no JSON" => /r\.json holds no receivers; take a file that was saved here/,
      "[1, 2]" => /holds no receivers/,
      '{"receivers": 3}' => /holds no receivers/,
      "\xFF\xFE" => /holds no receivers/,
      JSON.generate(receivers: [harbour, { name: "B", options: { image: "bmp" } }]) =>
        /r\.json, receiver 2 \(B\): .*bmp/,
      JSON.generate(receivers: [{ name: "" }]) => /receiver 1 \(\): /,
      JSON.generate(receivers: [{ name: "C", rules: { weight: 3 } }]) => /receiver 1 \(C\): .*weight/
    }.each do |text, message|
      assert_refused(SheetTrace::FormatError, { file: "r.json" }, message: message) do
        receiver.read(text, name: "r.json")
      end
    end
  end

  it "refuses what breaks its rules, each with its cure" do
    job = Models.job(Models.panel)
    own = receiver.of_plain(harbour)
    options = SheetTrace::Job::Deliver.validated(own.options)
    odd = SheetTrace::Layout::Sheet.new(width_px: 500, height_px: 512)

    assert_nil own.hold(job, job.sheet, options, base_name: "a")
    assert_refused(SheetTrace::InputError, message: /Harbour: 500 x 512 px are no powers of two; take 512 x 512 px/) do
      own.hold(job, odd, options, base_name: "a")
    end
  end
end
