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
          RemoveLayer
          AddEdition
          ShowEdition
          RenameEdition
          RemoveEdition
          ReplaceInEdition
          Pack
          Equalise
          WeighIslands
          LockIslands
          PlanSheet
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
          BendIslands
          ChooseUvSet
          KeepMap
          TakeKeptMap
          DropKeptMap
          LoadLayout
          RenamePart
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
      change = named(operation.class.plain_name) { prepare(operation, job, pictures: pictures).call(job) }
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
    private_class_method :named
  end
end
