# frozen_string_literal: true

module SheetTrace
  # The table of formats. A new one is a folder with its reader.rb, writer.rb or both, and a line here.
  module Formats
    READERS =
      Registry.new(
        "model format",
        "obj" => "SheetTrace::Formats::Obj::Reader",
        "gltf" => "SheetTrace::Formats::Gltf::Reader",
        "collada" => "SheetTrace::Formats::Collada::Reader",
        "ply" => "SheetTrace::Formats::Ply::Reader"
      )
    WRITERS =
      Registry.new(
        "model format",
        "obj" => "SheetTrace::Formats::Obj::Writer",
        "glb" => "SheetTrace::Formats::Gltf::Writer",
        "gltf" => "SheetTrace::Formats::Gltf::Writer::Apart",
        "dae" => "SheetTrace::Formats::Collada::Writer",
        "ply" => "SheetTrace::Formats::Ply::Writer"
      )

    # How a format's files begin. OBJ has no signature: it is what is left, and its reader refuses what is no OBJ.
    SIGNATURES = {
      "gltf" => /\A(?:glTF|\s*\{)/n,
      "collada" => /\A\s*<(?:\?xml|!|\w+:?COLLADA|COLLADA)/n,
      "ply" => /\Aply *[\r\n]/n
    }.freeze
    MARK = "\xEF\xBB\xBF".b
    private_constant :SIGNATURES, :MARK

    # Something a reader met and did not keep, or kept with a doubt.
    #
    # code [String] such as "points_ignored"; message [String] one sentence; where [Hash] places
    Note =
      Struct.new(:code, :message, :where, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end
      end

    # One set of UVs of a model.
    #
    # name [String]
    # uvs [Numo::DFloat] T x 2, origin bottom left, v up; T may be 0
    # corner_uvs [Numo::Int32] C indices into uvs; not to be read at corners of a face that is not mapped
    # face_mapped [Numo::Bit] F: 1 where the file gives the face UVs
    UvSet =
      Struct.new(:name, :uvs, :corner_uvs, :face_mapped, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end
      end

    # What a model reader gives.
    #
    # mesh [Mesh] y up; uv_sets [Array<UvSet>] at least one; notes [Array<Note>]
    # format [String] a name of READERS
    # unit_mm [Float, nil] length of a model unit if the file says; up_axis [String, nil] x, y or z, if it says
    # images [Hash{String => String}] file name => bytes of the pictures that materials name
    Reading =
      Struct.new(:mesh, :uv_sets, :notes, :format, :unit_mm, :up_axis, :images, keyword_init: true) do
        def initialize(unit_mm: nil, up_axis: nil, images: {}, **rest)
          super
          freeze
        end

        def uvs = uv_sets.first.uvs
        def corner_uvs = uv_sets.first.corner_uvs
        def face_mapped = uv_sets.first.face_mapped
      end

    # Reads a model from one file.
    #
    # @param bytes [String] the file's content
    # @param name [String] its name, for messages
    # @return [Reading]
    # @raise [FormatError, LimitError] as the format's reader says
    def self.read(bytes, name:) = read_files({ name => bytes })

    # Reads a model from its files: the model, and what it names (materials, buffers, pictures), or one zip of them.
    #
    # @param files [Hash{String => String}] name => content
    # @return [Reading]
    # @raise [FormatError, LimitError] as the format's reader says; if there is no model among the files, or more
    #   than one
    def self.read_files(files)
      bundle = Bundle.open(files)
      name, format = bundle.model
      READERS.fetch(format).call(bundle.files.fetch(name), name: name, bundle: bundle)
    end

    # The format by a file's content, whatever its name.
    #
    # @param bytes [String]
    # @return [String] a name of READERS
    def self.format_of(bytes)
      head = bytes.byteslice(0, 4096).b.delete_prefix(MARK)
      SIGNATURES.find { |_format, signature| head.match?(signature) }&.first || "obj"
    end
  end
end
