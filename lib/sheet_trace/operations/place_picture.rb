# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets a picture on an island by its size on the model, above the other layers.
    class PlacePicture < Operation
      picture
      island
      number :width_mm,
             Artwork::Places::OnIsland::WIDTH_MM,
             "the largest that fits the island if nil",
             label: "width",
             optional: true
      number :x_mm,
             Artwork::Places::OnIsland::PLACE_MM,
             "its middle, right of the island's as seen from outside",
             default: 0.0
      number :y_mm, Artwork::Places::OnIsland::PLACE_MM, "its middle, above the island's", default: 0.0
      angle :turn_rad, -1000..1000, "clockwise; 0 is upright on the model", default: 0.0
      text :name, "that of the picture if nil", optional: true
      text :id, "of the new layer; the next free one if nil", optional: true
      fact :layer, Parameters::Text.new(80)

      def call(job)
        content = Artwork::Contents::Picture.new(picture: picture)
        width = width_mm || fitting_mm(job, content.aspect)
        place =
          Artwork::Places::OnIsland.new(
            island: island,
            width_mm: width.to_f,
            x_mm: x_mm.to_f,
            y_mm: y_mm.to_f,
            turn_rad: turn_rad.to_f
          )
        job.flat_map(island)
        stack = job.artwork.add(id: id, name: name || picture.title, content: content, place: place)
        layer = stack.layers.last
        change(job.with(artwork: stack), "#{layer.name} set #{place.to_words(job, content)}", layer: layer.id)
      rescue UvError => e
        refuse("#{job.island_names[island]}: #{e.message}")
      end

      private

      def fitting_mm(job, aspect)
        width, height = job.flat_map(island).size_mm
        [width, height * aspect].min.clamp(Artwork::Places::OnIsland::WIDTH_MM)
      end
    end
  end
end
