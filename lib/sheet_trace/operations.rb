# frozen_string_literal: true

module SheetTrace
  # Undoable changes to a job. A new one is a file in operations/, its test, and a line here.
  module Operations
    NAMES =
      Registry.new(
        "operation",
        %w[
          TransformIslands
          PlaceIsland
          RenameIsland
          ResizeSheet
          SetUnit
          SetUpAxis
          SetBleed
          SetGutter
          TagIslands
          AddLayer
          PlacePicture
          ChangeLayer
          MoveLayer
          DuplicateLayer
          MergeDown
          PartLayers
          GroupLayers
          ChangeGroup
          AddGuide
          RemoveLayer
          AddEdition
          ShowEdition
          RenameEdition
          RemoveEdition
          ReplaceInEdition
          FillEditions
          FillColumn
          HoldSkin
          SetOnAlike
          FreeLayer
          SetPalette
          SetRelief
          SetBlending
          SetMask
          AddFont
          NoteExport
          BringBack
          Pack
          Equalise
          WeighIslands
          LockIslands
          PlanSheet
          SheetOfIsland
          AlignIslands
          PlaceCorner
          WeighByVisibility
          FitToSheet
          ArrangeIslands
          ParkIslands
          SetAside
          StackTwins
          ExchangeTwins
          SnapToPixels
          SeparateIslands
          ScaleToRoom
          TurnUpright
          ReflectIslands
          BringOntoSheet
          MatchDensity
          TrueShape
          LayFlat
          Relax
          MarkSeams
          StartSeams
          DetachFaces
          SplitIsland
          JoinIslands
          GrowNet
          GiveBackFaces
          ProjectFaces
          FlipNormals
          MergeVertices
          SubdivideFaces
          MakeTwins
          AddUnderlay
          ShowUnderlay
          ChangeUnderlay
          RemoveUnderlay
          CorrectUnderlay
          AddCorrection
          SetCells
          DrawCell
          SetLandmarks
          FitLandmarks
          SetIntoCells
          SetInset
          LayAlongGradient
          MapPalette
          MovePoints
          ScalePoints
          StraightenPoints
          BendIslands
          ChooseUvSet
          KeepMap
          TakeKeptMap
          DropKeptMap
          LoadLayout
          RenamePart
          SplitPart
          ReviseModel
          RenameMaterial
        ].to_h do |constant|
          [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Operations::#{constant}"]
        end
      )

    # @param name [String] one of NAMES
    # @param parameters [Hash{Symbol => Object}] with the names and units of the core
    # @return [Operation]
    # @raise [UnknownNameError] where: { name: }
    # @raise [InvalidOperationError] if a parameter is lacking or not known; where: { operation: }
    def self.from_h(name, parameters) =
      NAMES.fetch(name).then { |operation| named(name) { operation.new(**parameters) } }

    # The same, from parameters as JSON has them: angles in degrees.
    def self.from_plain(name, parameters)
      NAMES.fetch(name).then { |operation| named(name) { operation.new(**operation.from_plain(parameters)) } }
    end

    # Checks, then works once.
    #
    # @param operation [Operation]
    # @param job [Job]
    # @param pictures [#call] takes a digest or a file name, gives the Artwork::PictureFile, or nil
    # @return [Operation::Change]
    # @raise [InvalidOperationError] carrying all that is wrong with its parameters, or why it can't be done; where:
    #   { operation: }
    def self.run(operation, job, pictures: ->(_name) {})
      change =
        named(operation.class.plain_name) do
          prepare(operation, job, pictures: pictures).call(job).tap { |made| hold_locked(job, made.job) }
        end
      lost = change.job.dropped
      return change if lost.empty?

      change.with(job: change.job.with(dropped: []), sentence: "#{change.sentence}; dropped: #{lost.join(", ")}")
    end

    # @return [Operation] with names turned into indices and all parameters validated, ready to be called or watched
    # @raise [InvalidOperationError] where: { operation: }
    def self.prepare(operation, job, pictures: ->(_name) {})
      named(operation.class.plain_name) { operation.validated(References::Context.new(job: job, pictures: pictures)) }
    end

    # What is wrong with parameters is said as the operation's.
    def self.named(name)
      yield
    rescue InputError => e
      raise InvalidOperationError.new([e.message], where: { **e.where, operation: name })
    end

    # Locked islands stay where they are, whatever an operation does. Where surface or sheet is another there is nothing
    # to compare.
    def self.hold_locked(job, after)
      locked = job.plan.locked
      return if locked.empty? || after.plan.locked.size < locked.size || job.sheet != after.sheet
      return if job.layout.equal?(after.layout) || job.mesh.corner_vertices != after.mesh.corner_vertices

      shift = (job.layout.corner_uvs - after.layout.corner_uvs).abs.max(axis: 1).gt(LOCK_SHARE)
      islands = job.layout.uv_map.face_islands[job.mesh.corner_faces[shift.where]].to_a.uniq
      moved = locked & islands
      return if moved.empty?

      names = Phrases.islands(job, moved)
      raise InputError.new(
              "#{names} #{moved.size == 1 ? "is" : "are"} locked in place; unlock first",
              where: {
                islands: moved
              }
            )
    end
    # Arithmetic may shift what stays by as much of the sheet.
    LOCK_SHARE = 1e-9
    private_constant :LOCK_SHARE
    private_class_method :named, :hold_locked
  end
end
