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
      SET_ARRAYS = { uvs: Numo::DFloat, corner_uvs: Numo::Int32, face_mapped: Numo::UInt8 }.freeze
      private_constant :MESH_ARRAYS, :MAP_ARRAYS, :SET_ARRAYS

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
        source = unpack_source(blobs.call(document[:source]))
        layout = unpack_layout(document, blobs)
        kept = document.fetch(:kept_maps, []).map { |one| KeptMap.new(one[:name]) { unpack_layout(one, blobs) } }
        seams = unpack_seams(document[:seams], layout.uv_map.mesh, blobs)
        job = Job.new(source: source, unit_mm: document[:unit_mm], gutter_px: document[:gutter_px], layout: layout, kept_maps: kept,
                      drawn_seams: seams, plan: plan(document[:plan]), backdrop: backdrop(document[:backdrop]),
                      given_names: by_island(document[:given_names]), given_tags: by_island(document[:given_tags]),
                      edition: edition(document[:edition]))
        allocate.tap { |snapshot| snapshot.send(:loaded, job, document) }
      end

      def self.unpack_layout(document, blobs)
        uv_map = unpack_surface(blobs.call(document[:surface]))
        placements = Numo::DFloat.from_binary(blobs.call(document[:placements]), [uv_map.island_count, 6])
        Layout.new(uv_map: uv_map, sheet: Layout::Sheet.new(**document[:sheet]), placements: placements)
      end

      # Documents made before there were plans have none.
      def self.plan(plain) = plain ? Layout::Plan.new(**plain, weights: by_island(plain[:weights])) : Layout::Plan.new

      # Documents made before there were backdrops have none.
      def self.backdrop(plain) = plain ? Fit::Backdrop.from_plain(plain) : Fit::Backdrop.new

      def self.by_island(said) = said.transform_keys { |island| island.to_s.to_i }

      def self.edition(plain)
        Artwork::Edition.new(**plain, layers: plain[:layers].map { |layer| Artwork::Layer.from_plain(layer) })
      end

      def self.unpack_surface(bytes)
        packed = MessagePack.unpack(bytes)
        normals = packed["normals"] && unpack({ "normals" => packed["normals"] }, { normals: Numo::DFloat })[:normals]
        materials = packed["materials"].map { |name, color, image| Mesh::Material.new(name: name, color: color, image: image) }
        mesh = Mesh.new(**unpack(packed["mesh"], MESH_ARRAYS), parts: packed["parts"], materials: materials, corner_normals: normals)
        arrays = unpack(packed["map"], MAP_ARRAYS)
        UvMap.new(mesh: mesh, **arrays, face_mapped: arrays[:face_mapped].eq(1), island_count: packed["island_count"])
      end

      def self.unpack_seams(digest, mesh, blobs)
        return unless digest

        edges = Numo::Int32.from_binary(blobs.call(digest))
        Flatten::Seams.none(mesh).tap { |bits| bits[edges] = 1 unless edges.empty? }
      end

      def self.unpack_source(bytes)
        packed = MessagePack.unpack(bytes)
        sets = packed["sets"].map do |set|
          arrays = unpack(set, SET_ARRAYS)
          Formats::UvSet.new(name: set["name"], **arrays, face_mapped: arrays[:face_mapped].eq(1))
        end
        notes = packed["notes"].map { |note| Formats::Note.new(code: note["code"], message: note["message"], where: note["where"].transform_keys(&:to_sym)) }
        Source.new(name: packed["name"], format: packed["format"], unit_mm: packed["unit_mm"], up_axis: packed["up_axis"], uv_sets: sets, notes: notes)
      end

      def self.unpack(packed, types)
        types.to_h do |name, type|
          [name, packed[name.to_s].then do |array|
            array["bytes"].empty? ? type.zeros(*array["shape"]) : type.from_binary(array["bytes"], array["shape"])
          end]
        end
      end
      private_class_method :new, :unpack_layout, :plan, :backdrop, :by_island, :edition, :unpack_seams, :unpack_surface, :unpack_source, :unpack

      def initialize(job, before)
        @job = job
        @blobs = {}
        same_source = before && before.job.source.equal?(job.source)
        @document = { version: 2, unit_mm: job.unit_mm, gutter_px: job.gutter_px, source: same_source ? before.document[:source] : keep(pack_source),
                      **pack_layout(job.layout, before), kept_maps: job.kept_maps.map { |kept| pack_kept(kept, before) },
                      given_names: job.given_names, given_tags: job.given_tags, plan: job.plan.to_h, backdrop: job.backdrop.to_plain,
                      seams: job.drawn_seams && keep(Numo::Int32.cast(job.drawn_seams.where).to_binary),
                      edition: job.edition.to_h.merge(layers: job.edition.layers.map(&:to_plain)) }
      end

      private

      def loaded(job, document)
        @job = job
        @document = document
        @blobs = {}
      end

      def keep(bytes) = self.class.digest(bytes).tap { |digest| @blobs[digest] = bytes }

      def pack_layout(layout, before)
        same_surface = before && before.job.layout.uv_map.equal?(layout.uv_map)
        { sheet: layout.sheet.to_h, surface: same_surface ? before.document[:surface] : keep(pack_surface(layout.uv_map)), placements: keep(layout.placements.to_binary) }
      end

      # Those that were kept before are as they were, and need not be read for it.
      def pack_kept(kept, before)
        known = before && before.job.kept_maps.index { |one| one.equal?(kept) }
        known ? before.document[:kept_maps][known] : { name: kept.name, **pack_layout(kept.layout, before) }
      end

      def pack_surface(map)
        { "mesh" => pack(map.mesh, MESH_ARRAYS), "map" => pack(map, MAP_ARRAYS), "parts" => map.mesh.parts, "materials" => map.mesh.materials.map(&:to_a),
          "normals" => map.mesh.corner_normals && packed(map.mesh.corner_normals), "island_count" => map.island_count }.to_msgpack
      end

      def pack_source
        source = job.source
        { "name" => source.name, "format" => source.format, "unit_mm" => source.unit_mm, "up_axis" => source.up_axis,
          "notes" => source.notes.map(&:to_h), "sets" => source.uv_sets.map { |set| { "name" => set.name, **pack(set, SET_ARRAYS) } } }.to_msgpack
      end

      def pack(owner, types)
        types.to_h { |name, type| [name.to_s, packed(type.cast(owner.public_send(name)))] }
      end

      def packed(array) = { "shape" => array.shape, "bytes" => array.to_binary }
    end
  end
end
