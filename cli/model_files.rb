# frozen_string_literal: true

module SheetTraceCli
  # A model on the disk with the files beside it that it may name: material libraries, buffers, pictures.
  module ModelFiles
    SIDE_FILES = "*.{mtl,bin,png,jpg,jpeg,webp,tif,tiff,tga,bmp,gif}"
    MOST_BYTES = 400 * 1024 * 1024
    private_constant :SIDE_FILES, :MOST_BYTES

    # @param path [String]
    # @return [SheetTrace::Formats::Reading]
    # @raise [Thor::Error] if the file can't be read; SheetTrace::Error as the reader says
    def self.read(path)
      bytes = bytes(path)
      SheetTrace::Formats.read_files({ File.basename(path) => bytes, **beside(path, MOST_BYTES - bytes.bytesize) })
    end

    # @param path [String]
    # @return [String]
    # @raise [Thor::Error] if the file can't be read
    def self.bytes(path)
      File.binread(path)
    rescue SystemCallError => e
      raise Thor::Error, "#{path} can't be read: #{e.message[/\A[^@]+/].strip.downcase}"
    end

    # In its folder and those right below, as far as there is room.
    def self.beside(path, room)
      folder = File.dirname(path)
      found = Dir.glob([SIDE_FILES, "*/#{SIDE_FILES}"], File::FNM_CASEFOLD, base: folder).sort - [File.basename(path)]
      found.each_with_object({}) do |name, files|
        size = File.size?(File.join(folder, name)) or next
        next if (room -= size).negative?

        files[name] = File.binread(File.join(folder, name))
      end
    end
    private_class_method :beside
  end
end
