# frozen_string_literal: true

module SheetTraceCli
  # What `flatten` does to a model, and what it tells of it.
  class Flattening
    # @return [SheetTrace::Formats::Model] with the new UVs
    attr_reader :model

    # @param reading [SheetTrace::Formats::Reading]
    # @param method [String] of SheetTrace::Flatten::Pieces::METHODS
    # @param seams [String, nil] "angle:DEGREES", "file" or "none"; if nil, none for the method best, else angle:60
    # @raise [SheetTrace::InputError] where: { seams: } or { method: }
    def initialize(reading, method:, seams:, angle_deg:)
      @reading = reading
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      pieces =
        SheetTrace::Flatten::Pieces.call(
          reading.mesh,
          method: method,
          seams: seam_edges(seams || ("angle:60" unless method == "best")),
          angle_rad: angle_deg * Math::PI / 180
        )
      sheet = SheetTrace::Layout::Sheet.new(width_px: 1024, height_px: 1024)
      @layout = SheetTrace::Layout.new(uv_map: SheetTrace::Layout::LayPieces.call(pieces, sheet: sheet), sheet: sheet)
      @seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - started
      @turned = pieces.turned
      @model = SheetTrace::Formats::Model.of_layout(@layout, unit_mm: reading.unit_mm || 1.0, images: reading.images)
    end

    # @return [Hash] JSON values
    def to_h
      {
        islands: @layout.uv_map.island_count,
        stretch_before: stretch(before),
        stretch_after: stretch(@layout),
        turned_triangles: @turned,
        seconds: @seconds.round(3)
      }
    end

    # @return [String]
    def to_text(out)
      figures = to_h
      former = figures[:stretch_before] ? format("%.3f", figures[:stretch_before][:mean]) : "none"
      format(
        "%s: %d islands, mean stretch %s -> %.3f, worst %.3f, %d triangles turned, %.2f s",
        out,
        figures[:islands],
        former,
        figures[:stretch_after][:mean],
        figures[:stretch_after][:worst],
        @turned,
        @seconds
      )
    end

    private

    def seam_edges(text)
      mesh = @reading.mesh
      case text
      when /\Aangle:(\d+(?:\.\d+)?)\z/
        SheetTrace::Flatten::Seams.by_angle(mesh, Regexp.last_match(1).to_f * Math::PI / 180)
      when "none", nil
        SheetTrace::Flatten::Seams.none(mesh)
      when "file"
        raise SheetTrace::InputError.new("the file has no UVs to take seams from", where: { seams: text }) unless before

        SheetTrace::Flatten::Seams.of_map(before.uv_map)
      else
        raise SheetTrace::InputError.new(
                "seams is #{text.inspect}; give angle:60, file or none",
                where: {
                  seams: text
                }
              )
      end
    end

    # @return [SheetTrace::Layout, nil] the file's own; nil if it has no UVs
    def before
      return unless @reading.face_mapped.any?

      set = @reading.uv_sets.first
      @before ||=
        SheetTrace::Layout.new(
          uv_map: SheetTrace::UvMap::Build.call(@reading.mesh, set.uvs, set.corner_uvs, set.face_mapped),
          sheet: SheetTrace::Layout::Sheet.new(width_px: 1024, height_px: 1024)
        )
    end

    # Over all triangles with area on the model and on the sheet; worst is nil where some have none on the sheet.
    def stretch(layout)
      return unless layout

      large, small = layout.uv_map.jacobians(layout.points_px).singular_values
      area = layout.uv_map.jacobians(layout.points_px).area_mm2
      good = ((small > large * 1e-9) & (area > 0)).where
      return { mean: nil, worst: nil } if good.empty?

      ratio = large[good] / small[good]
      { mean: (ratio * area[good]).sum / area[good].sum, worst: good.size == (area > 0).count_true ? ratio.max : nil }
    end
  end
end
