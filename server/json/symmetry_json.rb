# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The plane about which a model is its own mirror image.
    module SymmetryJson
      # @param job [SheetTrace::Job]
      # @return [Hash] plane is nil where there is none
      def self.call(job)
        symmetry = job.mesh.symmetry
        return { plane: nil } unless symmetry

        { plane: symmetry.plane, tolerance_mm: symmetry.tolerance * job.unit_mm, error_mm: symmetry.error * job.unit_mm }
      end
    end
  end
end
