# frozen_string_literal: true

require_relative "models"

# Panels that lie anywhere on the sheet, turned anyhow, in a unit of any length.
module ScatteredPanels
  # @param obj [String] of flat faces, each an island of its own
  # @param random [Random]
  # @return [SheetTrace::Job]
  def self.call(obj, random)
    job = run(Models.job(obj, unit_mm: random.rand(0.1..10.0)), "lay_flat", by: "square_on", seams: "all")
    (0...job.layout.uv_map.island_count).reduce(job) do |so_far, island|
      run(
        so_far,
        "transform_islands",
        islands: [island],
        turn_rad: random.rand(4) * Math::PI / 2,
        scale: [0.6] * 2,
        move_px: [random.rand(-9..9), random.rand(-9..9)]
      )
    end
  end

  def self.run(job, name, **parameters) =
    SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job, pictures: ->(_) {}).job
  private_class_method :run
end
