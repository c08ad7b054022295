# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says which cells an underlay has: found, typed as a grid, drawn, renamed, or taken from a file.
    #
    # index [Integer] of the underlay
    # cells [Array<Hash>] name, x, y, width, height in whole px of the picture; outline, color, flat as Fit::Cell has them, or none
    SetCells = Struct.new(:index, :cells, keyword_init: true) do
      def initialize(index:, cells:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.entry(index, job.backdrop.underlays, "underlay") || Checks.unlocked(job, index)
        return [problem] if problem
        return ["cells are no list"] unless cells.is_a?(Array)
        return ["#{cells.size} cells; at most #{SetCells::MOST} are taken"] if cells.size > SetCells::MOST

        width, height = job.backdrop.underlays[index].size_px
        found = cells.each_with_index.filter_map { |cell, i| problem(cell, width, height)&.then { |text| "cell #{i + 1}: #{text}" } }.first
        [found || doubled].compact
      end

      def apply(job)
        made = cells.map { |cell| Fit::Cell.new(**cell.slice(*Fit::Cell.members), name: cell[:name].strip) }
        job.with(backdrop: job.backdrop.replace(index, job.backdrop.underlays[index].with(cells: made)))
      end

      def describe(job, after)
        before, now = [job, after].map { |one| one.backdrop.underlays[index] }
        return "#{now.name}: cells cleared" if cells.empty?

        renamed = before.cells.size == now.cells.size && before.cells.map(&:box) == now.cells.map(&:box)
        renamed ? "#{now.name}: cells renamed" : "#{now.name}: #{Words.count(cells.size, "cell")}"
      end

      private

      def problem(cell, width, height)
        return "give name, x, y, width and height" unless cell.is_a?(Hash)

        sides = cell.values_at(:x, :y, :width, :height)
        return "x, y, width and height are #{sides.inspect}; give whole px" unless sides.all?(Integer)
        return "#{sides[2]} x #{sides[3]} px; a cell has 1 px and more" unless sides.last(2).min.positive?

        inside = sides[0] >= 0 && sides[1] >= 0 && sides[0] + sides[2] <= width && sides[1] + sides[3] <= height
        return "it reaches beyond the picture of #{width} x #{height} px" unless inside

        Checks.text(cell[:name], "its name") || outline_problem(cell[:outline])
      end

      def outline_problem(outline)
        return if outline.nil? || (outline.is_a?(Array) && outline.size.between?(3, 1000) && outline.all? { |place| place.is_a?(Array) && place.size == 2 && place.all?(Numeric) })

        "its outline is no list of three places and more"
      end

      def doubled
        name, = cells.map { |cell| cell[:name].strip }.tally.find { |_name, count| count > 1 }
        "two cells are called #{name.inspect}; give each a name of its own" if name
      end
    end

    # As many as a picture may have.
    class SetCells
      MOST = 4096
    end
  end
end
