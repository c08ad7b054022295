# frozen_string_literal: true

require "lru_redux"
require "monitor"

module SheetTraceServer
  # Opens jobs from the store, runs operations on them and keeps the results. The one place where core
  # and store meet.
  class Workshop
    OPEN_SNAPSHOTS = 12
    RENDERED_IMAGES = 24
    private_constant :OPEN_SNAPSHOTS, :RENDERED_IMAGES

    # @return [Store::Jobs]
    attr_reader :jobs

    def initialize(jobs, events)
      @jobs = jobs
      @events = events
      @snapshots = LruRedux::ThreadSafeCache.new(OPEN_SNAPSHOTS)
      @images = LruRedux::ThreadSafeCache.new(RENDERED_IMAGES)
      @lock = Monitor.new
    end

    # @param revision_id [Integer, nil] the one shown if nil
    # @return [SheetTrace::Job::Snapshot]
    def snapshot(id, revision_id = nil)
      row = @jobs.revision(id, revision_id)
      @snapshots.getset(row[:id]) do
        SheetTrace::Job::Snapshot.load(JSON.parse(row[:document], symbolize_names: true), @jobs.blobs.method(:fetch))
      end
    end

    # @return [String] the new job's id
    def start(bytes, file_name, unit_mm: 1.0)
      reading = SheetTrace::Formats.read(bytes, name: file_name)
      job = SheetTrace::Job.start(reading, source_name: file_name, unit_mm: unit_mm)
      @jobs.create(File.basename(file_name, ".*").tr("_", " "), SheetTrace::Job::Snapshot.dump(job), "#{file_name} brought in")
    end

    # @param parameters [Hash{Symbol => Object}] of the operation
    # @return [String] what was done
    def operate(id, base_revision_id, name, parameters)
      @lock.synchronize do
        before = snapshot(id, base_revision_id)
        result = SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), before.job)
        after = SheetTrace::Job::Snapshot.dump(result.job, before: before)
        revision_id = @jobs.commit(id, base_revision_id, after, result.description, { name: name, parameters: parameters })
        @snapshots[revision_id] = after
        @events.publish(id, revision_id)
        result.description
      end
    end

    # @param by [Integer] -1 for undo, 1 for redo
    # @return [Hash, nil] the revision undone or redone
    def step(id, by)
      @jobs.step(id, by).tap { |moved| @events.publish(id, @jobs.find(id)[:revision_id]) if moved }
    end

    # @yieldparam job [SheetTrace::Job]
    # @return [String] bytes of an image, rendered once for a revision and a key
    def image(id, revision_id, *key)
      @images.getset([id, revision_id, *key]) { yield snapshot(id, revision_id).job }
    end

    # @return [#call] takes a digest, gives the picture's bytes
    def pictures = @jobs.blobs.method(:fetch)
  end
end
