# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # What is wanted of the layout: SheetTrace::Layout::Plan.
      module Plan
        def self.default = SheetTrace::Layout::Plan.new
        def self.pack(value, _packing) = value.to_h
        def self.unpack(plain, _unpacking) =
          SheetTrace::Layout::Plan.new(**plain, weights: ByIsland.numbered(plain[:weights]))
        def self.handed_on(value, carry) = value.handed_on(carry)
      end
    end
  end
end
