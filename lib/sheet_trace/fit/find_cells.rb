# frozen_string_literal: true

module SheetTrace
  module Fit
    # Finds the cells of a picture: closed panels of a template or a printed net, squares of a palette, cells of an
    # atlas with or without
    # gutters, islands of alpha. A cell is a region that even colour, a gradient or a line shuts off from what is
    # round it; its box is exact to
    # the px, also where JPEG or smoothed edges have blurred it by less than half its contrast.
    #
    # A region that holds others is a cell where it covers half of what it encloses, and what lies in it is its print;
    # or else it is ground. What
    # touches the picture's border and is no full rectangle is ground too. Where such cells make up little of a
    # picture whose textured fields stand in a regular grid, the cells are these.
    module FindCells
      FULL = 0.97 # share of its box from which a region is a rectangle
      OWN = 0.5
      MOST = 1024
      LEAST_PX = 4 # of area
      LEAST_SIDE = 2 # thinner ones are lines, but on a picture so small that each px was set by hand
      SMALL_PX = 256
      MOST_PX = 4096 * 4096
      FLAT = 8.0 # spread of a flat colour, 0 to 255
      MOSTLY = 0.5 # of a picture that its cells make up
      SHADED = 6.0 # how much more a gradient changes one way than the other
      private_constant :FULL, :OWN, :MOST, :LEAST_PX, :LEAST_SIDE, :SMALL_PX, :MOST_PX, :MOSTLY, :SHADED

      # @param pixels [Numo::UInt8] h x w x 4, red, green, blue and opacity
      # @return [Array<Cell>] in reading order, named so; none where the picture is one region, or a photo of very many
      # @raise [LimitError] where: { limit:, got: }
      def self.call(pixels)
        shape = pixels.shape
        if shape[0] * shape[1] > MOST_PX
          raise LimitError.new(
                  "cells are looked for on up to 4096 x 4096 px, and the picture has #{shape[1]} x #{shape[0]}; trim " \
                    "it, or type a grid",
                  where: {
                    limit: MOST_PX,
                    got: shape[0] * shape[1]
                  }
                )
        end

        cells = closed_off(pixels)
        grid = Grid.call(pixels) or return cells
        fields = GridCells.call(shape[1], shape[0], **grid)
        completed?(cells, fields, shape) ? fields : cells
      end

      # Whether a grid tells more than the cells that were found: these run together fields of it, or make up little.
      def self.completed?(cells, fields, shape)
        whole = cells.reject(&:outline)
        return true if whole.sum { |cell| cell.width * cell.height } < MOSTLY * shape[0] * shape[1]

        across, down = [%i[x width], %i[y height]].map { |side| ends(fields, *side) }
        whole.size < fields.size &&
          whole.all? do |cell|
            on_lines?(ends([cell], :x, :width), across) && on_lines?(ends([cell], :y, :height), down)
          end
      end

      def self.ends(cells, from, length) = cells.flat_map { |cell| [cell[from], cell[from] + cell[length]] }.uniq

      def self.on_lines?(places, lines) = places.all? { |at| lines.any? { |line| (line - at).abs <= LEAST_SIDE } }

      # Cells that are shut off from what is round them.
      def self.closed_off(pixels)
        shape = pixels.shape
        least = shape.first(2).max <= SMALL_PX ? 1 : LEAST_SIDE
        found = Progress.part(0, 0.7) { Regions.call(pixels) }
        regions = found.select { |region| region.area >= LEAST_PX && [region.width, region.height].min >= least }
        cells = leaves(regions.reject { |region| ground?(region, shape) }.map { |region| [region, region.filled] })
        cells = [] if cells.size > MOST
        named(Progress.part(0.7, 1) { Progress.map(cells) { |region, filled| cells(region, filled, pixels) } }.flatten)
      end

      # What lies in a cell is its print, or the cell is the ground of what lies in it.
      def self.leaves(regions)
        order = regions.sort_by { |region, _filled| -(region.width * region.height) }
        order.each_with_object([]) do |(region, filled), kept|
          next if kept.any? { |other, mask| holds?(other, mask, region) }
          if region.area < OWN * filled.count &&
               regions.any? { |inner, _| inner != region && holds?(region, filled, inner) }
            next
          end

          kept << [region, filled]
        end
      end

      def self.holds?(region, filled, inner)
        return false if inner.equal?(region) || inner.width * inner.height >= region.width * region.height

        left = inner.x - region.x
        top = inner.y - region.y
        if left.negative? || top.negative? || left + inner.width > region.width || top + inner.height > region.height
          return false
        end

        y, x = inner.first
        filled[y - region.y, x - region.x] == 1
      end

      def self.ground?(region, shape)
        touches =
          region.x.zero? || region.y.zero? || region.x + region.width == shape[1] ||
            region.y + region.height == shape[0]
        (touches && region.area < FULL * region.width * region.height) ||
          (region.width == shape[1] && region.height == shape[0])
      end

      # One cell, or several where gradients run into their neighbours.
      def self.cells(region, filled, pixels)
        box =
          Numo::DFloat.cast(pixels[region.y...(region.y + region.height), region.x...(region.x + region.width), 0..2])
        colors = box.reshape(region.width * region.height, 3)[region.mask.flatten.where, true]
        place = [region.x, region.y, region.width, region.height]
        return [cell(place, colors, outline: Outline.call(filled, region.x, region.y))] unless full?(region, filled)
        return [cell(place, colors)] if flat?(colors)

        parts = PartGradients.call(box)
        return [cell(place, colors, shade: shade(box))] if parts.size == 1

        parts.map do |x, y, width, height|
          part = box[y...(y + height), x...(x + width), true].copy
          colors = part.reshape(width * height, 3)
          cell([region.x + x, region.y + y, width, height], colors, shade: flat?(colors) ? nil : shade(part))
        end
      end

      def self.full?(region, filled) = filled.count >= FULL * region.width * region.height

      # @param place [Array(Integer, Integer, Integer, Integer)] left, top, width and height
      # @param colors [Numo::DFloat] n x 3
      def self.cell(place, colors, outline: nil, shade: nil)
        Cell.new(
          name: "",
          **%i[x y width height].zip(place).to_h,
          outline: outline,
          color: colors.mean(axis: 0).to_a.map(&:round),
          flat: flat?(colors),
          shade: shade
        )
      end

      def self.flat?(colors) = colors.shape[0] < 2 || colors.stddev(axis: 0).max < FLAT

      # Whether columns differ much more than rows do, or the other way round.
      def self.shade(box)
        across, down =
          [0, 1].map do |axis|
            box.mean(axis: axis).then { |lines| lines.shape[0] < 2 ? 0.0 : lines.stddev(axis: 0).max }
          end
        return if [across, down].max < FLAT
        return "across" if across > SHADED * down

        "down" if down > SHADED * across
      end

      # Columns and rows get letters and numbers where all stand in a grid, or else all are numbered.
      def self.named(cells)
        rows = rows(cells)
        grid = rows.size > 1 && rows.map { |row| row.map(&:x) }.uniq.size == 1
        return rows.flatten.each_with_index.map { |cell, i| cell.with(name: "Cell #{i + 1}") } unless grid

        rows.each_with_index.flat_map do |row, r|
          row.each_with_index.map { |cell, c| cell.with(name: GridCells.name(c, r)) }
        end
      end

      # Cells that overlap in height are one row.
      def self.rows(cells)
        rows =
          cells
            .sort_by(&:y)
            .each_with_object([]) do |cell, all|
              beside = all.any? && cell.y < all.last.map { |other| other.y + (other.height / 2.0) }.min
              beside ? all.last << cell : all << [cell]
            end
        rows.map { |row| row.sort_by(&:x) }
      end
      private_class_method :completed?,
                           :ends,
                           :on_lines?,
                           :closed_off,
                           :leaves,
                           :holds?,
                           :ground?,
                           :cells,
                           :full?,
                           :cell,
                           :flat?,
                           :shade,
                           :named,
                           :rows
    end
  end
end
