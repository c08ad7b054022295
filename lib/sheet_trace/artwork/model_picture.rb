# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A small picture of the model wearing its sheet, seen straight from one direction, on nothing.
    module ModelPicture
      # Directions from the model to the eye; the corner is as the proof looks at first.
      VIEWS = {
        "corner" => [0.62, 0.42, 1.0],
        "front" => [0.0, 0.0, 1.0],
        "back" => [0.0, 0.0, -1.0],
        "left" => [-1.0, 0.0, 0.0],
        "right" => [1.0, 0.0, 0.0],
        "above" => [0.0, 1.0, 0.0]
      }.freeze
      LIGHT = [0.35, 0.75, 0.56].freeze
      DARKEST = 0.62 # of the light on a face that is turned away from it
      BARE = [185, 178, 162].freeze # of faces that have no place on the sheet
      FINE = 2 # px across and down to one of the picture
      private_constant :LIGHT, :DARKEST, :BARE, :FINE

      # @param layout [Layout]
      # @param sheet [Vips::Image] 8-bit sRGB with alpha, of any size
      # @param side_px [Integer] of the picture; the model's longer side fills it
      # @param from [Array(Float, Float, Float)] direction from the model to the eye, model axes
      # @return [Vips::Image] side x side, 8-bit sRGB with alpha
      def self.call(layout, sheet, side_px:, from: VIEWS.fetch("corner"))
        mesh = layout.uv_map.mesh
        places, depths = seen(mesh.positions, from, side_px * FINE)
        triangles = far_first(mesh, places, depths)
        map = Raster::TexelMap.call(places, triangles[:vertices], width_px: side_px * FINE, height_px: side_px * FINE)
        pixels = Numo::UInt8.zeros((side_px * FINE)**2, 4)
        paint(pixels, map, triangles, layout, sheet)
        image = Vips::Image.new_from_memory_copy(pixels.to_binary, side_px * FINE, side_px * FINE, 4, :uchar)
        image.copy(interpretation: :srgb).premultiply.shrink(FINE, FINE).unpremultiply.rint.cast(:uchar)
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] V x 2 px, and how near each vertex is to the eye
      def self.seen(positions, from, side)
        out = unit(from)
        right = unit(out[0].abs + out[2].abs < 1e-9 ? [1.0, 0.0, 0.0] : [out[2], 0.0, -out[0]])
        up = cross(out, right)
        x, y, near = [right, up, out].map { |axis| Geometry::Vectors.dot(positions, Numo::DFloat[axis]) }
        return Numo::DFloat.zeros(0, 2), near if x.empty?

        scale = (side - 2.0) / [x.max - x.min, y.max - y.min, 1e-12].max
        places = Numo::DFloat.zeros(x.size, 2)
        places[true, 0] = ((x - ((x.max + x.min) / 2)) * scale) + (side / 2.0)
        places[true, 1] = ((((y.max + y.min) / 2) - y) * scale) + (side / 2.0)
        [places, near]
      end

      # Triangles that face the eye, the far ones first, so that the near ones come to lie over them.
      #
      # @return [Hash{Symbol => Numo::NArray}] vertices and corners K x 3, faces K
      def self.far_first(mesh, places, depths)
        cut = mesh.triangulation
        vertices = mesh.corner_vertices[cut.corners].reshape(cut.count, 3)
        a, b, c = Array.new(3) { |k| places[vertices[true, k], true] }
        area =
          ((b[true, 0] - a[true, 0]) * (c[true, 1] - a[true, 1])) -
            ((b[true, 1] - a[true, 1]) * (c[true, 0] - a[true, 0]))
        near = Array.new(3) { |k| depths[vertices[true, k]] }.reduce(:+)
        rows = area.lt(0).where # px run down
        rows = rows[near[rows].sort_index] unless rows.empty?
        { vertices: vertices[rows, true], corners: cut.corners[rows, true], faces: cut.faces[rows] }
      end

      def self.paint(pixels, map, triangles, layout, sheet)
        return if map.texels.empty?

        rows = map.triangles
        faces = triangles[:faces][rows]
        colors = Numo::DFloat.zeros(rows.size, 3)
        mapped = layout.uv_map.face_mapped[faces]
        on_sheet(colors, map, triangles, layout, sheet)
        3.times { |band| colors[(~mapped).where, band] = BARE[band] } if mapped.eq(0).any?
        shade = shades(layout.uv_map.mesh, triangles)[rows]
        3.times { |band| pixels[map.texels, band] = (colors[true, band] * shade).round }
        pixels[map.texels, 3] = 255
      end

      # The sheet's px under each texel, on paper.
      def self.on_sheet(colors, map, triangles, layout, sheet)
        texels = Picture.pixels(sheet)
        height, width, = texels.shape
        uvs = layout.corner_uvs
        u, v =
          map.interpolate(
            [0, 1].map { |axis| uvs[true, axis][triangles[:corners]].reshape(*triangles[:corners].shape) }
          )
        x = (u * width).floor.clip(0, width - 1)
        y = ((1 - v) * height).floor.clip(0, height - 1)
        found = Numo::DFloat.cast(texels.reshape(width * height, 4)[Numo::Int64.cast((y * width) + x), true])
        alpha = found[true, 3] / 255
        3.times { |band| colors[true, band] = (found[true, band] * alpha) + (255 * (1 - alpha)) }
      end

      # @return [Numo::DFloat] K, share of the light on each triangle
      def self.shades(mesh, triangles)
        a, b, c = Array.new(3) { |k| mesh.positions[triangles[:vertices][true, k], true] }
        normals = Geometry::Vectors.unit(Geometry::Vectors.cross(b - a, c - a))
        turned = Geometry::Vectors.dot(normals, Numo::DFloat[unit(LIGHT)])
        DARKEST + ((1 - DARKEST) * turned.clip(0, 1))
      end

      def self.unit(vector) = vector.map { |part| part / Math.sqrt(vector.sum { |own| own**2 }) }

      def self.cross((ax, ay, az), (bx, by, bz)) = [(ay * bz) - (az * by), (az * bx) - (ax * bz), (ax * by) - (ay * bx)]
      private_class_method :seen, :far_first, :paint, :on_sheet, :shades, :unit, :cross
    end
  end
end
