# frozen_string_literal: true

module Demo
  # The racing skiff of the Quillhaven Lantern Regatta, as a table model 420 mm long: a hull of two mirrored halves
  # that bends both
  # ways, a transom and a deck, without any UVs. It is cut along keel, stem and rims, and unfolded.
  module Skiff
    LENGTH = 420.0
    BREADTH = 140.0
    STATIONS = 24 # from stern to bow
    RIBS = 8 # from keel to gunwale
    CREAM = "#ece0c2"
    BLUE = "#26495c"
    PHOTO = "skiff-photo.png"
    PHOTO_PX = [1000, 300].freeze
    private_constant :PHOTO_PX, :LENGTH, :BREADTH, :STATIONS, :RIBS, :CREAM, :BLUE

    # @return [String] the model as an OBJ file; x to the right, y up, the bow to the front
    def self.obj
      lines = ["# Quillhaven Lantern Regatta: racing skiff, #{LENGTH.round} mm long"]
      numbers =
        Hash.new do |all, place|
          lines << format("v %.4f %.4f %.4f", *place)
          all[place] = all.size + 1
        end
      { "hull" => hull, "transom" => transom, "deck" => deck }.each do |part, faces|
        rows = faces.map { |face| face.uniq.map { |place| numbers[place] } }
        lines << "o #{part}" << "usemtl #{part == "deck" ? "planks" : "paint"}"
        lines.concat(rows.map { |row| "f #{row.join(" ")}" })
      end
      "#{lines.join("\n")}\n"
    end

    # @return [Array<Integer>] edges of the hull on the plane x = 0: keel and stem
    def self.keel(mesh)
      middle = mesh.positions[true, 0].eq(0)
      ends = mesh.edges.vertices
      (middle[ends[true, 0]] & middle[ends[true, 1]]).where.to_a
    end

    # @param station [Integer] 0 at the stern; rib [Integer] 0 at the keel; side [Integer] -1 left as seen from the
    #   front, 1 right
    def self.place(station, rib, side)
      along = station.fdiv(STATIONS)
      angle = rib.fdiv(RIBS) * Math::PI / 2
      half = BREADTH / 2 * ((1 - (along**2.4))**0.8) * (0.78 + (0.22 * Math.sin(along * 3)))
      gunwale = 52 + (20 * (along**2))
      keel = (26 * (along**5)) + (7 * ((1 - along)**3))
      [
        side * half * Math.sin(angle),
        gunwale - ((gunwale - keel) * Math.cos(angle)),
        (along - 0.5) * LENGTH
      ].map { |value| value.round(4) + 0.0 }
    end

    def self.hull
      [1, -1].flat_map do |side|
        (0...STATIONS)
          .to_a
          .product((0...RIBS).to_a)
          .map do |i, k|
            face = [place(i, k, side), place(i, k + 1, side), place(i + 1, k + 1, side), place(i + 1, k, side)]
            side == 1 ? face : face.reverse.rotate(-1) # the same first corner, so that triangles mirror each other too
          end
      end
    end

    def self.transom = (0...RIBS).map { |k| [place(0, k, 1), place(0, k, -1), place(0, k + 1, -1), place(0, k + 1, 1)] }
    def self.deck =
      (0...STATIONS).map { |i| [place(i, RIBS, -1), place(i + 1, RIBS, -1), place(i + 1, RIBS, 1), place(i, RIBS, 1)] }

    # @return [Hash{String => String}] file name => PNG: its number, and what a photo of its right side might look like
    def self.pictures
      {
        "skiff-number.png" => TeaCaddy.picture(40, 40) { |context| number(context) },
        PHOTO => TeaCaddy.picture(*PHOTO_PX, px_per_mm: 1) { |context| photo(context) }
      }
    end

    # Six places of the right half that are told apart on the photo: ends and middle of rim and keel.
    #
    # @return [Array<Array(Array(Float, Float, Float), Array(Float, Float))>] place on the model, and px of the photo
    def self.landmarks
      spots = [[0, RIBS], [STATIONS / 2, RIBS], [STATIONS, RIBS], [0, 0], [STATIONS / 2, 0], [STATIONS / 4, RIBS / 2]]
      spots.map { |station, rib| place(station, rib, 1).then { |at| [at, on_photo(at)] } }
    end

    # Seen from the right, the bow to the left, through a lens that draws what is near the middle a little larger.
    def self.on_photo(place)
      _x, y, z = place
      [PHOTO_PX[0] / 2.0, 190.0].zip([-z, -y])
        .map { |middle, value| middle + (value * 2.1 * (1 - (((z / LENGTH)**2) * 0.12))) }
    end

    # Water, sky, the hull with its stripe, light that falls off to the stern.
    def self.photo(context)
      sky = Cairo::LinearPattern.new(0, 0, 0, PHOTO_PX[1])
      [[0, 0.78, 0.85, 0.88], [0.55, 0.92, 0.9, 0.84], [0.6, 0.36, 0.52, 0.56], [1, 0.2, 0.34, 0.4]].each do |stop|
        sky.add_color_stop_rgb(*stop)
      end
      context.set_source(sky)
      context.paint
      { (0..RIBS) => CREAM, (4..5) => BLUE }.each do |ribs, color|
        context.set_source_color(color)
        side = [ribs.begin, ribs.end].map { |rib| (0..STATIONS).map { |station| on_photo(place(station, rib, 1)) } }
        [*side[0], *side[1].reverse].each_with_index do |(x, y), i|
          i.zero? ? context.move_to(x, y) : context.line_to(x, y)
        end
        context.fill
      end
      shade = Cairo::LinearPattern.new(0, 0, PHOTO_PX[0], 0)
      shade.add_color_stop_rgba(0, 1, 0.95, 0.8, 0.12)
      shade.add_color_stop_rgba(1, 0.05, 0.1, 0.2, 0.28)
      context.set_source(shade)
      context.paint
    end

    def self.number(context)
      { CREAM => 19, BLUE => 16.5 }.each do |color, radius|
        context.set_source_color(color)
        context.arc(20, 20, radius, 0, 2 * Math::PI)
        context.fill
      end
      context.set_source_color(CREAM)
      context.select_font_face("DejaVu Sans", Cairo::FONT_SLANT_NORMAL, Cairo::FONT_WEIGHT_BOLD)
      context.set_font_size(17)
      extents = context.text_extents("27")
      context.move_to(20 - (extents.width / 2) - extents.x_bearing, 20 + (extents.height / 2))
      context.show_text("27")
    end
    private_class_method :place, :on_photo, :photo, :hull, :transom, :deck, :number
  end
end
