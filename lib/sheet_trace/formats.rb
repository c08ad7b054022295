# frozen_string_literal: true

module SheetTrace
  # The table of formats. A new one is a folder with its reader.rb, writer.rb or both, and a line here.
  module Formats
    READERS = Registry.new("model format", "obj" => "SheetTrace::Formats::Obj::Reader")

    # Something a reader met and did not keep, or kept with a doubt.
    #
    # code [String] such as "normals_ignored"; message [String] one sentence; where [Hash] places
    Note = Struct.new(:code, :message, :where, keyword_init: true) do
      def initialize(...)
        super
        freeze
      end
    end

    # What a model reader gives.
    #
    # mesh [Mesh]
    # uvs [Numo::DFloat] T x 2, origin bottom left, v up; T may be 0
    # corner_uvs [Numo::Int32] C indices into uvs; not to be read at corners of a face that is not mapped
    # face_mapped [Numo::Bit] F: 1 where the file gives the face UVs
    # notes [Array<Note>]
    Reading = Struct.new(:mesh, :uvs, :corner_uvs, :face_mapped, :notes, keyword_init: true) do
      def initialize(...)
        super
        freeze
      end
    end

    # Reads a model.
    #
    # @param bytes [String] the file's content
    # @param name [String] its name, for messages
    # @return [Reading]
    # @raise [FormatError, LimitError] as the format's reader says
    def self.read(bytes, name:) = READERS.fetch(format_of(bytes)).call(bytes, name: name)

    # The format by a file's content, whatever its name. OBJ has no signature: it is what is left, and its
    # reader refuses what is no OBJ.
    def self.format_of(_bytes) = "obj"
    private_class_method :format_of
  end
end
