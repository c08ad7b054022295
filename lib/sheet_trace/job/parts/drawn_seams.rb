# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Seams drawn for the next laying flat: a bit for each edge of the mesh; nil where those of the map hold.
      module DrawnSeams
        def self.default = nil
        def self.pack(value, packing) = value && packing.keep(Numo::Int32.cast(value.where).to_binary)

        def self.unpack(plain, unpacking)
          return unless plain

          bits = Flatten::Seams.none(unpacking.part(:layout).uv_map.mesh)
          packed = unpacking.blob(plain)
          bits[Numo::Int32.from_binary(packed)] = 1 unless packed.empty?
          bits.freeze
        end

        def self.handed_on(value, carry) = value && carry.seams(value)
      end
    end
  end
end
