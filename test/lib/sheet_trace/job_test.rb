# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../../demo/build"

describe SheetTrace::Job do
  caddy = Demo.tea_caddy

  it "names islands by the painter's names first" do
    job = operate(Models.job(Models.panel), "rename_island", island: 0, name: "Shop window").job

    assert_equal ["Shop window"], job.island_names
  end

  it "has the density of all islands together" do
    # Two panels of one area at 2 and 4 px/mm: sqrt((2^2 + 4^2) / 2) = sqrt(10).
    square = ->(x) { [[x, 0], [x + 10, 0], [x + 10, 10], [x, 10]].map { |a, b| "v #{a} #{b} 0" } }
    uvs = ->(u, side) { [[u, 0], [u + side, 0], [u + side, side], [u, side]].map { |a, b| "vt #{a} #{b}" } }
    obj = [
      *square.call(0),
      *square.call(20),
      *uvs.call(0, 0.2),
      *uvs.call(0.5, 0.4),
      "f 1/1 2/2 3/3 4/4",
      "f 5/5 6/6 7/7 8/8"
    ].join("\n")

    assert_in_delta Math.sqrt(10), Models.job(obj, width_px: 100, height_px: 100).density_px_per_mm, 1e-9
  end

  it "delivers a texture and a model of one base name" do
    files =
      SheetTrace::Job::Deliver.call(
        caddy.job,
        pictures: ->(digest) do
          caddy.pictures.values.find { |bytes| SheetTrace::Job::Snapshot.digest(bytes) == digest }
        end,
        size: SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256),
        base_name: "tea-caddy"
      )

    assert_equal %w[tea-caddy.obj tea-caddy.mtl tea-caddy.png], files.keys
    assert_includes files["tea-caddy.obj"], "mtllib tea-caddy.mtl"
    assert_includes files["tea-caddy.mtl"], "map_Kd tea-caddy.png"
    # PNG 3rd edition, 5.2 signature and 11.2.1 IHDR: width and height, 8 bits, colour type 6 (RGBA).
    assert_equal ["\x89PNG\r\n\x1a\n".b, 256, 256, 8, 6], files["tea-caddy.png"].unpack("a8 x8 N N C C")
  end

  it "makes base names that any program takes" do
    names = {
      "Tea caddy.obj" => "Tea-caddy",
      "chamfer_die.obj" => "chamfer_die",
      "../x/Größe 3.obj" => "Gro-e-3",
      "日本.obj" => "model",
      ".obj" => "obj"
    }

    names.each { |name, base| assert_equal base, SheetTrace::Job::Deliver.base_name(name), name }
  end

  it "zips files so that another program reads them" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "a.zip")
      File.binwrite(path, SheetTrace::Formats::Zip::Writer.call({ "a.txt" => "one", "b.bin" => "\0\xFF".b }))

      # jar of the JDK and Python's zipfile are not on every machine; Zip::File is another half of the gem.
      assert_equal %w[a.txt b.bin], Zip::File.open(path, &:entries).map(&:name)
      assert_equal "\0\xFF".b, Zip::File.open(path) { |zip| zip.read("b.bin") }.b
    end
  end
end
