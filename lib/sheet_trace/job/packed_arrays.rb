# frozen_string_literal: true

module SheetTrace
  class Job
    # Arrays of numbers as plain values for MessagePack: shape and little-endian bytes.
    module PackedArrays
      # @param owner [Object]; types [Hash{Symbol => Class}] its members, and how their numbers are kept
      # @return [Hash{String => Hash}]
      def self.pack(owner, types) = types.to_h { |name, type| [name.to_s, array(type.cast(owner.public_send(name)))] }

      # @return [Hash{Symbol => Numo::NArray}]
      def self.unpack(packed, types)
        types.to_h do |name, type|
          [
            name,
            packed[name.to_s].then do |array|
              array["bytes"].empty? ? type.zeros(*array["shape"]) : type.from_binary(array["bytes"], array["shape"])
            end
          ]
        end
      end

      def self.array(array) = { "shape" => array.shape, "bytes" => array.to_binary }
    end
  end
end
