# frozen_string_literal: true

require_relative "server_test_case"

describe SheetTraceServer::Json::SheetTiles do
  include ServerTestCase

  def tiles(job, known = [], call: nil)
    path = "/api/jobs/#{job[:id]}/sheet.tiles?revision=#{job[:revision]}&known=#{known.join(",")}"
    ask(call ? :post : :get, path, call)
    bytes = last_response.body.b
    length = bytes.unpack1("L<")
    [JSON.parse(bytes.byteslice(4, length), symbolize_names: true), bytes.byteslice((4 + length)..)]
  end

  # The sheet put together from tiles, as a page does it.
  def put_together(head, texels, onto = nil)
    width, height, side = head.values_at(:width_px, :height_px, :tile_px)
    sheet = onto || Numo::UInt32.zeros(height, width)
    at = 0
    head[:sent].each do |index|
      top, left = index.divmod((width / side.to_f).ceil).map { |step| step * side }
      rows, columns = [top...[top + side, height].min, left...[left + side, width].min]
      size = rows.size * columns.size * 4
      sheet[rows, columns] = Numo::UInt32.from_binary(texels.byteslice(at, size)).reshape(rows.size, columns.size)
      at += size
    end

    assert_equal texels.bytesize, at
    sheet
  end

  # 700 x 300 px, so that the last tiles of rows and columns are smaller.
  def painted
    job = change(start_job, "resize_sheet", width_px: 700, height_px: 300)
    fill = { content: { kind: "fill", color: "#c04020" }, place: { kind: "sheet" }, islands: [0, 1, 2] }
    change(job, "add_layer", **fill)
  end

  def composed(job)
    snapshot = @api.workshop.snapshot(job[:id], job[:revision])
    SheetTrace::Artwork::Compose.pixels(snapshot.job.artwork, snapshot.job.canvas(pictures: ->(_digest) { flunk }))
  end

  it "gives all tiles to a page that has none, and they make the composed sheet" do
    job = painted
    head, texels = tiles(job)

    assert_equal [700, 300, (0...6).to_a], [head[:width_px], head[:height_px], head[:sent]]
    assert_equal composed(job), put_together(head, texels)
    assert_operator composed(job).ne(0).count_true, :>, 1000
  end

  it "gives only those that differ, and they make the next sheet of the last" do
    job = painted
    head, texels = tiles(job)
    sheet = put_together(head, texels)
    moved = change(job, "transform_islands", islands: [0], move_px: [2, 1])
    next_head, texels = tiles(moved, head[:marks])

    assert_includes 1..5, next_head[:sent].size
    assert_equal composed(moved), put_together(next_head, texels, sheet)
    assert_empty tiles(moved, next_head[:marks])[0][:sent]
  end

  it "gives those that an operation would change, and changes nothing" do
    job = painted
    head, = tiles(job)
    call = { name: "transform_islands", parameters: { islands: [0], move_px: [2, 1] } }
    foreseen, texels = tiles(job, head[:marks], call: call)

    assert_empty tiles(job, head[:marks])[0][:sent]
    moved = change(job, call[:name], **call[:parameters])
    after, same = tiles(moved, head[:marks])

    assert_equal [foreseen, texels], [after, same]
    assert_operator foreseen[:sent].size, :>, 0
    ask(:post, "/api/jobs/#{job[:id]}/sheet.tiles?revision=#{moved[:revision]}", { name: "transform_islands" })

    assert_failure 422, "invalid_operation", /islands/
  end

  it "gives what it has to a page that says nonsense" do
    job = painted

    assert_equal 6, tiles(job, ["x", "", "0" * 500])[0][:sent].size
  end
end
