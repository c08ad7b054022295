# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # A parameter that is one step of a recipe: "step" with the name of one of STEPS, and what that declares.
      class Step < Parameters::Type
        def validate(value, _label, _context)
          unless value.is_a?(Hash) && value[:step].is_a?(String)
            raise InputError, "it is #{value.inspect.slice(0, 60)}; give #{to_text}"
          end

          { step: value[:step], **STEPS.fetch(value[:step]).validated(value.except(:step)) }
        rescue InputError => e
          raise InputError,
                (
                  if value.is_a?(Hash) && value[:step].is_a?(String)
                    "#{value[:step].tr("_", " ")}: #{e.message}"
                  else
                    e.message
                  end
                )
        end

        def to_text = "its name, #{STEPS.names.join(", ")}, as step, and what that takes"

        def typescript
          STEPS
            .names
            .map do |name|
              %({ step: "#{name}"; #{Parameters::Record.of(STEPS.fetch(name)).typescript.delete_prefix("{ ")})
            end
            .join(" | ")
        end
      end
    end
  end
end
