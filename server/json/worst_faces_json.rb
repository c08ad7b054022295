# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The faces with the worst figures, the worst first, to be stepped through.
    module WorstFacesJson
      MOST = 100
      private_constant :MOST

      # @param job [SheetTrace::Job]
      # @param by [String] stretch or density
      # @return [Array<Hash>] face, island, value
      def self.call(job, by)
        values = SheetTrace::Artwork::MeasureMap.values(by, job.layout, unit_mm: job.unit_mm)
        badness = by == "density" ? Numo::NMath.log(Numo::DFloat.maximum(values, 1e-9)).abs : values
        triangles = job.layout.uv_map.triangles
        seen = {}
        badness.sort_index.to_a.reverse_each do |row|
          face = triangles.faces[row]
          seen[face] ||= { face: face, island: triangles.islands[row], value: values[row].finite? ? values[row] : nil }
          break if seen.size == MOST
        end
        seen.values
      end
    end
  end
end
