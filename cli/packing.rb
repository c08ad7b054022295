# frozen_string_literal: true

module SheetTraceCli
  # What `pack` does to a model, and what it tells of it.
  class Packing
    # @param job [SheetTrace::Job]
    # @param upright [Boolean] turns each island so that model-up points up, and none while packing
    # @raise [SheetTrace::Error] as SheetTrace::Layout::Pack says
    def initialize(job, turn:, gutter_px:, margin_px:, keep_scale:, upright:)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      job = run(job, "turn_upright", islands: (0...job.layout.uv_map.island_count).to_a).job if upright
      options = {
        turn: upright ? "none" : turn,
        upright: false,
        gutter_px: gutter_px,
        margin_px: margin_px,
        keep_scale: keep_scale
      }
      best = SheetTrace::Operations.prepare(SheetTrace::Operations.from_h("pack", options), job).best(job)
      @change = run(job, "pack", **options, attempt: best[:attempt])
      @seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - started
    end

    # @return [SheetTrace::Formats::Model] with the new UVs
    def model(reading)
      SheetTrace::Formats::Model.of_layout(@change.job.layout, unit_mm: @change.job.unit_mm, images: reading.images)
    end

    # @return [Hash] JSON values
    def to_h
      {
        **@change.facts.slice(:share_used, :density_px_per_mm),
        islands: @change.job.layout.uv_map.island_count,
        seconds: @seconds.round(3)
      }
    end

    # @return [String]
    def to_text(out)
      format(
        "%s: %s, %.1f %% of the sheet used, %.2f px/mm, %.2f s",
        out,
        SheetTrace::Operations::Phrases.count(to_h[:islands], "island"),
        100 * to_h[:share_used],
        to_h[:density_px_per_mm],
        @seconds
      )
    end

    private

    def run(job, name, **parameters) = SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job)
  end
end
