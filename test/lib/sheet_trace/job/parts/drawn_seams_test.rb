# frozen_string_literal: true

require_relative "../../../../test_helper"
require_relative "../../../../../demo/build"

describe SheetTrace::Job::Parts::DrawnSeams do
  def reopened(job)
    snapshot = SheetTrace::Job::Snapshot.dump(job)
    document = JSON.parse(JSON.generate(snapshot.document), symbolize_names: true)
    SheetTrace::Job::Snapshot.load(document, snapshot.blobs.method(:fetch)).job
  end

  let(:job) { Demo.tea_caddy.job }

  it "keeps which edges are seams, by edge" do
    seams = SheetTrace::Flatten::Seams.none(job.mesh)
    seams[[1, 5]] = 1

    assert_equal [1, 5], reopened(job.with(drawn_seams: seams)).drawn_seams.where.to_a
  end

  it "keeps that all seams were closed, which is not that none were drawn" do
    all_closed = SheetTrace::Flatten::Seams.none(job.mesh)

    assert_empty reopened(job.with(drawn_seams: all_closed)).drawn_seams.where.to_a
    assert_nil reopened(job).drawn_seams
  end
end
