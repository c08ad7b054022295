# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::ReceiverRules do
  job = Models.job(Demo::TeaCaddy.obj)
  breaks =
    lambda do |rules, width: 1000, height: 512, options: {}, kb: 10|
      size = SheetTrace::Layout::Sheet.new(width_px: width, height_px: height)
      own = SheetTrace::Job::ReceiverRules.new(**rules)
      own.breaks(job, size, SheetTrace::Job::Deliver.validated(options)) { { "a.png" => "x" * (kb * 1024) } }
    end

  it "names each rule that is broken, with its cure" do
    found = breaks.call({ powers_of_two: true, largest_px: 512, largest_kb: 8, opaque: true })

    assert_equal %w[powers_of_two largest_px opaque largest_kb], found.map(&:rule)
    assert_equal "take 1024 x 512 px", found.first.cure
    assert_equal "10 kB are more than 8", found.last.message
  end

  it "finds nothing where all is kept, and asks for files only where their weight counts" do
    assert_empty breaks.call(
                   { powers_of_two: true, largest_px: 1024, opaque: true },
                   width: 1024,
                   options: {
                     image: "jpg"
                   }
                 )
    size = SheetTrace::Layout::Sheet.new(width_px: 64, height_px: 64)
    rules = SheetTrace::Job::ReceiverRules.new

    assert_empty(rules.breaks(job, size, SheetTrace::Job::Deliver.validated({})) { flunk "files were made" })
  end

  it "counts materials" do
    kiosk = Demo.kiosk.job
    size = kiosk.sheet
    rules = SheetTrace::Job::ReceiverRules.new(single_material: true)
    found =
      [false, true].map do |own|
        rules.breaks(kiosk, size, SheetTrace::Job::Deliver.validated({ one_material: own })).map(&:rule)
      end

    assert_equal [["single_material"], []], found
  end

  it "holds names against a pattern, for every edition" do
    assert_empty breaks.call({ names: "tx_*" }, options: { name: "tx_{job}" })
    found = breaks.call({ names: "tx_?" })

    assert_equal ["names", "change Name"], found.map { |own| [own.rule, own.cure] }.flatten
    assert_match(/not called tx_\?/, found.first.message)
  end
end
