# frozen_string_literal: true

module SheetTrace
  # The table of formats. A new one is a folder with its reader.rb, writer.rb or both, and a line here.
  module Formats
    # What is picked by a name's ending, because the format has no signature of its own.
    READERS = Registry.new("model format", ".obj" => "SheetTrace::Formats::Obj::Reader")

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
    # @param name [String] its name, for messages and to tell the format
    # @return [Reading]
    # @raise [FormatError, LimitError] as the format's reader says
    # @raise [UnknownNameError] if no reader takes a file of that name
    def self.read(bytes, name:)
      READERS.fetch(File.extname(name).downcase).call(bytes, name: name)
    end
  end
end
