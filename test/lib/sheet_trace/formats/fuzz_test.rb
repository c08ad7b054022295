# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../gltf_files"
require_relative "../../../../demo/tea_caddy"
require "timeout"

# Small good files, spoilt at random: each must end in a result or in an error of the core's own.
describe "readers of spoilt files" do
  seed = ENV.fetch("FUZZ_SEED", "20261").to_i
  rounds = ENV.fetch("FUZZ_ROUNDS", "250").to_i
  formats = SheetTrace::Formats
  painted = {
    "in.obj" => "mtllib in.mtl\n#{Demo::TeaCaddy.obj}s 1\nf 1/1 2/2 3/3\n",
    "in.mtl" => "newmtl card\nKd 1 0.5 0\nmap_Kd a.png\n",
    "a.png" => "\x89PNG".b
  }
  model = formats::Model.of_reading(formats.read_files(painted))
  write = ->(extension) { formats::WRITERS.fetch(extension).call(model, base_name: "m").files.values.first.b }
  ascii_ply =
    "ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\n" \
      "element face 1\nproperty list uchar int vertex_indices\nend_header\n0 0 0\n1 0 0\n0 1 0\n3 0 1 2\n"
  good = {
    "obj" => ["mtllib in.mtl\n#{Demo::TeaCaddy.obj}vn 0 0 1\nf 1/1/1 2/2/1 3/3/1\nf 1//1 2//1 3//1\nl 1 2\n".b],
    "gltf" => [GltfFile.square.to_s.b, write.call("glb")],
    "collada" => [write.call("dae")],
    "ply" => [write.call("ply"), ascii_ply.b],
    "mtl" => ["newmtl card\nKd 1 0.5 0\nd 0.5\nmap_Kd -s 1 1 1 a.png\n".b],
    "zip" => [formats::Zip::Writer.call({ "in.obj" => Demo::TeaCaddy.obj, "in.mtl" => "newmtl card\n" }).b]
  }
  words = [
    "-1",
    "0",
    "9999999999",
    "1e308",
    "nan",
    "inf",
    "null",
    "{}",
    "[]",
    "\"\"",
    "<",
    ">",
    "&",
    "/",
    "\\",
    "\0",
    "\n",
    "-",
    "4294967295",
    "%s",
    "\xFF".b,
    " "
  ]

  spoil =
    lambda do |bytes, random|
      spoilt = bytes.dup
      random
        .rand(1..4)
        .times do
          at = random.rand(spoilt.bytesize + 1)
          case random.rand(10)
          when 0
            spoilt.setbyte(at, random.rand(256)) if at < spoilt.bytesize
          when 1
            spoilt = spoilt.byteslice(0, at) + words.sample(random: random).b + spoilt.byteslice(at..)
          when 2
            spoilt = spoilt.byteslice(0, at) + spoilt.byteslice((at + random.rand(1..12))..).to_s
          when 3
            spoilt = spoilt.byteslice(0, at)
          when 4
            spoilt = spoilt.sub(spoilt[/\d+/n].to_s, words.sample(random: random).b)
          when 5
            # One number everywhere: counts, indices and offsets alike.
            number = spoilt.scan(/\d+/n).sample(random: random)
            spoilt = spoilt.gsub(/(?<!\d)#{number}(?!\d)/n, words.sample(random: random).b) if number
          when 6
            # A section again and again.
            section = spoilt.byteslice(at, random.rand(1..400)).to_s
            spoilt = spoilt.byteslice(0, at) + (section * random.rand(2..60)) + spoilt.byteslice(at..)
          when 7
            # A section within itself: elements and objects nested deeper than they may be.
            from = random.rand(at + 1)
            section = spoilt.byteslice(from, at - from).to_s
            spoilt = spoilt.byteslice(0, at) + section.byteslice(0, 300) + spoilt.byteslice(at..)
          when 8
            # Two numbers for each other: an index that points to what holds it, a count that is false.
            a, b = spoilt.scan(/\d+/n).uniq.sample(2, random: random)
            spoilt = spoilt.gsub(/\d+/n) { |found| { a => b, b => a }.fetch(found, found) } if a && b
          when 9
            # Lines in another order.
            lines = spoilt.lines
            spoilt = lines.rotate(random.rand(lines.size)).join if lines.size > 2
          end
        end
      spoilt
    end

  good.each do |kind, files|
    it "survives #{rounds} spoilt files of #{kind}" do
      random = Random.new(seed)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      read = 0
      rounds.times do |round|
        break if Process.clock_gettime(Process::CLOCK_MONOTONIC) - started > 12

        bytes = spoil.call(files[round % files.size], random)
        begin
          Timeout.timeout(5) do
            if kind == "mtl"
              formats.read_files({ "m.obj" => "mtllib in.mtl\n#{Demo::TeaCaddy.obj}", "in.mtl" => bytes })
            else
              formats.read_files({ "m.#{kind}" => bytes })
            end
            read += 1
          end
        rescue SheetTrace::Error => e
          refute_empty e.message
        rescue StandardError => e
          flunk "seed #{seed}, round #{round}: #{e.class} #{e.message[0, 200]} at #{
                  e.backtrace.find { |line| line.include?("lib/sheet_trace") }
                }"
        end
      end

      assert_operator read, :>, 0
    end
  end
end
