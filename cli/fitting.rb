# frozen_string_literal: true

module SheetTraceCli
  # What `fit` does to a model: its islands assigned to the cells of a picture, or brought to where landmarks say.
  class Fitting
    # @param job [SheetTrace::Job]
    # @param underlay [Underlay]
    def initialize(job, underlay)
      @underlay = underlay
      @job = run(job, "add_underlay", picture: underlay.name).job
    end

    # @return [SheetTrace::Formats::Model] with the new UVs
    def model(reading)
      SheetTrace::Formats::Model.of_layout(@job.layout, unit_mm: @job.unit_mm, images: reading.images)
    end

    # Assigns islands to cells.
    #
    # @param cells [String] "auto" or "grid:COLSxROWS"; inset_px [Numeric]
    def by_cells(cells, inset_px:)
      @job = run(@job, "set_cells", index: 0, cells: @underlay.cells(cells).map(&:to_h)).job
      islands = (0...@job.layout.uv_map.island_count).to_a
      @proposals =
        SheetTrace::Fit::Match.call(
          @job.layout,
          islands,
          @job.fit_setup.underlay,
          names: @job.island_names,
          flat_map: @job.method(:flat_map)
        )
      if @proposals.empty?
        raise SheetTrace::LayoutError.new(
                "no island goes with any cell of #{@underlay.name}",
                where: {
                  islands: islands.size
                }
              )
      end

      @assigned = @proposals.map { |proposal| assignment(proposal) }
      @job = run(@job, "set_into_cells", assignments: @proposals.flat_map(&:assignments), inset_px: inset_px).job
      self
    end

    # @param landmarks [Array<Hash>] as docs/landmarks.md has them; kind [String]
    def by_landmarks(landmarks, kind:)
      @job = run(@job, "set_landmarks", landmarks: landmarks.map { |mark| landmark(mark) }).job
      fitted = run(@job, "fit_landmarks", kind: kind)
      @job = fitted.job
      @residuals = fitted.facts[:residuals_px]
      @turned = fitted.facts[:turned_triangles]
      self
    end

    # @return [Hash] JSON values
    def to_h
      sheet = { width_px: @job.sheet.width_px, height_px: @job.sheet.height_px }
      if @residuals
        return { sheet: sheet, residuals_px: @residuals, worst_px: @residuals.max, turned_triangles: @turned }
      end

      {
        sheet: sheet,
        assignments: @assigned,
        unassigned: @job.island_names - @assigned.flat_map { |assigned| assigned[:islands] }
      }
    end

    # @return [String]
    def to_text(out)
      if @residuals
        return(
          "#{out}: #{@residuals.size} landmarks, off by #{format("%.3f", @residuals.max)} px at the most, #{@turned} " \
            "triangles turned over"
        )
      end

      lines =
        @assigned.map do |assigned|
          format(
            "%-30s %-30s %5.1f %%  %d°%s",
            assigned[:islands].join(", "),
            assigned[:cells].join(", "),
            100 * assigned[:confidence],
            assigned[:turn_deg],
            assigned[:mirrored] ? ", mirrored" : ""
          )
        end
      [
        *lines,
        "#{out}: #{to_h[:assignments].sum { |assigned| assigned[:islands].size }} of " \
          "#{@job.layout.uv_map.island_count} islands set into cells"
      ].join("\n")
    end

    private

    def run(job, name, **parameters)
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_h(name, parameters),
        job,
        pictures: { @underlay.name => @underlay.file }.method(:[])
      )
    end

    def assignment(proposal)
      {
        islands: @job.island_names.values_at(*proposal.islands),
        cells: @job.fit_setup.cells.values_at(*proposal.cells).map(&:name),
        turn_deg: (proposal.turn_rad * 180 / Math::PI).round,
        mirrored: proposal.mirrored,
        confidence: proposal.confidence,
        reasons: proposal.reasons
      }
    end

    def landmark(mark)
      unless mark.is_a?(Hash)
        raise SheetTrace::InputError.new(
                "a landmark is #{mark.inspect.slice(0, 60)}; give island, from_uv and to_px",
                where: {
                  landmark: mark
                }
              )
      end

      island = mark[:island].is_a?(String) ? @job.island_names.index(mark[:island]) : mark[:island]
      unless island.is_a?(Integer) && mark[:from_uv].is_a?(Array) && mark[:from_uv].size == 2 &&
               mark[:from_uv].all?(Numeric)
        names = @job.island_names.first(5).join(", ")
        raise SheetTrace::InputError.new(
                "a landmark has island #{mark[:island].inspect} and from_uv #{mark[:from_uv].inspect}; islands are " \
                  "#{names}",
                where: {
                  landmark: mark
                }
              )
      end

      { island: island, at_px: @job.sheet.uv_to_px.at(*mark[:from_uv]), to_px: sheet_px(mark[:to_px]) }
    end

    # From px of the picture to px of the sheet.
    def sheet_px(place)
      return place unless place.is_a?(Array) && place.size == 2 && place.all?(Numeric)

      @job.fit_setup.underlay.to_sheet(@job.sheet).at(*place)
    end
  end
end
