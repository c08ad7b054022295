# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says which cells an underlay has: found, typed as a grid, drawn, renamed, or taken from a file.
    class SetCells < Operation
      # As many as a picture may have.
      MOST = 4096
      OUTLINE = Parameters::ListOf.new(Parameters::Numbers.new(2), sizes: 3..1000, entry: "place")
      private_constant :OUTLINE

      underlay :index
      list :cells,
           record {
             text :name, label: "its name"
             whole :x, -1_000_000..1_000_000, "of its box, px of the picture"
             whole :y, -1_000_000..1_000_000
             whole :width, -1_000_000..1_000_000
             whole :height, -1_000_000..1_000_000
             parameter :outline,
                       OUTLINE,
                       "corners of pixels round it; the box if nil",
                       label: "its outline",
                       optional: true
             numbers :color, 3, 0..255, "its mean", optional: true
             flag :flat, "whether it is of that one colour", default: false
             one_of :shade, %w[across down], "where a gradient runs", optional: true
           },
           sizes: 0..MOST,
           entry: "cell"

      def call(job)
        before = job.fit_setup.underlays[index]
        refuse("#{before.name} is locked; unlock it first") if before.locked

        cells.each_with_index { |cell, number| inside!(cell, number, before.size_px) }
        name, = cells.map { |cell| cell[:name] }.tally.find { |_name, count| count > 1 }
        refuse("two cells are called #{name.inspect}; give each a name of its own") if name

        after = before.with(cells: cells.map { |cell| Fit::Cell.new(**cell) })
        change(job.with(fit_setup: job.fit_setup.replace(index, after)), sentence(before, after))
      end

      private

      def inside!(cell, number, (width, height))
        unless [cell[:width], cell[:height]].min.positive?
          refuse("cell #{number + 1}: #{cell[:width]} x #{cell[:height]} px; a cell has 1 px and more")
        end

        inside =
          cell[:x] >= 0 && cell[:y] >= 0 && cell[:x] + cell[:width] <= width && cell[:y] + cell[:height] <= height
        refuse("cell #{number + 1}: it reaches beyond the picture of #{width} x #{height} px") unless inside
      end

      def sentence(before, after)
        return "#{after.name}: cells cleared" if cells.empty?

        renamed = before.cells.size == after.cells.size && before.cells.map(&:box) == after.cells.map(&:box)
        renamed ? "#{after.name}: cells renamed" : "#{after.name}: #{Phrases.count(cells.size, "cell")}"
      end
    end
  end
end
