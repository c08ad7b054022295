# frozen_string_literal: true

module SheetTrace
  # The vocabulary of parameters that speak of a job: islands, faces, layers and so on, each named by its index or,
  # where it has one that no
  # other has, by its name. Goes on from Parameters; checked in a Context.
  module References
    include Parameters

    # What is looked at: job [Job]; pictures [#call] takes a digest or a file name, gives the Artwork::PictureFile of
    # that picture, or nil
    Context =
      Struct.new(:job, :pictures, keyword_init: true) do
        def initialize(job:, pictures: ->(_name) {})
          super
        end
      end

    def island(name = :island, note = nil, **rest) = parameter(name, Island.new, note, **rest)
    def islands(name = :islands, note = nil, **rest) = parameter(name, Islands.new, note, **rest)
    def faces(name = :faces, note = nil, **rest) = parameter(name, Elements.new("faces"), note, **rest)
    def edges(name = :edges, note = nil, **rest) = parameter(name, Elements.new("edges"), note, **rest)
    # Corners of the model: vertices.
    def corners(name = :corners, note = nil, **rest)
      parameter(name, Elements.new("corners", some: false), note, **rest)
    end
    # Points of the sheet map: corners as they lie on the sheet.
    def points(name = :points, note = nil, **rest) = parameter(name, Elements.new("points"), note, **rest)
    def layer(name = :id, note = nil, **rest) = parameter(name, Layer.new, note, **rest)
    def layers(name = :ids, note = nil, **rest)
      parameter(name, ListOf.new(Layer.new, sizes: 1..10_000, entry: "layer"), note, **rest)
    end
    def picture(name = :picture, note = nil, **rest) = parameter(name, Picture.new, note, **rest)

    # One of a list of the job, each by its index or its name.
    NO_CELLS = "no underlay with cells is shown; lay one under the islands and find its cells first"
    private_constant :NO_CELLS
    {
      part: ->(job) { job.mesh.parts },
      material: ->(job) { job.mesh.material_names },
      cell: ->(job) { job.fit_setup.cells.map(&:name) },
      underlay: ->(job) { job.fit_setup.underlays.map(&:name) },
      kept_map: ->(job) { job.kept_maps.map(&:name) },
      edition: ->(job) { job.artwork.editions.map(&:name) },
      group: ->(job) { job.artwork.groups.map(&:name) }
    }.each do |word, names|
      type = Entry.new(word.to_s.tr("_", " "), names, none: word == :cell ? NO_CELLS : nil)
      define_method(word) { |name = word, note = nil, **rest| parameter(name, type, note, **rest) }
      define_method("#{word}s") do |name = :"#{word}s", note = nil, **rest|
        parameter(name, ListOf.new(type, entry: word.to_s.tr("_", " ")), note, **rest)
      end
    end

    # Several values of one kind, or several values named.
    def list(name, type, note = nil, sizes: 0..10_000, entry: "entry", **rest)
      parameter(name, ListOf.new(type, sizes: sizes, entry: entry), note, **rest)
    end
    def self.record(&) = Record.new(References, &)
  end
end
