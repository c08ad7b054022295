# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../bench/stress/costly_files"

# Files that are made to cost more than they are worth. Their full sizes are tried by bench/stress/costly_files.rb;
# here the work must not grow faster than the file.
describe "costly files" do
  files = Stress::CostlyFiles
  seconds =
    lambda do |&work|
      Array
        .new(3) do
          started = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)
          work.call
          Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - started
        end
        .min
    end

  {
    "OBJ objects of one name" => ->(size) { { "a.obj" => files.objects(size) } },
    "OBJ lines that go on" => ->(size) { { "a.obj" => "#{files.objects(1)}##{"x\\\n" * (size * 30)}\n" } },
    "glTF nodes of one mesh" => ->(size) { { "a.gltf" => files.gltf(nodes: size) } },
    "words of an ASCII PLY" =>
      lambda do |size|
        head, rest = files.ply(1).split("end_header\n")
        lines = rest.lines.first(size * 10).join
        { "a.ply" => "#{head.sub(/vertex \d+/, "vertex #{size * 10}")}end_header\n#{lines}3 0 1 2\n" }
      end
  }.each do |what, make|
    it "takes about eight times the time for eight times as many #{what}, and not 64 times" do
      Stress.read(make.call(100))
      few, many = [100, 800].map { |size| make.call(size).then { |bytes| seconds.call { Stress.read(bytes) } } }

      assert_operator many, :<, 24 * [few, 0.002].max # what grows with the square is far beyond, on a busy machine too
    end
  end

  it "refuses what declares more than it holds, in words" do
    {
      { "a.gltf" => files.gltf(sets: 60, count: 4_000_000) } => /240000000 UVs in all its sets; at most 16000000/,
      { "a.dae" => files.collada("<p>99999999999999999999 1 2</p>") } => /is not a whole number that can be meant/,
      { "a.dae" => "<!--#{"x" * 70_000}--><!DOCTYPE x>#{files.collada("<p>0 1 2</p>")}" } => /a DOCTYPE or entities/,
      { "a.dae" => files.collada("<p></p>") } => /holds no faces/,
      { "a.ora" => files.ora("<image w='9' h='9'><stack><layer") } => /stack\.xml is broken/,
      { "a.ora" => files.ora("<!DOCTYPE x><image w='9' h='9'/>") } => /a DOCTYPE or entities/
    }.each { |bytes, message| assert_match message, Stress.read(bytes) }
  end

  it "reads layers that lie wholly or in part beyond the canvas" do
    places = ["x='-2' y='-2'", "x='7' y='8'", "x='-900' y='0'", "x='99999999' y='99999999'"]
    layers = places.map { |place| "<layer src='a.png' #{place}/>" }.join
    bytes = files.ora("<image w='9' h='9'><stack>#{layers}</stack></image>")
    pictures, = SheetTrace::Formats::Pictures.open(bytes, name: "a.ora")

    assert_equal [[9, 9]] * 4, pictures.map { |picture| picture.seen.values_at(:width_px, :height_px) }
  end

  it "counts what all zips of an upload unpack to together" do
    half = SheetTrace::Formats::Zip::Writer.call({ "a.bin" => "x" * 600 })
    limit = SheetTrace::Formats::Zip::Reader
    assert_refused(SheetTrace::LimitError, { limit: limit::MOST_BYTES, got: 600 }) do
      limit.call(half, name: "b.zip", most_bytes: 500)
    end
  end

  it "keeps line numbers where lines go on behind a backslash" do
    assert_match(/1 faces/, Stress.read({ "a.obj" => "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n# on \\\n" }))
    assert_match(/Line 5: vertex 9/, Stress.read({ "a.obj" => "v 0 0 \\\n0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n" }))
  end
end
