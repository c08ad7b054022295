# frozen_string_literal: true

module SheetTrace
  class Mesh
    # What a surface is painted with, as far as model files tell.
    #
    # name [String]
    # color [Array(Float, Float, Float, Float), nil] red, green, blue and opacity, sRGB shares from 0 to 1
    # image [String, nil] file name of the base colour's picture
    Material =
      Struct.new(:name, :color, :image, keyword_init: true) do
        def initialize(name:, color: nil, image: nil)
          super(name: name, color: color&.freeze, image: image)
          freeze
        end
      end
  end
end
