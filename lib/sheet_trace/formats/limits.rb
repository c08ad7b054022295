# frozen_string_literal: true

module SheetTrace
  module Formats
    # How large a model may be, whatever the format. Checked by what a file declares, before anything is allocated.
    module Limits
      MOST_VERTICES = 4_000_000
      MOST_FACES = 4_000_000
      MOST_UVS = 16_000_000

      # @param name [String] of the file
      # @raise [LimitError] where: { limit:, got: }
      def self.validate(name, vertices: 0, faces: 0, uvs: 0)
        {
          "vertices" => [vertices, MOST_VERTICES],
          "faces" => [faces, MOST_FACES],
          "UVs in all its sets" => [uvs, MOST_UVS]
        }.each do |what, (got, limit)|
          next unless got > limit
          raise LimitError.new(
                  "#{name} has #{got} #{what}; at most #{limit} are taken",
                  where: {
                    limit: limit,
                    got: got
                  }
                )
        end
      end
    end
  end
end
