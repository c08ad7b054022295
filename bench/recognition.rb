# frozen_string_literal: true

# Pictures painted over exported templates, as they come back from a plain program: whether the layout is told from the
# picture alone. Made cases with a fixed seed; prints a table.
require_relative "../config/environment"
require_relative "../demo/build"

module Bench
  # Each case is a job with three layouts, one of which a picture is painted on.
  class Recognition
    MODELS = {
      "caddy" => -> { { "tea-caddy.obj" => Demo::TeaCaddy.obj } },
      "shade" => -> { { "shade.obj" => Demo::LanternShade.obj } },
      "heron" => -> { { "heron.obj" => Demo::Heron.obj } }
    }.freeze
    # What became of a picture on its way: scale; quality of JPEG; whether the guide is left in; the share of islands
    # that are painted; the ground beside them.
    WAYS = {
      "as it was exported" => {
      },
      "guide hidden" => {
        guide: false
      },
      "on transparent ground" => {
        guide: false,
        ground: nil
      },
      "half the islands painted" => {
        guide: false,
        share: 0.5
      },
      "JPEG at quality 75" => {
        guide: false,
        quality: 75
      },
      "half as large" => {
        guide: false,
        scale: 0.5
      },
      "twice as large" => {
        guide: false,
        scale: 2.0
      },
      "half as large, JPEG, half painted" => {
        scale: 0.5,
        quality: 75,
        share: 0.5,
        guide: false
      },
      "of another job" => {
        guide: false,
        strange: true
      },
      "nothing but a photograph" => {
        photo: true
      }
    }.freeze
    CASES = 21

    def initialize(seed = 7)
      @random = Random.new(seed)
      @jobs = MODELS.transform_values { |files| layouts(files.call) }
    end

    # @return [Hash{String => Hash{Symbol => Integer}}] how many of each way were told right, refused or told wrong
    def call(cases = CASES)
      WAYS.transform_values { |way| Array.new(cases) { |count| outcome(count, **way) }.tally }
    end

    private

    # The job as it was, with islands moved, and packed anew.
    def layouts(files)
      started = SheetTrace::Job::Start.call(SheetTrace::Formats.read_files(files), source_name: files.keys.first).job
      count = started.layout.uv_map.island_count
      moved = operate(started, "transform_islands", islands: [0, count / 2].uniq, move_px: [23, -17])
      turned = operate(started, "transform_islands", islands: [count - 1], turn_rad: 0.6, scale: [0.8, 0.8])
      [started, moved, turned]
    end

    def operate(job, name, **parameters) =
      SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job).job

    def outcome(count, strange: false, photo: false, **way)
      name = MODELS.keys[count % MODELS.size]
      jobs = @jobs[name]
      painted_on = @random.rand(jobs.size)
      subject = strange ? @jobs[other(name)][0] : jobs[painted_on]
      image = photo ? photograph(subject.sheet) : painted(subject, **way)
      codes = jobs.map { |job| SheetTrace::Trace::Code.call(job.layout) }
      found = SheetTrace::Trace::Recognise.call(image, codes.zip(jobs.map(&:layout)).to_h)
      return found.code ? :wrong : :right if strange || photo

      return :refused unless found.code

      same?(jobs[painted_on].layout, jobs[codes.index(found.code)].layout) ? :right : :wrong
    end

    # Whether what was painted last lies on both in the same way.
    def same?(one, other)
      points = @painted.flat_map { |island| one.uv_map.island_points[island].to_a }
      (one.points_px[points, true] - other.points_px[points, true]).abs.max < 1e-6
    end

    def other(name) = MODELS.keys[(MODELS.keys.index(name) + 1 + @random.rand(MODELS.size - 1)) % MODELS.size]

    def painted(job, guide: true, share: 1.0, ground: [255, 255, 255], scale: 1.0, quality: nil)
      image = paint(job, share)
      image = image.flatten(background: ground).cast(:uchar).bandjoin(255) if ground
      image = image.composite2(template(job), :over).cast(:uchar) if guide
      image = image.resize(scale).cast(:uchar) if scale != 1
      image = image.copy(interpretation: :srgb)
      return image unless quality

      SheetTrace::Artwork::Picture.read(image.flatten(background: [255] * 3).cast(:uchar).jpegsave_buffer(Q: quality))
    end

    # Each island in a colour that shades across the sheet into another, with a bleed.
    def paint(job, share)
      size = job.sheet
      map = texels_of(job)
      islands = job.layout.uv_map.island_count
      painted = (0...islands).to_a.sample([(islands * share).ceil, 1].max, random: @random)
      owners = job.layout.uv_map.triangles.islands[map.triangles]
      pixels = Numo::UInt8.zeros(size.height_px * size.width_px, 4)
      @painted = painted
      painted.each do |island|
        rows = owners.eq(island).where
        next if rows.empty?

        texels = map.texels[rows]
        way = Numo::DFloat.cast(texels % size.width_px) / size.width_px
        3.times do |band|
          from, to = Array.new(2) { @random.rand(256) }
          pixels[texels, band] = Numo::UInt8.cast(from + (way * (to - from)))
        end
        pixels[texels, 3] = 255
      end
      targets, sources = map.bleed(@random.rand(0..6))
      pixels[targets, true] = pixels[sources, true].copy unless targets.empty?
      Vips::Image.new_from_memory_copy(pixels.to_binary, size.width_px, size.height_px, 4, :uchar).copy(
        interpretation: :srgb
      )
    end

    def texels_of(job)
      SheetTrace::Raster::TexelMap.call(
        job.layout.points_px,
        job.layout.uv_map.triangles.points,
        width_px: job.sheet.width_px,
        height_px: job.sheet.height_px
      )
    end

    def template(job) = SheetTrace::Trace::Template.call(job.layout, size: job.sheet).to_image

    # Clouds of colour, with a horizon.
    def photograph(sheet)
      bands =
        Array.new(3) do
          Vips::Image.gaussnoise(sheet.width_px, sheet.height_px, seed: @random.rand(1 << 30)).gaussblur(9)
        end
      sky = (Vips::Image.xyz(sheet.width_px, sheet.height_px)[1] < sheet.height_px * 0.4).ifthenelse(60, 0)
      Vips::Image
        .bandjoin(bands.map { |band| ((band - 128) * 12) + 110 + sky })
        .cast(:uchar)
        .bandjoin(255)
        .copy(interpretation: :srgb)
    end
  end
end

if $PROGRAM_NAME == __FILE__
  outcomes = %i[right refused wrong]
  table = Bench::Recognition.new.call
  puts format("%-36s %s", "", outcomes.map { |own| own.to_s.rjust(8) }.join)
  table.each do |way, tally|
    puts format("%-36s %s", way, outcomes.map { |own| tally.fetch(own, 0).to_s.rjust(8) }.join)
  end
  sums = outcomes.map { |own| table.values.sum { |tally| tally.fetch(own, 0) } }
  puts format("%-36s %s", "all", sums.map { |count| count.to_s.rjust(8) }.join)
end
