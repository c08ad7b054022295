# frozen_string_literal: true

module SheetTrace
  module Operations
    # The faces that are meant: named one by one, all of some islands, all of a material that lie on the sheet, or all
    # of the islands that were not set into a cell. What operations that take faces in these ways declare, and what
    # follows from it.
    module ChosenFaces
      # Declares the ways to choose, for an operation or a record.
      def self.declare(on)
        on.islands :islands, "all their faces", optional: true
        on.faces :faces, "these go before islands", optional: true
        on.material :material, "all its faces on the sheet", optional: true
        on.flag :rest, "all islands that were not set into a cell, wherever they lie", default: false
      end

      # @param chosen [Hash] islands:, faces:, material:, rest:, checked
      # @return [Array<Integer>]
      # @raise [InputError] if there are none
      def self.call(job, chosen)
        return chosen[:faces] if chosen[:faces]

        map = job.layout.uv_map
        return of_material(job, chosen[:material]) if chosen[:material]

        islands = chosen[:rest] ? rest(job) : chosen[:islands]
        if islands.nil? || islands.empty?
          raise InputError,
                chosen[:rest] ? "every island was set into a cell already" : "no island is picked; pick one first"
        end

        islands.flat_map { |island| map.island_faces[island].to_a }
      end

      # @return [String]
      def self.to_words(job, chosen)
        return Phrases.count(chosen[:faces].size, "face") if chosen[:faces]
        return "All faces of #{job.mesh.material_names[chosen[:material]]}" if chosen[:material]

        chosen[:rest] ? "The other #{Phrases.count(rest(job).size, "island")}" : Phrases.islands(job, chosen[:islands])
      end

      def self.of_material(job, material)
        found = (job.mesh.face_materials.eq(material) & job.layout.uv_map.face_mapped).where.to_a
        if found.empty?
          raise(InputError, "no face of #{job.mesh.material_names[material]} lies on the sheet; lay them flat first")
        end

        found
      end

      def self.rest(job) = (0...job.layout.uv_map.island_count).to_a - assigned(job)

      # @return [Array<Integer>] islands that were set into cells; where that is not known, those that lie in one
      def self.assigned(job)
        job.fit_setup.assigned ||
          (0...job.layout.uv_map.island_count).select do |island|
            Fit::IntoCell.home(job.layout, island, job.fit_setup.underlay)
          end
      end

      private_class_method :of_material, :rest
    end
  end
end
