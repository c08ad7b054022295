# frozen_string_literal: true

module SheetTrace
  module Operations
    # The faces that are meant: said one by one, all of some islands, or all of a material that lie on the sheet.
    module FacesOf
      # @param said [Hash] with faces, islands [Array<Integer>], material [Integer], or rest [true]: all islands that lie in no cell
      # @return [Array<Integer>]
      def self.call(job, said)
        map = job.layout.uv_map
        return said[:faces] if said[:faces]
        return (job.mesh.face_materials.eq(said[:material]) & map.face_mapped).where.to_a if said[:material]
        return rest(job).flat_map { |island| map.island_faces[island].to_a } if said[:rest]

        said[:islands].flat_map { |island| map.island_faces[island].to_a }
      end

      # @return [String, nil]
      def self.problem(job, said)
        return Checks.faces(job, said[:faces]) if said[:faces]
        return ("every island lies in a cell already" if rest(job).empty?) if said[:rest]
        return Checks.islands(job, said[:islands]) unless said[:material]

        Checks.entry(said[:material], job.mesh.materials, "material") ||
          ("no face of #{job.mesh.material_names[said[:material]]} lies on the sheet; lay them flat first" if call(job, said).empty?)
      end

      # @return [String]
      def self.words(job, said)
        return Words.count(said[:faces].size, "face") if said[:faces]
        return "The #{Words.count(rest(job).size, "island")} in no cell" if said[:rest]

        said[:material] ? "All faces of #{job.mesh.material_names[said[:material]]}" : Words.islands(job, said[:islands])
      end

      def self.rest(job)
        (0...job.layout.uv_map.island_count).reject { |island| Fit::IntoCell.home(job.layout, island, job.backdrop.underlay) }
      end
      private_class_method :rest
    end
  end
end
