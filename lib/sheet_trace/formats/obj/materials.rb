# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Looks up the materials that faces name in the libraries that were brought along.
      module Materials
        # @param scan [Scan]
        # @param bundle [Bundle]
        # @param notes [Array<Note>] is added to where a library, a material or a picture is lacking
        # @param name [String] of the OBJ file
        # @return [Array(Array<Mesh::Material>, Hash{String => String})] materials in the order of scan.materials;
        #   pictures by file name
        # @raise [FormatError] where: { file: } of a library that is not text
        def self.call(scan, bundle, notes, name)
          known = libraries(scan, bundle, notes, name)
          images = {}
          materials =
            scan.materials.map do |material|
              found = known[material]
              if known.any? && found.nil? && material != Scan::PLAIN
                notes << Note.new(
                  code: "material_not_found",
                  where: {
                    file: name,
                    material: material
                  },
                  message: "#{name}: no library tells of material #{material}; it stays plain"
                )
              end
              picture(found || Mesh::Material.new(name: material), bundle, images, notes, name)
            end
          [materials, images]
        end

        # A file name may hold blanks: "mtllib a b.mtl" is one file if there is such a one, or else two.
        def self.libraries(scan, bundle, notes, name)
          names =
            scan.libraries.flat_map do |line|
              bundle.find(line) || (line.end_with?(".mtl") && line.count(".") == 1) ? [line] : line.split
            end
          names
            .uniq
            .each_with_object({}) do |library, known|
              path, bytes = bundle.find(library)
              if bytes
                known.merge!(MaterialLibrary.call(bytes, name: path)) { |_material, first, _again| first }
              else
                notes << Note.new(
                  code: "library_not_found",
                  where: {
                    file: name,
                    library: library
                  },
                  message:
                    "#{name}: the material library #{library} was not brought along; material names are kept, " \
                      "colours and pictures are not"
                )
              end
            end
        end

        def self.picture(material, bundle, images, notes, name)
          return material unless material.image

          path, bytes = bundle.find(material.image)
          if bytes
            images[File.basename(path)] = bytes
            return Mesh::Material.new(name: material.name, color: material.color, image: File.basename(path))
          end
          notes << Note.new(
            code: "picture_not_found",
            where: {
              file: name,
              picture: material.image
            },
            message: "#{name}: the picture #{material.image} of material #{material.name} was not brought along"
          )
          Mesh::Material.new(name: material.name, color: material.color)
        end
        private_class_method :libraries, :picture
      end
    end
  end
end
