# frozen_string_literal: true

require "lru_redux"
require "monitor"

module SheetTraceServer
  # Opens jobs from the store, runs operations on them and keeps the results. The one place where core
  # and store meet.
  class Workshop
    OPEN_SNAPSHOTS = 4
    IMAGE_BYTES = 32 * 1_048_576
    private_constant :OPEN_SNAPSHOTS, :IMAGE_BYTES

    # @return [Store::Jobs]
    attr_reader :jobs
    # @return [#[]] what was told of jobs last, by revision
    attr_reader :told

    # @yieldparam job_id [String]; revision_id [Integer] what is shown of a job from now on
    def initialize(jobs, &changed)
      @jobs = jobs
      @changed = changed || ->(_job_id, _revision_id) {}
      @snapshots = LruRedux::ThreadSafeCache.new(OPEN_SNAPSHOTS)
      @images = SheetTrace::BoundedMemo.new(limit: IMAGE_BYTES)
      # of each job the state that was opened last: another state of it has most in common with that
      @latest = LruRedux::ThreadSafeCache.new(OPEN_SNAPSHOTS)
      @told = LruRedux::ThreadSafeCache.new(OPEN_SNAPSHOTS)
      @lock = Monitor.new
    end

    # @param revision_id [Integer, nil] the one shown if nil
    # @return [SheetTrace::Job::Snapshot]
    def snapshot(id, revision_id = nil)
      row = @jobs.revision(id, revision_id)
      while_it_lasts(id) do
        @snapshots.getset(row[:id]) do
          SheetTrace::Job::Snapshot
            .load(JSON.parse(row[:document], symbolize_names: true), @jobs.blobs.method(:fetch), near: @latest[id])
            .tap { |opened| @latest[id] = opened }
        end
      end
    end

    # What is shown of a job: its revision, or where that is damaged the last one before it that is not.
    #
    # @return [Array(Hash, String)] row of the revision, and the damage in words; nil where there is none
    # @raise [Store::Damaged] if there is none that is not
    def shown(id)
      row = @jobs.revision(id)
      snapshot(id, row[:id])
      [row, nil]
    rescue Store::Damaged, JSON::ParserError, SheetTrace::FormatError => e
      raise if e.is_a?(SheetTrace::UnsupportedFeatureError)

      whole = @jobs.revisions_until_shown(id)[0...-1].reverse.find { |earlier| readable(id, earlier) } or raise
      [whole, "#{e.message}. It is shown as it was after \"#{whole[:description]}\", and can't be changed"]
    end

    # @param files [Hash{String => String}] name => bytes: a model and what belongs to it, or a job that was saved as a
    #   file
    # @return [String] the new job's id
    def start(files)
      return open_archive(*files.first) if files.size == 1 && SheetTrace::Job::Archive.archive?(files.values.first)

      name = File.basename(SheetTrace::Formats::Bundle.open(files).model.first)
      create(
        SheetTrace::Job::Start.call(SheetTrace::Formats.read_files(files), source_name: name),
        files: files,
        model: files.keys.size == 1 ? files.keys.first : name
      )
    end

    # @param kind [String] of solid; measures [Hash{Symbol => Numeric}]
    # @return [String] the new job's id
    def start_solid(kind, measures)
      name = kind.tr("_", " ").capitalize
      create(SheetTrace::Job::Start.call(SheetTrace::Solids.build(kind, measures), source_name: name), model: nil)
    end

    # @param parameters [Hash{Symbol => Object}] of the operation, as in JSON
    # @param page [String, nil] the open page that asks
    # @return [String] what was done
    def operate(id, base_revision_id, name, parameters, page: nil)
      @lock.synchronize do
        _row, damage = shown(id)
        raise Store::Damaged, damage if damage

        before = snapshot(id, base_revision_id)
        change =
          SheetTrace::Operations.run(
            SheetTrace::Operations.from_plain(name, parameters),
            before.job,
            pictures: picture_files(id)
          )
        after = SheetTrace::Job::Snapshot.dump(change.job, before: before)
        step = { name: name, parameters: parameters }
        revision_id = @jobs.commit(id, base_revision_id, after, change.sentence, step, page: page)
        @snapshots[revision_id] = @latest[id] = after
        @changed.call(id, revision_id)
        change.sentence
      end
    end

    # Lays a layer of one job, as its shown edition wears it, into another.
    #
    # @param id [String] of the job that has it; layer [String] its id; to [String] id of the other job
    # @return [String] what was done
    # @raise [SheetTrace::InvalidOperationError] where the other job has no place for it
    def copy_layer(id, revision_id, layer, to, page: nil)
      from = snapshot(id, revision_id).job
      own = from.artwork.worn.find { |worn| worn.id == layer } or
        raise Store::Jobs::NotFound, "this layer is not in the job; it may have been removed"
      other = @jobs.find(to)
      parameters = SheetTrace::Job::LayerElsewhere.call(own, from: from, to: snapshot(to, other[:revision_id]).job)
      own.content.pictures.each do |picture|
        row = @jobs.picture(id, picture.digest)
        @jobs.keep_picture(to, pictures.call(row[:digest]), row[:name], row.slice(:media_type, :width_px, :height_px))
      end
      operate(to, other[:revision_id], "add_layer", parameters, page: page)
    end

    # @param by [Integer] -1 for undo, 1 for redo
    # @return [Hash, nil] the revision undone or redone
    def step(id, by)
      @jobs.step(id, by).tap { |moved| @changed.call(id, @jobs.find(id)[:revision_id]) if moved }
    end

    # Makes a state that the job was in the present one again, as a step of its own: what was done since stays.
    #
    # @return [String] what was done
    def go_back(id, revision_id, page: nil)
      @lock.synchronize do
        row = @jobs.revision(id, revision_id)
        base = @jobs.revision(id)
        former = snapshot(id, row[:id])
        after = SheetTrace::Job::Snapshot.dump(former.job, before: snapshot(id, base[:id]))
        said = "Back to #{row[:mark] ? "“#{row[:mark]}”" : "the state after “#{row[:description]}”"}"
        made = @jobs.commit(id, base[:id], after, said, { back_to: row[:number] }, page: page)
        @snapshots[made] = @latest[id] = after
        @changed.call(id, made)
        said
      end
    end

    # @yieldparam job [SheetTrace::Job]
    # @return [String] bytes of an image, rendered once for a revision and a key
    def image(id, revision_id, *key)
      while_it_lasts(id) { @images.fetch([id, revision_id, *key]) { yield snapshot(id, revision_id).job } }
    end

    # @return [#call] takes a digest, gives the picture's bytes
    def pictures = @jobs.blobs.method(:fetch)

    # @return [#call] takes a digest or a file's name, gives the SheetTrace::Artwork::PictureFile of that picture of
    #   a job, or its FontFile or ModelFile; nil if there is none
    def picture_files(id)
      lambda do |name|
        row = @jobs.files(id).reverse.find { |file| [file[:digest], file[:name]].include?(name) } or next
        own = row.slice(:digest, :name)
        case row[:media_type]
        when Store::Jobs::FONT
          SheetTrace::Artwork::FontFile.new(**own, bytes: pictures.call(row[:digest]))
        when Store::Jobs::MODEL
          SheetTrace::Job::ModelFile.new(**own, bytes: pictures.call(row[:digest]))
        else
          SheetTrace::Artwork::PictureFile.seen(**own, **row.slice(:width_px, :height_px, :media_type))
        end
      end
    end

    # @return [Hash{String => String}] file name => bytes: the whole job, as it is shown
    def archive_files(id)
      SheetTrace::Job::Archive.files(
        snapshot(id).job,
        name: @jobs.find(id)[:name],
        pictures: @jobs.pictures(id).map { |row| [row[:name], pictures.call(row[:digest])] },
        model_files: @jobs.model_files(id),
        steps: recorded(@jobs.revisions_until_shown(id))
      )
    end

    # @return [Hash{String => String}] file name => bytes: the job as a recipe, with the model and the pictures that
    #   it names
    def recipe_files(id)
      revisions = @jobs.revisions_until_shown(id)
      first = snapshot(id, revisions.first[:id]).job
      operations = recorded(revisions)
      SheetTrace::Recipe::Save.call(
        first,
        operations,
        model: @jobs.model_files(id),
        pictures: @jobs.files(id).to_h { |row| [row, pictures.call(row[:digest])] },
        name: SheetTrace::Job::Deliver.base_name("#{@jobs.find(id)[:name]}.job")
      )
    end

    private

    # What a job is made of goes with it: where something lacks as the job was deleted meanwhile, the job is not found.
    def while_it_lasts(id)
      yield
    rescue Store::Damaged
      @jobs.find(id)
      raise
    end

    def readable(id, row)
      snapshot(id, row[:id]) && true
    rescue Store::Damaged, JSON::ParserError, SheetTrace::FormatError
      false
    end

    def open_archive(file, bytes)
      opened = SheetTrace::Job::Archive.open(bytes, file: file)
      created(
        opened.snapshot,
        opened.name,
        ["#{file} opened", *opened.notes].join("; "),
        pictures: opened.pictures,
        model_files: opened.model_files,
        operation: {
          start: opened.model_files.keys.first,
          operations: opened.steps
        }
      )
    end

    # @param started [SheetTrace::Job::Start::Started]
    def create(started, model:, files: {})
      name = started.job.source_name
      created(
        SheetTrace::Job::Snapshot.dump(started.job),
        File.basename(name, ".*"),
        "#{name} brought in",
        pictures: started.pictures,
        model_files: files,
        operation: {
          start: model
        }
      )
    end

    # @return [String] the new job's id
    def created(snapshot, name, description, **more)
      id = @jobs.create(name, snapshot, description, **more)
      revision_id = @jobs.revision(id)[:id]
      @snapshots[revision_id] = @latest[id] = snapshot
      @changed.call(id, revision_id)
      id
    end

    # What a revision did, as a recipe has it. A sample's first revision holds all that it was made with.
    # @param rows [Array<Hash>] of revisions, from the first on
    # @return [Array<Hash>] name:, parameters: of what led to the last one; what was gone back from is left out
    def recorded(rows)
      until_row = {}
      rows.reduce([]) do |steps, row|
        operation = JSON.parse(row[:operation], symbolize_names: true)
        until_row[row[:number]] = (
          if operation[:back_to]
            until_row.fetch(operation[:back_to])
          else
            steps + steps_of(operation)
          end
        )
      end
    end

    def steps_of(operation)
      operation[:operations] || (operation[:name] ? [operation.slice(:name, :parameters)] : [])
    end
  end
end
