# frozen_string_literal: true

require "msgpack"

module SheetTrace
  class Job
    module Parts
      # Where the model came from: Job::Source, as one blob.
      module Source
        SET_ARRAYS = { uvs: Numo::DFloat, corner_uvs: Numo::Int32, face_mapped: Numo::UInt8 }.freeze
        private_constant :SET_ARRAYS

        # A job always has one.
        def self.default = nil

        def self.pack(value, packing)
          packing.keep(
            {
              "name" => value.name,
              "format" => value.format,
              "unit_mm" => value.unit_mm,
              "up_axis" => value.up_axis,
              "notes" => value.notes.map(&:to_h),
              "sets" => value.uv_sets.map { |set| { "name" => set.name, **PackedArrays.pack(set, SET_ARRAYS) } }
            }.to_msgpack
          )
        end

        def self.unpack(plain, unpacking)
          packed = MessagePack.unpack(unpacking.blob(plain))
          sets =
            packed["sets"].map do |set|
              arrays = PackedArrays.unpack(set, SET_ARRAYS)
              Formats::UvSet.new(name: set["name"], **arrays, face_mapped: arrays[:face_mapped].eq(1))
            end
          notes =
            packed["notes"].map do |note|
              Formats::Note.new(
                code: note["code"],
                message: note["message"],
                where: note["where"].transform_keys(&:to_sym)
              )
            end
          Job::Source.new(
            name: packed["name"],
            format: packed["format"],
            unit_mm: packed["unit_mm"],
            up_axis: packed["up_axis"],
            uv_sets: sets,
            notes: notes
          )
        end

        def self.handed_on(_value, carry) = carry.source
      end
    end
  end
end
