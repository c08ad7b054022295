# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Underlays, cells and landmarks: SheetTrace::Fit::Setup.
      module FitSetup
        def self.default = Fit::Setup.new
        def self.pack(value, _packing) = value.to_plain
        def self.unpack(plain, _unpacking) = Fit::Setup.from_plain(plain)
        def self.handed_on(value, carry) =
          value.with(
            landmarks: value.landmarks.filter_map { |mark| carry.landmark(mark) },
            assigned: value.assigned && carry.islands(value.assigned)
          )
      end
    end
  end
end
