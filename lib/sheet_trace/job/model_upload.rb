# frozen_string_literal: true

module SheetTrace
  class Job
    # A parameter that is a model's file that was brought in, by its digest or by its name.
    class ModelUpload < Parameters::Type
      # @return [ModelFile] itself, where it is one already
      def validate(value, _label, context)
        return value if value.is_a?(ModelFile)

        found = value.is_a?(String) && context.pictures.call(value)
        return found if found.is_a?(ModelFile)

        raise InputError, "there is no model file #{value.inspect.slice(0, 60)} in the job; bring it in first"
      end

      def to_plain(value) = value.is_a?(String) ? value : value.to_h
      def to_text = "a model's file: its digest or its name"
      def typescript = "string"
    end
  end
end
