# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Formats::Bundle do
  formats = SheetTrace::Formats
  obj = "mtllib my parts.mtl\nv 0 0 0\nv 1 0 0\nv 0 1 0\nvt 0 0\nusemtl skin\nf 1/1 2/1 3/1\n"
  mtl = "newmtl skin\nKd 0.2 0.4 0.6\nTr 0.25\nmap_Kd -o 0.5 0.5 -s 2 2 art & more/my skin.png\n"
  zip = ->(files) { formats::Zip::Writer.call(files) }

  it "brings a model, its library and its picture together, whatever their names" do
    reading = formats.read_files({ "my model.obj" => obj, "my parts.mtl" => mtl, "my skin.png" => "png" })
    material = reading.mesh.materials[0]

    assert_equal ["skin", [0.2, 0.4, 0.6, 0.75], "my skin.png"], material.to_a
    assert_equal({ "my skin.png" => "png" }, reading.images)
    assert_empty reading.notes
  end

  it "reads the same from a zip with folders" do
    packed =
      zip.call(
        {
          "kit/my model.obj" => obj,
          "kit/my parts.mtl" => mtl,
          "kit/art & more/my skin.png" => "png",
          "__MACOSX/x" => "",
          ".hidden" => ""
        }
      )
    reading = formats.read_files({ "all.zip" => packed })

    assert_equal({ "my skin.png" => "png" }, reading.images)
  end

  it "notes what was not brought along" do
    assert_equal %w[library_not_found no_uvs].first(1), formats.read(obj, name: "a.obj").notes.map(&:code)
    assert_equal %w[picture_not_found], formats.read_files({ "a.obj" => obj, "my parts.mtl" => mtl }).notes.map(&:code)
  end

  it "reads several libraries, the first of two materials of one name" do
    two = obj.sub("mtllib my parts.mtl", "mtllib a.mtl b.mtl\nmtllib c.mtl")
    reading =
      formats.read_files(
        {
          "m.obj" => two,
          "a.mtl" => "newmtl other\n",
          "b.mtl" => "newmtl skin\nKd 1 0 0\n",
          "c.mtl" => "newmtl skin\nKd 0 1 0\n"
        }
      )

    assert_equal [1.0, 0.0, 0.0, 1.0], reading.mesh.materials[0].color
  end

  it "knows formats by content, not by name" do
    ply =
      "ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\n" \
        "element face 1\nproperty list uchar int vertex_indices\nend_header\n0 0 0\n1 0 0\n0 1 0\n3 0 1 2\n"

    assert_equal "ply", formats.read(ply, name: "model.obj").format
    assert_equal "obj", formats.read(obj, name: "model.ply").format
    assert_equal "gltf", formats.format_of("\xEF\xBB\xBF {\"asset\":1}".b)
  end

  it "says which files it can't choose between, or that there is no model" do
    assert_refused(SheetTrace::FormatError, message: /a\.obj and b\.obj are both models/) do
      formats.read_files({ "a.obj" => obj, "b.obj" => obj })
    end
    assert_refused(SheetTrace::FormatError, message: /no model among them/) do
      formats.read_files({ "a.png" => "x", "b.mtl" => mtl })
    end
  end

  it "stops unpacking a zip that grows without end" do
    bomb = zip.call({ "zeros.obj" => "\0" * 3_000_000 })
    limits = formats::Zip::Reader
    former = limits::MOST_BYTES
    limits.send(:remove_const, :MOST_BYTES)
    limits.const_set(:MOST_BYTES, 1_000_000)

    assert_refused(SheetTrace::LimitError, { limit: 1_000_000 }) { formats.read_files({ "bomb.zip" => bomb }) }
  ensure
    limits.send(:remove_const, :MOST_BYTES)
    limits.const_set(:MOST_BYTES, former)
  end

  it "refuses a damaged zip and one of too many files" do
    good = zip.call({ "a.obj" => obj })

    assert_refused(SheetTrace::FormatError, { file: "half.zip" }) do
      formats.read_files({ "half.zip" => good.byteslice(0, good.bytesize / 2) })
    end
    assert_refused(SheetTrace::LimitError, { got: 1001 }) do
      formats.read_files({ "many.zip" => zip.call(Array.new(1001) { |i| ["#{i}.txt", ""] }.to_h) })
    end
  end

  it "reads UTF-16 with and without a mark" do
    [
      "\uFEFF#{obj}".encode("UTF-16LE"),
      "\uFEFF#{obj}".encode("UTF-16BE"),
      obj.encode("UTF-16LE"),
      obj.encode("UTF-16BE")
    ].each { |text| assert_equal ["skin"], formats.read(text.b, name: "wide.obj").mesh.material_names }
  end
end
