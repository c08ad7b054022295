# frozen_string_literal: true

module SheetTraceCli
  # A picture on the disk that islands are fitted to.
  class Underlay
    # @return [String] name of the file, and bytes of the picture that was read
    attr_reader :name, :bytes
    # @return [Array<String>] what was not read of it
    attr_reader :notes

    # @param path [String]
    # @raise [SheetTrace::Error] as SheetTrace::Formats::Pictures says
    def initialize(path)
      @name = File.basename(path)
      pictures, notes = SheetTrace::Formats::Pictures.open(File.binread(path), name: @name)
      @bytes = pictures.first.bytes
      @seen = pictures.first.seen
      @notes = notes.map(&:message)
    end

    def size_px = @seen.values_at(:width_px, :height_px)

    # @return [SheetTrace::Artwork::PictureFile]
    def file = SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: name)

    # @return [Numo::UInt8] h x w x 4
    def pixels = SheetTrace::Artwork::Picture.pixels(SheetTrace::Artwork::Picture.read(bytes, name: name))

    # @param which [String] "auto" or "grid:COLSxROWS"
    # @return [Array<SheetTrace::Fit::Cell>]
    # @raise [SheetTrace::InputError] where: { cells: }
    def cells(which)
      grid = /\Agrid:(\d+)[x×](\d+)\z/.match(which)
      if grid && [grid[1], grid[2]].all? { |number| number.to_i.positive? }
        return SheetTrace::Fit::GridCells.call(*size_px, columns: grid[1].to_i, rows: grid[2].to_i)
      end
      return SheetTrace::Fit::FindCells.call(pixels) if which == "auto"

      raise SheetTrace::InputError.new("cells is #{which.inspect}; give auto or grid:8x4", where: { cells: which })
    end
  end
end
