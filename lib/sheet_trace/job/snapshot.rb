# frozen_string_literal: true

require "msgpack"

module SheetTrace
  class Job
    # A job as a document of plain values and the blobs it names by digest, for keeping.
    class Snapshot
      # Members of the surface blob and how their numbers are kept, little-endian.
      MESH_ARRAYS = { positions: Numo::DFloat, face_starts: Numo::Int32, corner_vertices: Numo::Int32, face_parts: Numo::Int32,
                      face_materials: Numo::Int32 }.freeze
      MAP_ARRAYS = { points: Numo::DFloat, point_vertices: Numo::Int32, point_islands: Numo::Int32, corner_points: Numo::Int32,
                     face_mapped: Numo::UInt8, face_islands: Numo::Int32 }.freeze
      private_constant :MESH_ARRAYS, :MAP_ARRAYS

      # @return [Job]
      attr_reader :job
      # @return [Hash] JSON values
      attr_reader :document
      # @return [Hash{String => String}] digest => bytes: what the document names and the former snapshot did not
      attr_reader :blobs

      # @param bytes [String]
      # @return [String] the name a blob goes by
      def self.digest(bytes) = Digest::SHA256.hexdigest(bytes)

      # @param job [Job]
      # @param before [Snapshot, nil] of the job that this one was made from: what they share is not packed again
      # @return [Snapshot]
      def self.dump(job, before: nil) = new(job, before)

      # @param document [Hash] with symbols for keys
      # @param blobs [#call] takes a digest, gives the bytes
      # @return [Snapshot]
      def self.load(document, blobs)
        uv_map = unpack_surface(blobs.call(document[:surface]))
        sheet = Layout::Sheet.new(**document[:sheet])
        placements = Numo::DFloat.from_binary(blobs.call(document[:placements]), [uv_map.island_count, 6])
        job = Job.new(source_name: document[:source_name], unit_mm: document[:unit_mm],
                      notes: document[:notes].map { |note| Formats::Note.new(**note) },
                      layout: Layout.new(uv_map: uv_map, sheet: sheet, placements: placements),
                      given_names: document[:given_names].transform_keys { |island| island.to_s.to_i },
                      edition: edition(document[:edition]))
        allocate.tap { |snapshot| snapshot.send(:loaded, job, document) }
      end

      def self.edition(plain)
        Artwork::Edition.new(**plain, layers: plain[:layers].map { |layer| Artwork::Layer.from_plain(layer) })
      end

      def self.unpack_surface(bytes)
        packed = MessagePack.unpack(bytes)
        mesh = Mesh.new(**unpack(packed["mesh"], MESH_ARRAYS), parts: packed["parts"], materials: packed["materials"])
        arrays = unpack(packed["map"], MAP_ARRAYS)
        UvMap.new(mesh: mesh, **arrays, face_mapped: arrays[:face_mapped].eq(1), island_count: packed["island_count"])
      end

      def self.unpack(packed, types)
        types.to_h { |name, type| [name, packed[name.to_s].then { |array| type.from_binary(array["bytes"], array["shape"]) }] }
      end
      private_class_method :new, :edition, :unpack_surface, :unpack

      def initialize(job, before)
        @job = job
        @blobs = {}
        former = before && before.job.layout.uv_map.equal?(job.layout.uv_map) ? before.document : nil
        @document = { version: 1, source_name: job.source_name, unit_mm: job.unit_mm, notes: job.notes.map(&:to_h), sheet: job.sheet.to_h,
                      surface: former ? former[:surface] : keep(pack_surface), placements: keep(job.layout.placements.to_binary),
                      given_names: job.given_names, edition: job.edition.to_h.merge(layers: job.edition.layers.map(&:to_plain)) }
      end

      private

      def loaded(job, document)
        @job = job
        @document = document
        @blobs = {}
      end

      def keep(bytes) = self.class.digest(bytes).tap { |digest| @blobs[digest] = bytes }

      def pack_surface
        map = job.layout.uv_map
        { "mesh" => pack(map.mesh, MESH_ARRAYS), "map" => pack(map, MAP_ARRAYS), "parts" => map.mesh.parts, "materials" => map.mesh.materials,
          "island_count" => map.island_count }.to_msgpack
      end

      def pack(owner, types)
        types.to_h { |name, type| [name, owner.public_send(name).then { |array| { "shape" => array.shape, "bytes" => type.cast(array).to_binary } }] }
      end
    end
  end
end
