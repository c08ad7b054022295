# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives an underlay another recipe of corrections. Its file stays as it is; cells go where the corrected picture has other px.
    #
    # index [Integer]; recipe [Array<Hash>] as Raster::Corrections
    CorrectUnderlay = Struct.new(:index, :recipe, keyword_init: true) do
      def initialize(index:, recipe:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.entry(index, job.backdrop.underlays, "underlay") || Checks.unlocked(job, index)
        [problem || Raster::Corrections.problem(recipe, job.backdrop.underlays[index].picture_px)].compact
      end

      def apply(job)
        before = job.backdrop.underlays[index]
        after = before.with(recipe: recipe)
        after = after.with(cells: []) if after.size_px != before.size_px
        job.with(backdrop: job.backdrop.replace(index, after))
      end

      def describe(job, after)
        now = after.backdrop.underlays[index]
        gone = job.backdrop.underlays[index].cells.size - now.cells.size
        steps = recipe.empty? ? "as its file has it" : recipe.map { |step| step[:step].tr("_", " ") }.join(", ")
        "#{now.name}: #{steps}, #{now.size_px.join(" x ")} px#{", #{Words.count(gone, "cell")} to be found anew" if gone.positive?}"
      end
    end
  end
end
