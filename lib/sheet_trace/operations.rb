# frozen_string_literal: true

module SheetTrace
  # Undoable changes to a job. A new one is a file in operations/, its test, and a line here.
  module Operations
    NAMES = Registry.new("operation", {
      "transform_islands" => "TransformIslands", "place_island" => "PlaceIsland", "rename_island" => "RenameIsland",
      "resize_sheet" => "ResizeSheet", "set_unit" => "SetUnit", "set_bleed" => "SetBleed",
      "add_skin" => "AddSkin", "add_label" => "AddLabel", "change_layer" => "ChangeLayer",
      "move_layer" => "MoveLayer", "remove_layer" => "RemoveLayer",
      "separate_islands" => "SeparateIslands", "turn_upright" => "TurnUpright", "reflect_islands" => "ReflectIslands",
      "bring_onto_sheet" => "BringOntoSheet", "match_density" => "MatchDensity", "true_shape" => "TrueShape",
      "lay_flat" => "LayFlat", "mark_seams" => "MarkSeams", "give_back_faces" => "GiveBackFaces", "project_faces" => "ProjectFaces", "flip_normals" => "FlipNormals",
      "merge_vertices" => "MergeVertices", "make_twins" => "MakeTwins", "choose_uv_set" => "ChooseUvSet",
      "tag_islands" => "TagIslands", "set_gutter" => "SetGutter", "set_up_axis" => "SetUpAxis",
      "rename_part" => "RenamePart", "rename_material" => "RenameMaterial"
    }.transform_values { |constant| "SheetTrace::Operations::#{constant}" })

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
