# frozen_string_literal: true

# Files that cost more than they are worth: each is read in a child of its own, and must give its result or an error in
# words within 30 s and 2 GB.
require_relative "../../config/environment"
require "json"
require "vips"
require "zlib"

module Stress
  # The files, made on the spot.
  module CostlyFiles
    ZEROS = 390 * 1_048_576

    module_function

    def all
      {
        "six zips of 390 MB each" => -> { (1..6).to_h { |i| ["z#{i}.zip", zip_of_zeros] } },
        "glTF of 3 kB with 60 UV sets" => -> { { "a.gltf" => gltf(sets: 60, count: 4_000_000) } },
        "glTF of 2000 nodes of one mesh" => -> { { "a.gltf" => gltf(nodes: 2000) } },
        "PLY of 120 MB of text" => -> { { "a.ply" => ply(120) } },
        "OBJ of 4000 objects" => -> { { "a.obj" => objects(4000) } },
        "OBJ of 40 000 lines that go on" => -> { { "a.obj" => "#{objects(1)}##{"x\\\n" * 40_000}\n" } },
        "COLLADA with an empty p" => -> { { "a.dae" => collada("<p></p>") } },
        "COLLADA with a late DOCTYPE" => -> do
          { "a.dae" => "<!--#{"x" * 70_000}--><!DOCTYPE x>#{collada("<p>0 1 2</p>")}" }
        end,
        "COLLADA with huge indices" => -> { { "a.dae" => collada("<p>99999999999999999999 1 2</p>") } },
        "run-length TGA of 100 Mpx" => -> { { "a.tga" => tga(10_000, 10_000) } },
        "OpenRaster with a broken stack" => -> { { "a.ora" => ora("<image w='9' h='9'><stack><layer") } },
        "OpenRaster with negative places" => -> do
          { "a.ora" => ora("<image w='9' h='9'><stack><layer src='a.png' x='-5' y='-900'/></stack></image>") }
        end
      }
    end

    def zip_of_zeros
      raw = Zlib::Deflate.new(9, -Zlib::MAX_WBITS)
      body = +"".b
      (ZEROS / 1_048_576).times { body << raw.deflate("\0" * 1_048_576) }
      body << raw.finish
      sizes = [0, body.bytesize, ZEROS].pack("L<3") # the sum is not looked at before all is unpacked
      local = "#{["PK\3\4", 20, 0, 8, 0, 0].pack("a4S<5")}#{sizes}#{[5, 0].pack("S<2")}a.obj"
      entry = ["PK\1\2", 20, 20, 0, 8, 0, 0].pack("a4S<6")
      central = "#{entry}#{sizes}#{[5, 0, 0, 0, 0, 0, 0].pack("S<5L<2")}a.obj"
      tail = ["PK\5\6", 0, 0, 1, 1, central.bytesize, local.bytesize + body.bytesize, 0].pack("a4S<4L<2S<")
      local + body + central + tail
    end

    def gltf(sets: 1, nodes: 1, count: 3)
      uvs = (0...sets).to_h { |i| ["TEXCOORD_#{i}", 1] }
      JSON.generate(
        asset: {
          version: "2.0"
        },
        accessors: [
          { type: "VEC3", componentType: 5126, count: count },
          { type: "VEC2", componentType: 5126, count: count }
        ],
        meshes: [{ primitives: [{ attributes: { POSITION: 0, **uvs } }] }],
        nodes: Array.new(nodes) { |i| { mesh: 0, translation: [i, 0, 0] } },
        scenes: [{ nodes: (0...nodes).to_a }],
        scene: 0
      )
    end

    def ply(megabytes)
      line = "0.12345678 0.23456789 0.345678901\n"
      count = megabytes * 1_048_576 / line.size
      "ply\nformat ascii 1.0\nelement vertex #{count}\nproperty float x\nproperty float y\nproperty float z\n" \
        "element face 1\nproperty list uchar int vertex_indices\nend_header\n#{line * count}3 0 1 2\n"
    end

    def objects(count)
      vertices = "v 0 0 0\nv 1 0 0\nv 0 1 0\n"
      vertices + Array.new(count) { |i| "o thing\ng group #{i}\nusemtl m#{i}\nf 1 2 3\n" }.join
    end

    def collada(list)
      "<COLLADA version='1.4.1'><library_geometries><geometry id='g'><mesh><source id='s'><float_array id='f' count='9'>" \
        "0 0 0 1 0 0 0 1 0</float_array><technique_common><accessor source='#f' count='3' stride='3'/>" \
        "</technique_common></source><vertices id='v'><input semantic='POSITION' source='#s'/></vertices>" \
        "<triangles count='1'><input semantic='VERTEX' source='#v' offset='0'/>#{list}</triangles></mesh></geometry>" \
        "</library_geometries><library_visual_scenes><visual_scene id='c'><node><instance_geometry url='#g'/></node>" \
        "</visual_scene></library_visual_scenes><scene><instance_visual_scene url='#c'/></scene></COLLADA>"
    end

    def tga(width, height)
      [0, 0, 10, 0, 0, 0, 0, 0, width, height, 32, 8].pack("C3S<2CS<4C2") +
        ([0xFF, 1, 2, 3, 255].pack("C5") * ((width * height / 128) + 1))
    end

    def svg
      blur =
        "<feGaussianBlur stdDeviation='90'/><feTurbulence baseFrequency='0.9' numOctaves='9'/><feMorphology radius='60'/>"
      "<svg xmlns='http://www.w3.org/2000/svg' width='4000' height='4000'><filter id='f'>#{blur * 40}</filter>" \
        "#{"<rect width='4000' height='4000' filter='url(#f)'/>" * 40}</svg>"
    end

    def ora(stack)
      png = Vips::Image.black(4, 4, bands: 4).copy(interpretation: :srgb).pngsave_buffer
      SheetTrace::Formats::Zip::Writer.call({ "stack.xml" => stack, "a.png" => png })
    end
  end

  # Reads files as an upload does, in this process.
  #
  # @return [String] what came of it
  def self.read(files)
    name, bytes = files.first
    if %w[.tga .svg .ora].include?(File.extname(name))
      "#{SheetTrace::Formats::Pictures.open(bytes, name: name).first.size} pictures"
    else
      reading = SheetTrace::Formats.read_files(files)
      "#{reading.mesh.face_count} faces, #{reading.mesh.parts.size} parts, #{reading.uv_sets.size} UV sets"
    end
  rescue SheetTrace::Error => e
    "refused: #{e.message[0, 110]}"
  end
end

if $PROGRAM_NAME == __FILE__
  only = ARGV.first
  Stress::CostlyFiles.all.each do |name, make|
    next if only && !name.include?(only)

    out, into = IO.pipe
    child =
      fork do
        files = make.call
        base = File.read("/proc/self/status")[/VmData:\s+(\d+)/, 1].to_i * 1024
        Process.setrlimit(:DATA, base + (2048 * 1_048_576), base + (2048 * 1_048_576))
        begun = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        said = Stress.read(files)
        took = Process.clock_gettime(Process::CLOCK_MONOTONIC) - begun
        peak = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024
        into.puts format("%6.1f s %5d MB  %s", took, peak, said)
      rescue NoMemoryError
        into.puts "OUT OF MEMORY"
      rescue StandardError => e
        into.puts "ESCAPED #{e.class}: #{e.message[0, 100]}"
      ensure
        into.flush
        exit!(0)
      end
    into.close
    Thread.new do
      sleep 45
      begin
        Process.kill(:KILL, child)
      rescue StandardError
        nil
      end
    end
    Process.wait(child)
    said = out.read.strip
    puts "#{name.ljust(34)} #{said.empty? ? "KILLED, as it did not end within 45 s" : said}"
  end
end
