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

    # @param files [Hash{String => String}] name => bytes: a model and what belongs to it
    # @return [String] the new job's id
    def start(files)
      name = SheetTrace::Formats::Bundle.open(files).model.first
      create(SheetTrace::Formats.read_files(files), File.basename(name))
    end

    # @param kind [String] of solid; measures [Hash{Symbol => Numeric}]
    # @return [String] the new job's id
    def start_solid(kind, measures) = create(SheetTrace::Solids.build(kind, measures), kind.tr("_", " ").capitalize)

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

    private

    def create(reading, name)
      job = SheetTrace::Job.start(reading, source_name: name)
      readable, notes = readable_pictures(reading.images)
      job = job.with(source: job.source.with(notes: job.source.notes + notes)) if notes.any?
      job = SheetTrace::Job::Dress.call(job, readable.transform_values { |bytes| SheetTrace::Job::Snapshot.digest(bytes) })
      @jobs.create(File.basename(name, ".*").tr("_", " "), SheetTrace::Job::Snapshot.dump(job), "#{name} brought in", pictures: readable)
    end

    # @return [Array(Hash, Array)] pictures that can be shown, and a note for each that can't
    def readable_pictures(images)
      notes = []
      readable = images.select do |name, bytes|
        SheetTrace::Artwork::Picture.inspect_file(bytes, name: name)
      rescue SheetTrace::Error => e
        notes << SheetTrace::Formats::Note.new(code: "picture_not_read", message: e.message, where: { file: name })
        false
      end
      [readable, notes]
    end
  end
end
