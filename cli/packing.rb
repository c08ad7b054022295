# frozen_string_literal: true

module SheetTraceCli
  # What `pack` does to a model, and what it tells of it.
  class Packing
    # With few islands, more orders are tried; so many placings of an island in all.
    PLACINGS = 64

    # @param job [SheetTrace::Job]
    # @param upright [Boolean] turns each island so that model-up points up, and none while packing
    # @raise [SheetTrace::Error] as SheetTrace::Layout::Pack says
    def initialize(job, turn:, gutter_px:, margin_px:, keep_scale:, upright:)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      @job = upright ? upright(job) : job
      options = { turn: upright ? "none" : turn, upright: false, gutter_px: gutter_px, margin_px: margin_px, keep_scale: keep_scale }
      attempts = keep_scale ? 1 : (PLACINGS / [job.layout.uv_map.island_count, 1].max).clamp(1, SheetTrace::Layout::Pack::ATTEMPTS)
      @result = Array.new(attempts) { |attempt| packed(**options, attempt: attempt) }.max_by(&:scale)
      @seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - started
    end

    # @return [SheetTrace::Formats::Model] with the new UVs
    def model(reading) = SheetTrace::Formats::Model.of_layout(@result.layout, unit_mm: @job.unit_mm, images: reading.images)

    # @return [Hash] JSON values
    def to_h
      { share_used: @result.share_used, density_px_per_mm: @job.with(layout: @result.layout).density_px_per_mm, islands: @job.layout.uv_map.island_count,
        seconds: @seconds.round(3) }
    end

    # @return [String]
    def to_text(out)
      format("%s: %d islands, %.1f %% of the sheet used, %.2f px/mm, %.2f s", out, to_h[:islands], 100 * @result.share_used, to_h[:density_px_per_mm], @seconds)
    end

    private

    def upright(job) = run(job, "turn_upright", islands: (0...job.layout.uv_map.island_count).to_a)

    def packed(**options)
      operation = SheetTrace::Operations.from_h("pack", options)
      problems = operation.validate(@job)
      raise SheetTrace::InvalidOperationError.new(problems, where: { operation: "pack" }) if problems.any?

      operation.pack(@job)
    end

    def run(job, name, **parameters) = SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job).job
  end
end
