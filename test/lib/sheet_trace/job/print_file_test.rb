# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"
require "open3"

describe SheetTrace::Job::PrintFile do
  before { @folder = Dir.mktmpdir }
  after { FileUtils.remove_entry(@folder) }

  define_method(:told) do |*command|
    output, status = Open3.capture2e(*command)

    assert_predicate status, :success?, output
    output
  end
  define_method(:pdf) do |job, pictures: {}, **options|
    bytes = SheetTrace::Job::PrintFile.call(job, title: "Caddy", pictures: pictures.method(:fetch), **options)
    File.join(@folder, "p.pdf").tap { |path| File.binwrite(path, bytes) }
  end
  define_method(:size_mm) do |path|
    told("pdfinfo", path)[/Page size:\s+([\d.]+) x ([\d.]+)/] &&
      [Regexp.last_match(1), Regexp.last_match(2)].map { |own| own.to_f / 72 * 25.4 }
  end
  define_method(:page) do |path, dpi|
    told("pdftoppm", "-r", dpi.to_s, "-png", "-singlefile", path, "#{path}-page")
    Vips::Image.new_from_file("#{path}-page.png")
  end
  # Beside the trim: the bleed and the room for marks.
  margin = 17.0

  it "prints a label in true size with its bleed, whatever the island's turn and density on the sheet" do
    file = SheetTrace::Artwork::PictureFile
    # Four colours, a quarter of the front each.
    quarters = Vips::Image.black(80, 120, bands: 3).copy(interpretation: :srgb)
    colors = [[200, 40, 30], [30, 120, 60], [40, 60, 180], [230, 200, 90]]
    colors.each_with_index do |color, i|
      quarters = quarters.draw_rect(color, (i % 2) * 40, (i / 2) * 60, 40, 60, fill: true)
    end
    png = quarters.cast(:uchar).pngsave_buffer
    picture = file.of_bytes(png, name: "q.png")
    [[0.0, 1.0], [0.6, 0.7], [-2.2, 0.4]].each do |turn, scale|
      job =
        operate(
          Models.job(Demo::TeaCaddy.obj),
          "transform_islands",
          islands: [0],
          turn_rad: turn,
          scale: [scale, scale]
        ).job
      place = SheetTrace::Artwork::Places::OnIsland.new(island: 0, width_mm: 80.0)
      layer =
        SheetTrace::Artwork::Layer.new(
          id: "q",
          name: "q",
          content: SheetTrace::Artwork::Contents::Picture.new(picture: picture),
          place: place
        )
      job = job.with(artwork: job.artwork.with(layers: [layer]))
      path = pdf(job, pictures: { picture.digest => png }, island: 0, dpi: 100.0)

      size_mm(path).zip([80 + (2 * (3 + margin)), 120 + (2 * (3 + margin))]) do |got, wanted|
        assert_in_delta wanted, got, 0.1
      end
      image = page(path, 127)
      at = ->(x, y) { image.getpoint(((x + 3 + margin) * 5).round, ((y + 3 + margin) * 5).round) }
      colors.each_with_index do |color, i|
        # The middles of the quarters, and of the bleed beside them, out to its very corner.
        [
          [20 + (40 * (i % 2)), 30 + (60 * (i / 2))],
          [i.even? ? -1.5 : 81.5, 30 + (60 * (i / 2))],
          [i.even? ? -2.8 : 82.8, i < 2 ? -2.8 : 122.8]
        ].each { |x, y| assert_operator at.call(x, y).zip(color).map { |a, b| (a - b).abs }.max, :<=, 2, [turn, x, y] }
      end
    end
  end

  it "carries a skin over the sheet and fills onto the label too" do
    job = operate(Models.job(Demo::TeaCaddy.obj), "add_layer", content: { kind: "fill", color: "#c85028" }).job
    image = page(pdf(job, island: 1, dpi: 72.0, bleed_mm: 2.0), 72)

    assert_equal [200, 80, 40], image.getpoint(image.width / 2, image.height / 2)
  end

  it "lets a straight band go on past its join with its beginning, and refuses to where it is none" do
    drum = Demo.parade_drum
    pictures =
      drum.pictures.to_h { |name, bytes| [SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: name).digest, bytes] }
    around = drum.job.island_names.index("Around")
    path = pdf(drum.job, pictures: pictures, island: around, dpi: 50.0, overlap_mm: 12.0)
    width, = size_mm(path)

    assert_in_delta drum.job.flat_map(around).size_mm[0] + 12 + (2 * (3 + margin)), width, 0.1
    error =
      assert_raises(SheetTrace::InputError) do
        pdf(drum.job, pictures: pictures, island: drum.job.island_names.index("Top"), overlap_mm: 5.0)
      end

    assert_match(/only a straight band/, error.message)
  end

  it "prints a net as a fold sheet whose every side is as long as on the model, a tab for each pair" do
    random = Random.new(2)
    3.times do
      sizes = Array.new(3) { 20 + random.rand(40) }
      job =
        operate(
          Models.job(Models.blocks([[[0, 0, 0], sizes]], order: (0..5).to_a.shuffle(random: random))),
          "lay_flat",
          by: "best"
        ).job
      bytes =
        SheetTrace::Job::PrintFile.call(
          job,
          title: "Box",
          pictures: nil,
          island: 0,
          kind: "fold",
          format: "svg",
          art: false,
          dpi: 254.0
        )
      document = Nokogiri.XML(bytes)
      tabs = document.at_css("g[id^=tabs]").css("path")

      assert_equal 7, tabs.size # 14 sides of the outline, in pairs
      folds = lengths(document.at_css("g[id^=folds] path")["d"])

      assert_equal 5 + 7, folds.size
      folds.each { |mm| assert(sizes.any? { |side| (side - mm).abs < 0.01 }, "#{mm} mm is no side of #{sizes}") }
      names = document.at_css("g[id^=names]").css("title").map(&:text)

      assert_equal %w[Back Bottom Front Left Right Top], (names & %w[Back Bottom Front Left Right Top]).sort
      assert_equal(("a".."g").to_h { |letter| [letter, 2] }, names.grep(/\A[a-z]\z/).tally.sort.to_h)
    end
  end

  # mm of each line of a path of 10 px/mm.
  define_method(:lengths) do |path|
    path
      .scan(/M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)/)
      .map { |own| own.map(&:to_f) }
      .map { |x0, y0, x1, y1| Math.hypot(x1 - x0, y1 - y0) / 10 }
  end

  it "refuses what has no true shape, and more px than there can be" do
    ball = Models.job(Models.ball(8, 12, 30))

    assert_match(
      /can't lie flat/,
      assert_raises(SheetTrace::InputError) do
        pdf(operate(ball, "lay_flat", by: "unfold", seams: "none").job, island: 0)
      end.message
    )
    large =
      operate(
        Models.job(Models.panel(width: 4000, height: 3000)),
        "add_layer",
        content: {
          kind: "fill",
          color: "#404040"
        }
      ).job

    assert_match(/give fewer dots/, assert_raises(SheetTrace::InputError) { pdf(large, island: 0, dpi: 600.0) }.message)
  end
end
