# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Templates that were exported, the oldest first: SheetTrace::Trace::Exported.
      module Exported
        extend AsItIs

        def self.default = []
        def self.pack(value, _packing) = value.map(&:to_h)
        def self.unpack(plain, _unpacking) = plain.map { |own| SheetTrace::Trace::Exported.new(**own) }
      end
    end
  end
end
