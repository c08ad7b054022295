# frozen_string_literal: true

module SheetTraceCli
  # What `inspect` prints of a job, as plain values and as a table.
  class Inspection
    COLUMNS = {
      "island" => :name,
      "faces" => :faces,
      "mm" => :size_mm,
      "px" => :size_px,
      "px/mm" => :density_px_per_mm,
      "stretch" => :stretch_mean,
      "worst" => :stretch_worst,
      "mirrored" => :mirrored,
      "up" => :up_angle_deg
    }.freeze
    private_constant :COLUMNS

    # @param job [SheetTrace::Job]
    # @param uv_count [Integer] UVs that the file holds
    def initialize(job, uv_count:)
      @job = job
      @uv_count = uv_count
    end

    # @return [Hash] JSON values
    def to_h
      mesh = @job.mesh
      {
        counts: {
          vertices: mesh.vertex_count,
          faces: mesh.face_count,
          triangles: mesh.triangulation.count,
          uvs: @uv_count,
          parts: mesh.parts.size,
          materials: mesh.materials.size
        },
        format: source.format,
        parts: mesh.parts,
        materials: mesh.materials.map(&:to_h),
        uv_sets: uv_sets,
        bounds: bounds_mm,
        file_unit_mm: source.unit_mm,
        file_up_axis: source.up_axis,
        sheet: {
          width_px: @job.sheet.width_px,
          height_px: @job.sheet.height_px
        },
        unit_mm: @job.unit_mm,
        islands: islands,
        findings: @job.findings.map { |finding| finding_json(finding) },
        notes: notes
      }
    end

    # @return [String]
    def to_text
      counts = to_h[:counts].map { |name, count| "#{count} #{name}" }.join(", ")
      low, high = bounds_mm.values
      size = low.zip(high).map { |a, b| number(b - a) }.join(" x ")
      [
        "#{@job.source_name}: #{counts}",
        "parts: #{@job.mesh.parts.join(", ")}",
        "materials: #{@job.mesh.material_names.join(", ")}",
        "size: #{size} mm, on a sheet of #{@job.sheet}",
        "",
        *table,
        "",
        *report
      ].join("\n")
    end

    private

    def source = @job.source

    def notes = @job.notes.map { |note| { code: note.code, message: note.message, where: note.where } }

    def uv_sets
      source.uv_sets.map { |set| { name: set.name, uvs: set.uvs.shape[0], faces: set.face_mapped.count_true } }
    end

    def finding_json(finding)
      where =
        finding.places.map do |place|
          {
            text: place.text,
            islands: place.islands.map { |island| @job.island_names[island] },
            faces: place.faces,
            **place.numbers
          }
        end
      {
        code: finding.code,
        severity: finding.severity,
        message: finding.message,
        meaning: finding.meaning,
        where: where,
        mend: finding.mend&.label
      }
    end

    def report
      return ["preflight: nothing to mend"] if @job.findings.empty?

      ["preflight:", *@job.findings.map { |finding| "  #{finding.severity}: #{finding.message}" }]
    end

    def bounds_mm
      low, high = @job.mesh.bounds
      { min: low.map { |x| x * @job.unit_mm }, max: high.map { |x| x * @job.unit_mm } }
    end

    def islands
      @job
        .island_names
        .zip(@job.measures)
        .map do |name, measure|
          {
            name: name,
            faces: measure.faces,
            size_mm: measure.size_mm,
            size_px: measure.size_px,
            density_px_per_mm: measure.density_px_per_mm,
            stretch_mean: measure.stretch_mean,
            stretch_worst: measure.stretch_worst,
            mirrored: measure.mirrored,
            up_angle_deg: measure.up_angle_rad * 180 / Math::PI
          }
        end
    end

    def table
      rows = [COLUMNS.keys] + islands.map { |island| COLUMNS.values.map { |key| cell(island[key]) } }
      widths = rows.transpose.map { |column| column.map(&:size).max }
      rows.map do |row|
        row.each_with_index.map { |text, i| i.zero? ? text.ljust(widths[i]) : text.rjust(widths[i]) }.join("  ").rstrip
      end
    end

    def cell(value)
      case value
      when String
        value
      when Array
        value.map { |side| number(side) }.join(" x ")
      when Float
        format("%.3f", value)
      when true
        "yes"
      when false
        "no"
      when nil
        "endless"
      else
        value.to_s
      end
    end

    def number(value) = format("%.1f", value)
  end
end
