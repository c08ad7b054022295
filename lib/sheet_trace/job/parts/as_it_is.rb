# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # What a part does of itself where it is a plain value that no map concerns.
      module AsItIs
        def pack(value, _packing) = value
        def unpack(plain, _unpacking) = plain
        def handed_on(value, _carry) = value
      end
    end
  end
end
