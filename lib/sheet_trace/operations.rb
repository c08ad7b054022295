# frozen_string_literal: true

module SheetTrace
  # Undoable changes to a job. A new one is a file in operations/, its test, and a line here.
  module Operations
    NAMES = Registry.new("operation", %w[
      TransformIslands PlaceIsland RenameIsland ResizeSheet SetUnit SetUpAxis SetBleed SetGutter TagIslands
      AddSkin AddLabel ChangeLayer MoveLayer RemoveLayer
      Pack Equalise WeighIslands LockIslands PlanSheet AlignIslands PlaceCorner WeighByVisibility FitToSheet ArrangeIslands ParkIslands SetAside
      StackTwins ExchangeTwins SnapToPixels
      SeparateIslands TurnUpright ReflectIslands BringOntoSheet MatchDensity TrueShape
      LayFlat Relax MarkSeams StartSeams DetachFaces SplitIsland JoinIslands GrowNet GiveBackFaces ProjectFaces FlipNormals MergeVertices SubdivideFaces MakeTwins
      AddUnderlay ShowUnderlay ChangeUnderlay RemoveUnderlay CorrectUnderlay SetCells SetLandmarks FitLandmarks SetIntoCells SetInset LayAlongGradient MapPalette
      MovePoints BendIslands
      ChooseUvSet KeepMap TakeKeptMap DropKeptMap LoadLayout RenamePart RenameMaterial
    ].to_h { |constant| [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Operations::#{constant}"] })

    # What a run gives: the new job and one sentence for the history.
    Result = Struct.new(:job, :description, keyword_init: true)

    # @param name [String] one of NAMES
    # @param parameters [Hash{Symbol => Object}] plain values
    # @return [Struct] an operation
    # @raise [UnknownNameError] where: { name: }
    # @raise [InvalidOperationError] if a parameter is lacking or not known; where: { operation: }
    def self.from_h(name, parameters)
      NAMES.fetch(name).new(**parameters)
    rescue ArgumentError => e
      raise InvalidOperationError.new(["#{name}: #{e.message}"], where: { operation: name })
    end

    # Validates, then applies.
    #
    # @param operation [Struct]
    # @param job [Job]
    # @return [Result]
    # @raise [InvalidOperationError] carrying what validate found; where: { operation: }
    def self.run(operation, job)
      problems = operation.validate(job)
      raise InvalidOperationError.new(problems, where: { operation: NAMES.names.find { |name| NAMES.fetch(name) == operation.class } }) if problems.any?

      after = operation.apply(job)
      Result.new(job: after, description: operation.describe(job, after))
    end
  end
end
