# frozen_string_literal: true

require "vips"

module Demo
  # Plays a plain paint program in tests and in the demo: it opens a picture as such a program would, without layers,
  # transparency or what is said in the file, fills what a spot lies in, writes words, and saves over the file.
  #
  #   ruby demo/plain_painter.rb FILE 100,200=#aa3355 "300,40=Quillhaven"
  module PlainPainter
    # @param bytes [String] of a picture
    # @param strokes [Array<Array(Integer, Integer, String)>] px right, px down, and a colour #rrggbb to fill with or
    #   words to write
    # @return [String] PNG
    def self.call(bytes, strokes)
      image = Vips::Image.new_from_buffer(bytes, "")
      image = image.flatten(background: [255, 255, 255]) if image.has_alpha?
      image = image.colourspace(:srgb).cast(:uchar).extract_band(0, n: 3).copy_memory
      strokes
        .reduce(image) do |so_far, (x, y, what)|
          what.match?(/\A#\h{6}\z/) ? filled(so_far, x, y, what) : written(so_far, x, y, what)
        end
        .pngsave_buffer(strip: true)
    end

    def self.filled(image, x, y, color)
      rgb = color.scan(/\h\h/).map(&:hex)
      image.mutate { |canvas| canvas.draw_flood!(rgb, x, y, equal: true) }
    end

    def self.written(image, x, y, words)
      letters = Vips::Image.text(words, dpi: 120)
      ink = letters.new_from_image([20, 24, 40]).cast(:uchar).copy(interpretation: :srgb).bandjoin(letters)
      image.composite2(ink, :over, x: x, y: y).extract_band(0, n: 3).cast(:uchar).copy_memory
    end
    private_class_method :filled, :written
  end
end

if $PROGRAM_NAME == __FILE__
  path, *strokes = ARGV
  abort "give a picture, and strokes such as 100,200=#aa3355 or \"300,40=Words\"" if strokes.empty?

  parsed = strokes.map { |stroke| stroke.match(/\A(\d+),(\d+)=(.+)\z/m)&.captures or abort "#{stroke} is no stroke" }
  File.binwrite(path, Demo::PlainPainter.call(File.binread(path), parsed.map { |x, y, what| [x.to_i, y.to_i, what] }))
end
